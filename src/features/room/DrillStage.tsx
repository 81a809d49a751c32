import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, type Ref } from 'react';
import type { School } from '@/core/counting/schools';
import { exerciseInWords, exerciseOfBar, type Exercises } from '@/core/form/exercises';
import type { Feel } from '@/core/form/form';
import { limbsIn } from '@/core/groove/kit';
import type { Limb } from '@/core/groove/limbs';
import type { Bpm } from '@/core/time/units';
import type { Bead } from '@/ui/strip/beads';
import type { StripSize } from '@/ui/strip/layout';
import { Strip, type StripHandle } from '@/ui/strip/Strip';
import { FIGURE_FONT } from '@/ui/theme';
import { opening } from '@/ui/words/text';
import type { OnStage } from './useStage';

/** How the strip is drawn, whatever is played. */
export interface Drawn {
  school: School;
  bpm: Bpm;
  swing?: Feel;
  size: StripSize;
  follows?: boolean;
  task: readonly Limb[];
  beads?: readonly Bead[];
  strip: Ref<StripHandle>;
}

interface DrillStageProps extends Drawn {
  drill: Exercises;
  onStage: OnStage;
  /** What comes next is kept until the bar before it, when it is called. */
  isCalled: boolean;
  /** Nothing plays, so what will be called is not shown. */
  isHidden: boolean;
}

/** What stands there in a rest, and before the first call. */
const RESTS = { called: 'Listen', played: 'Rest' } as const;

/** Of a drill the one exercise that is on, with its name to be read from the stool, and what comes next. */
export function DrillStage({
  drill,
  onStage: { now, next, bar },
  isCalled,
  isHidden,
  school,
  task,
  beads,
  strip,
  ...drawn
}: DrillStageProps) {
  const { groove, passages } = drill;
  const played = useMemo(() => [...new Set(passages.flatMap(({ exercise }) => exercise ?? []))], [passages]);
  const limbs = useMemo(() => limbsIn(groove), [groove]);
  const [from, bars] = useMemo(() => {
    const on = passages.find(({ exercise }) => now !== undefined && exercise === now);
    return on ? [on.from, on.bars] : [bar, 1];
  }, [passages, now, bar]);
  const shown = useMemo(() => ({ ...groove, bars: groove.bars.slice(from, from + bars) }), [groove, from, bars]);
  const here = useMemo(
    () =>
      beads?.flatMap((bead): Bead[] => {
        const at = exerciseOfBar(passages, bead.bar);
        return at && at.exercise === now ? [{ ...bead, bar: at.bar }] : [];
      }),
    [beads, passages, now],
  );
  const isComing = next && (!isCalled || (!isHidden && next.inBars <= 1));
  const isLow = drawn.size === 'low';
  const large = { xs: 26, sm: isLow ? 32 : 44 };
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: 1 }}>
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'baseline',
          columnGap: 3,
          minHeight: isLow ? 40 : 62,
          flex: 'none',
        }}
      >
        <Typography
          component="p"
          sx={{ fontFamily: FIGURE_FONT, fontWeight: 700, fontSize: large, lineHeight: 1.1, overflowWrap: 'anywhere' }}
        >
          {now === undefined ? RESTS[isCalled ? 'called' : 'played'] : opening(exerciseInWords(drill, now, school))}
        </Typography>
        {now !== undefined && !isCalled && (
          <Typography color="textSecondary" sx={{ fontSize: '1.1rem' }}>
            {played.indexOf(now) + 1} of {played.length}
          </Typography>
        )}
        <Typography
          role="status"
          sx={{
            ml: 'auto',
            fontFamily: FIGURE_FONT,
            fontWeight: 700,
            fontSize: isCalled ? large : { xs: 18, sm: 26 },
            color: isCalled ? 'secondary.main' : 'text.secondary',
            overflowWrap: 'anywhere',
          }}
        >
          {isComing && `next ${exerciseInWords(drill, next.exercise, school)}`}
        </Typography>
      </Box>
      <Box sx={{ flex: '1 1 0', minHeight: 0 }}>
        <Strip groove={shown} school={school} task={task} idleLanes={limbs} beads={here} handle={strip} {...drawn} />
      </Box>
    </Box>
  );
}
