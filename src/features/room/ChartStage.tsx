import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useMemo } from 'react';
import { ahead, barsPlayed } from '@/core/chart/play/ahead';
import { FEELS_PLAYED } from '@/core/chart/play/writeOut';
import { engraved } from '@/core/chart/play/engraved';
import { barLength } from '@/core/grid/meter';
import { limbsIn } from '@/core/groove/kit';
import { div, toNumber } from '@/core/time/fraction';
import type { Bead } from '@/ui/strip/beads';
import { Strip } from '@/ui/strip/Strip';
import { FIGURE_FONT } from '@/ui/theme';
import { useKept } from '@/ui/useKept';
import type { Drawn } from './DrillStage';
import type { Piece } from './piece';
import type { OnStage } from './useStage';

const ChartStaves = dynamic(() => import('@/ui/chart/ChartStaves'), { ssr: false });

/** Heights of a strip while it plays, in pixels: the counts over it, and each lane. */
const STRIP_HEAD = 56;
const LANE = 52;

interface ChartStageProps extends Drawn {
  piece: Piece;
  chart: NonNullable<Piece['chart']>;
  onStage: OnStage;
  playing: boolean;
}

/** The bar of a chart that plays, with the section it is of and what comes; around it the chart itself. */
export function ChartStage({ piece, chart, onStage, playing, task, beads, strip, ...drawn }: ChartStageProps) {
  const { groove } = piece;
  const { whole, chosen } = chart;
  const { form } = whole;
  const bars = useMemo(() => barsPlayed(whole, chosen), [whole, chosen]);
  const { at, bar } = onStage;
  const now = bars[Math.min(at, bars.length - 1)];
  const staves = useMemo(() => {
    const found = engraved(form);
    return found.ok ? found.value : [];
  }, [form]);
  const limbs = useMemo(() => limbsIn(groove), [groove]);
  const shown = useMemo(() => ({ ...groove, bars: groove.bars.slice(bar, bar + 1) }), [groove, bar]);
  const held = useMemo(
    () => now?.heldAt && { bar: 0, percent: 100 * toNumber(div(now.heldAt, barLength(now.meter))) },
    [now],
  );
  const here = useMemo(
    () => beads?.flatMap((bead): Bead[] => (bead.bar === bar ? [{ ...bead, bar: 0 }] : [])),
    [beads, bar],
  );
  // Read at sight, what comes and how it is counted has to be found on the chart.
  const { isRead = false } = piece;
  const next = playing && !isRead ? ahead(bars, at) : [];
  const [perLine] = useKept<number>('chart.perLine', 4);
  const isLow = drawn.size === 'low';
  if (!now) return null;
  const { section, time, times, number } = now;
  const large = { xs: 26, sm: isLow ? 32 : 44 };
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: 1, minHeight: 0 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 2.5, flex: 'none' }}>
        <Typography
          component="p"
          sx={{ fontFamily: FIGURE_FONT, fontWeight: 700, fontSize: large, lineHeight: 1.1, overflowWrap: 'anywhere' }}
        >
          {section}
        </Typography>
        <Typography color="textSecondary" sx={{ fontSize: '1.1rem' }}>
          {times > 1 && `time ${time} of ${times} · `}bar {number} of {bars.at(-1)!.number}
        </Typography>
        <Typography
          role="status"
          sx={{
            ml: 'auto',
            fontFamily: FIGURE_FONT,
            fontWeight: 700,
            fontSize: { xs: 18, sm: 26 },
            color: 'secondary.main',
            overflowWrap: 'anywhere',
          }}
        >
          {next.map(({ inBars, say }, index) => (
            <Box key={inBars} component="span" sx={{ ml: 2, color: index ? 'text.secondary' : undefined }}>
              in {inBars}: {say}
            </Box>
          ))}
        </Typography>
      </Box>
      <Box
        sx={{
          display: { xs: playing && !isRead ? 'none' : 'block', sm: 'block' },
          flex: playing ? '1 1 0' : 'none',
          minHeight: 0,
          maxHeight: playing || isRead ? undefined : 420,
          overflow: 'auto',
          my: 1,
        }}
        tabIndex={0}
        role="region"
        aria-label="Chart"
      >
        <ChartStaves title={groove.title} bars={staves} perLine={perLine} marked={now.written} follows={playing} />
      </Box>
      {!isRead && (
        <Box
          sx={{
            flex: drawn.follows ? { xs: '1 1 0', sm: `0 0 ${STRIP_HEAD + LANE * limbs.length}px` } : 'none',
            minHeight: 0,
          }}
        >
          <Strip
            groove={shown}
            task={task}
            idleLanes={limbs}
            beads={here}
            handle={strip}
            held={held}
            {...drawn}
            size={playing ? 'low' : drawn.size}
            swing={FEELS_PLAYED[now.feel]}
          />
        </Box>
      )}
    </Box>
  );
}
