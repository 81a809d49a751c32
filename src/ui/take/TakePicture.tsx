'use client';

import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState, type Ref } from 'react';
import type { School } from '@/core/count/schools';
import type { Take } from '@/core/documents/take';
import type { Judgement } from '@/core/take/judge';
import { blamedIn } from '@/core/take/blamed';
import { barsBySection } from '@/core/take/chartFigures';
import { beadsOf, blamedFrames, unheardBands, WIDENED, type Bead } from '../strip/beads';
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

/** A take on its groove's strip: a bead a hit, all rounds over one another or one at a time. */
export function TakePicture({ take, judgement, school, handle, marked, onBead }: TakePictureProps) {
  const [round, setRound] = useState<number>();
  const [widened, setWidened] = useState(true);
  const widen = widened ? WIDENED : 1;
  const all = useMemo(() => beadsOf(judgement, widen), [judgement, widen]);
  const bands = useMemo(() => unheardBands(judgement, widen), [judgement, widen]);
  const frames = useMemo(() => blamedFrames(judgement, blamedIn(take, judgement), widen), [take, judgement, widen]);
  const barNames = useMemo(() => barsBySection(take), [take]);
  const shown = round === undefined ? all : all.filter((bead) => bead.round === round);
  const rounds = 1 + Math.max(0, ...all.map((bead) => bead.round));
  const beads = round === undefined ? shown : shown.map((bead) => ({ ...bead, round: 0 }));

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
        frames={round === undefined ? frames : undefined}
        rounds={round === undefined ? rounds : 1}
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
          value={round ?? 'all'}
          onChange={({ target }) => setRound(target.value === 'all' ? undefined : Number(target.value))}
        >
          <MenuItem value="all">all {rounds}</MenuItem>
          {Array.from({ length: rounds }, (_, index) => (
            <MenuItem key={index} value={index}>
              round {index + 1}
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
