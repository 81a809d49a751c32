'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, type Ref } from 'react';
import type { School } from '@/core/count/schools';
import { exerciseAt, exerciseInWords, type ExerciseBars } from '@/core/form/exercises';
import type { Groove } from '@/core/groove/groove';
import { type Limb } from '@/core/groove/limbs';
import { limbsIn } from '@/core/groove/kit';
import type { Swing } from '@/core/time/swing';
import type { Bpm } from '@/core/time/units';
import type { Bead } from '@/ui/strip/beads';
import { Strip, type StripHandle } from '@/ui/strip/Strip';
import { FIGURE_FONT } from '@/ui/theme';
import { opening } from '@/ui/words';
import type { OnStage } from './useStage';

/** How the strip is drawn, whatever is played. */
export interface Drawn {
  school: School;
  bpm: Bpm;
  swing?: Swing | 'straight';
  task: readonly Limb[];
  beads?: readonly Bead[];
  strip: Ref<StripHandle>;
}

interface DrillStageProps extends Drawn {
  groove: Groove;
  parts: readonly ExerciseBars[];
  onStage: OnStage;
  /** What comes next is kept until the bar before it, when it is called. */
  called: boolean;
  /** Nothing plays, so what will be called is not shown. */
  hidden: boolean;
}

/** Of a drill the one exercise that is on, with its name to be read from the stool, and what comes next. */
export function DrillStage({
  groove,
  parts,
  onStage: { now, next },
  called,
  hidden,
  school,
  bpm,
  swing,
  task,
  beads,
  strip,
}: DrillStageProps) {
  const limbs = useMemo(() => limbsIn(groove), [groove]);
  const part = now === undefined ? undefined : parts[now];
  // In a rest, and under the caller before the first place, the bar before what comes next is on.
  const shown = useMemo(() => {
    const from = part?.from ?? (next ? Math.max(0, parts[next.part]!.from - 1) : 0);
    return { ...groove, bars: groove.bars.slice(from, from + (part?.bars ?? 1)) };
  }, [groove, parts, part, next]);
  const here = useMemo(
    () =>
      beads?.flatMap((bead): Bead[] => {
        const at = exerciseAt(parts, bead.bar);
        return at && at.index === now ? [{ ...bead, bar: at.bar }] : [];
      }),
    [beads, parts, now],
  );
  const coming = next && (!called || (!hidden && next.inBars <= 1)) ? parts[next.part] : undefined;
  return (
    <Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 3, minHeight: 62 }}>
        <Typography
          component="p"
          sx={{
            fontFamily: FIGURE_FONT,
            fontWeight: 700,
            fontSize: { xs: 28, sm: 44 },
            lineHeight: 1.1,
            overflowWrap: 'anywhere',
          }}
        >
          {part ? opening(exerciseInWords(part, groove, school)) : called ? 'Listen' : 'Rest'}
        </Typography>
        {part && !called && (
          <Typography color="textSecondary" sx={{ fontSize: '1.1rem' }}>
            {now! + 1} of {parts.length}
          </Typography>
        )}
        <Typography
          role="status"
          sx={{
            ml: 'auto',
            fontFamily: FIGURE_FONT,
            fontWeight: 700,
            fontSize: called ? { xs: 28, sm: 44 } : { xs: 20, sm: 26 },
            color: called ? 'secondary.main' : 'text.secondary',
            overflowWrap: 'anywhere',
          }}
        >
          {coming && `next ${exerciseInWords(coming, groove, school)}`}
        </Typography>
      </Box>
      <Strip
        groove={shown}
        school={school}
        bpm={bpm}
        swing={swing}
        size="room"
        task={task}
        idleLanes={limbs}
        beads={here}
        handle={strip}
      />
    </Box>
  );
}
