import Box from '@mui/material/Box';
import type { Groove } from '@/core/groove/groove';
import { LIMBS } from '@/core/groove/limbs';
import { techniqueAt } from '@/core/groove/lines';

/** The techniques that hold at this tempo, by limb. */
export const laneNotes = (groove: Pick<Groove, 'technique' | 'tempo'>) =>
  Object.fromEntries(
    LIMBS.flatMap((limb) => {
      const word = techniqueAt(groove, limb, groove.tempo);
      return word ? [[limb, <LaneNote key={limb} word={word} />]] : [];
    }),
  );

/** The technique a teacher pinned to a limb, over its name. */
function LaneNote({ word }: { word: string }) {
  return (
    <Box
      component="span"
      sx={{
        fontSize: 12,
        fontStyle: 'italic',
        color: 'text.secondary',
        overflow: 'hidden',
        textOverflow: 'ellipsis',
        whiteSpace: 'nowrap',
        pr: 1,
      }}
    >
      {word}
    </Box>
  );
}
