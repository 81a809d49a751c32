'use client';

import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState, type Ref } from 'react';
import type { School } from '@/core/counting/schools';
import type { Take } from '@/core/documents/take';
import type { Judgement } from '@/core/judging/types/judgement';
import { notesOfFault } from '@/core/judging/verdict/notesOfFault';
import { barsBySection } from '@/core/judging/report/chartFigures';
import {
  beadsIn,
  beadsOf,
  blamedFrames,
  roundsToShow,
  unheardBands,
  WIDENED,
  type Bead,
  type RoundsShown,
} from '../strip/beads';
import { Strip, type StripHandle } from '../strip/Strip';

interface TakePictureProps {
  take: Take;
  judgement: Judgement;
  school: School;
  /** Moves a playhead over it. */
  handle?: Ref<StripHandle>;
  /** The bead that is listened to. */
  marked?: string;
  onBead?: (bead: Bead) => void;
}

/** A take on its groove's strip: a bead a hit, rounds over one another or one at a time; a long take by stretches. */
export function TakePicture({ take, judgement, school, handle, marked, onBead }: TakePictureProps) {
  const [chosen, setChosen] = useState<number>();
  const [widened, setWidened] = useState(true);
  const widen = widened ? WIDENED : 1;
  const all = useMemo(() => beadsOf(judgement, widen), [judgement, widen]);
  const bands = useMemo(() => unheardBands(judgement, widen), [judgement, widen]);
  const frames = useMemo(() => blamedFrames(judgement, notesOfFault(take, judgement), widen), [take, judgement, widen]);
  const barNames = useMemo(() => barsBySection(take), [take]);
  const rounds = useMemo(() => 1 + all.reduce((last, { round }) => Math.max(last, round), 0), [all]);
  const choices = useMemo(() => roundsToShow(rounds), [rounds]);
  // What is listened to is in sight, unless something else was chosen.
  const heard = all.find(({ key }) => key === marked)?.round ?? 0;
  const follows = Math.max(
    0,
    choices.findIndex(({ from, to }) => from <= heard && heard < to),
  );
  const index = chosen !== undefined && chosen < choices.length ? chosen : follows;
  const shown = choices[index]!;
  const beads = useMemo(() => beadsIn(all, shown), [all, shown]);
  const isOne = shown.to - shown.from === 1 && rounds > 1;

  return (
    <Box>
      <Strip
        groove={take.groove}
        school={school}
        bpm={take.bpm}
        swing={take.swing}
        size="desk"
        barNames={barNames}
        task={take.task}
        beads={beads}
        bands={bands}
        frames={isOne ? undefined : frames}
        rounds={shown.to - shown.from}
        handle={handle}
        marked={marked}
        onBead={onBead}
      />
      <Stack
        direction="row"
        useFlexGap
        className="no-print"
        sx={{ mt: 1.5, flexWrap: 'wrap', gap: 2, alignItems: 'center' }}
      >
        <TextField
          select
          label="Rounds"
          sx={{ width: 140 }}
          value={index}
          onChange={({ target }) => setChosen(Number(target.value))}
        >
          {choices.map((choice, at) => (
            <MenuItem key={at} value={at}>
              {inWords(choice, rounds)}
            </MenuItem>
          ))}
        </TextField>
        <FormControlLabel
          control={<Switch checked={widened} onChange={({ target }) => setWidened(target.checked)} />}
          label={`Errors drawn ${WIDENED} times as wide`}
        />
        <Typography variant="body2" color="textSecondary" sx={{ flexBasis: 320, flexGrow: 1 }}>
          Left of the stem is early, right late; the first round is at the top. The green band is what nobody hears. ●
          within what your level allows · ○ outside it · × missed · ◇ extra
          {frames.length > 0 && ' · framed: what to fix first'}
          {onBead && ' · touch a bead to hear it'}
        </Typography>
      </Stack>
    </Box>
  );
}

function inWords({ from, to }: RoundsShown, rounds: number): string {
  if (to - from === rounds) return `all ${rounds}`;
  return to - from === 1 ? `round ${to}` : `${from + 1} to ${to}`;
}
