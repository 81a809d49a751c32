'use client';

import Box from '@mui/material/Box';
import { visuallyHidden } from '@mui/utils';
import { memo, useImperativeHandle, useMemo, useRef, type PointerEvent, type ReactNode, type Ref } from 'react';
import { placeInWords } from '@/core/count/placeInWords';
import { schoolNamed } from '@/core/count/schools';
import type { Groove, Stroke } from '@/core/groove/document';
import type { Limb } from '@/core/groove/limbs';
import { beatOf } from '@/core/groove/beat';
import type { WholeNotes } from '@/core/time/fraction';
import type { Swing } from '@/core/time/swing';
import { steady } from '@/core/time/tempoMap';
import type { Bpm } from '@/core/time/units';
import { BarBand } from './BarBand';
import type { Bead, UnheardBand } from './beads';
import { barsPerRow, drawnBars, lanesOf, SIZES, THREAD, type Lane, type StripSize } from './layout';
import { useWidth } from './useWidth';

/** How the room moves the playhead: straight on the drawing, without asking React. */
export interface StripHandle {
  /** `fraction` of the bar from 0 to 1; no bar hides it. */
  playhead: (bar: number | undefined, fraction: number) => void;
}

export interface StripProps {
  groove: Groove;
  school: string;
  /** For swing that depends on the tempo; the groove's own when left out. */
  bpm?: Bpm;
  swing?: Swing | 'straight';
  size: StripSize;
  /** Limbs that are not part of the task are pale. */
  task?: readonly Limb[];
  /** Beside a lane's name: the key that plays it. */
  laneNotes?: Partial<Record<Limb, ReactNode>>;
  beads?: readonly Bead[];
  bands?: readonly UnheardBand[];
  /** How many rounds the beads of a lane are stacked by. */
  rounds?: number;
  handle?: Ref<StripHandle>;
  /** A lane for every limb, also for those that play nothing. */
  allLanes?: boolean;
  /** The slot that keys work on. */
  cursor?: StripPlace;
  /** Strokes that are not there yet, shown pale. */
  preview?: readonly { bar: number; stroke: Stroke }[];
  /** A pointer pressed, moved or let go over a lane; `percent` of the bar. */
  onPointer?: (kind: 'down' | 'move' | 'up', at: { bar: number; limb: Limb; percent: number }, event: PointerEvent) => void;
}

export interface StripPlace {
  bar: number;
  limb: Limb;
  at: WholeNotes;
}

/** A groove as a band of cloth on a true time axis: a lane a limb, a stem a stroke, as high as the stick. */
export const Strip = memo(function Strip({
  groove,
  school,
  bpm,
  swing,
  size,
  task,
  laneNotes,
  beads,
  bands,
  rounds = 1,
  handle,
  allLanes,
  cursor,
  preview,
  onPointer,
}: StripProps) {
  const [frame, width] = useWidth<HTMLDivElement>();
  const playheads = useRef<(SVGGElement | null)[]>([]);
  const lanes = useMemo(() => lanesOf(groove, allLanes), [groove, allLanes]);
  const bars = useMemo(() => drawnBars(groove, schoolNamed(school), steady(bpm ?? groove.tempo, beatOf(groove)), swing), [groove, school, bpm, swing]);
  const perRow = barsPerRow(bars, width ?? 1100, size);
  const rows = Array.from({ length: Math.ceil(bars.length / perRow) }, (_, row) => bars.slice(row * perRow, (row + 1) * perRow));

  useImperativeHandle(
    handle,
    () => ({
      playhead: (bar, fraction) => {
        playheads.current.forEach((line, index) => {
          if (!line) return;
          line.style.visibility = index === bar ? 'visible' : 'hidden';
          if (index === bar) line.style.transform = `translateX(${playheadPercent(bars[index]!, fraction)}%)`;
        });
      },
    }),
    [bars],
  );

  return (
    <Box
      ref={frame}
      role="group"
      aria-label={`${groove.title}, strip`}
      sx={{ display: 'grid', gap: 2.5, minWidth: 0, visibility: width === undefined ? 'hidden' : 'visible' }}
    >
      <Box sx={visuallyHidden}>
        {lanes.map((lane) => (
          <p key={lane.limb}>{laneInWords(groove, lane, school)}</p>
        ))}
      </Box>
      {rows.map((row, rowIndex) => (
        <Box key={rowIndex} aria-hidden sx={{ display: 'flex', minWidth: 0, pr: (width ?? 1100) < 600 ? 2 : `${SIZES[size].lead}px` }}>
          <Margin lanes={lanes} size={size} task={task} notes={laneNotes} narrow={(width ?? 1100) < 600} />
          {row.map((bar, column) => {
            const index = rowIndex * perRow + column;
            return (
              <BarBand
                key={index}
                bar={bar}
                strokes={groove.bars[index]!.strokes}
                lanes={lanes}
                size={size}
                task={task}
                number={bars.length > 1 ? index + 1 : undefined}
                beads={beads?.filter((bead) => bead.bar === index)}
                bands={bands?.filter((band) => band.bar === index)}
                rounds={rounds}
                playhead={(line) => {
                  playheads.current[index] = line;
                }}
                narrow={(width ?? 1100) < 600}
                first={column === 0}
                cursor={cursor?.bar === index ? cursor : undefined}
                preview={preview?.filter(({ bar: of }) => of === index).map(({ stroke }) => stroke)}
                onPointer={onPointer && ((kind, at, event) => onPointer(kind, { bar: index, ...at }, event))}
              />
            );
          })}
        </Box>
      ))}
    </Box>
  );
});

/** Where motion is unwelcome the playhead steps from count to count. */
function playheadPercent(bar: { counts: { percent: number }[] }, fraction: number): number {
  const percent = 100 * fraction;
  if (!window.matchMedia('(prefers-reduced-motion: reduce)').matches) return percent;
  return bar.counts.findLast((count) => count.percent <= percent + 0.01)?.percent ?? 0;
}

function laneInWords(groove: Groove, { limb }: Lane, school: string): string {
  const strokes = groove.bars.flatMap((bar, index) =>
    bar.strokes
      .filter((stroke) => stroke.limb === limb)
      .map((stroke) =>
        `${placeInWords(groove, index, stroke.at, schoolNamed(school))} ${stroke.height} ${stroke.ornament ?? ''} on ${stroke.surface}`.replace('  ', ' '),
      ),
  );
  return `${limb}: ${strokes.join(', ')}.`;
}

interface MarginProps {
  lanes: Lane[];
  size: StripSize;
  task?: readonly Limb[];
  notes?: StripProps['laneNotes'];
  narrow: boolean;
}

const SHORT: Record<Limb, string> = { 'right hand': 'R hand', 'left hand': 'L hand', 'right foot': 'R foot', 'left foot': 'L foot' };

function Margin({ lanes, size, task, notes, narrow }: MarginProps) {
  const { head, lane, margin } = SIZES[size];
  return (
    <Box sx={{ flex: 'none', width: narrow ? 68 : margin, pt: `${head}px` }}>
      {lanes.map(({ limb, surface }) => (
        <Box
          key={limb}
          sx={{
            height: lane,
            display: 'flex',
            flexDirection: 'column',
            justifyContent: 'flex-end',
            pb: size === 'glance' ? 0 : 1,
            opacity: task && !task.includes(limb) ? 0.45 : 1,
            lineHeight: 1.2,
          }}
        >
          {notes?.[limb]}
          <Box
            component="span"
            sx={{ fontWeight: 650, fontSize: size === 'glance' || narrow ? 13 : 15, color: (theme) => theme.vars!.palette.cloth[THREAD[limb]] }}
          >
            {narrow ? SHORT[limb] : limb.charAt(0).toUpperCase() + limb.slice(1)}
          </Box>
          <Box component="span" sx={{ fontSize: size === 'glance' || narrow ? 12 : 13, color: 'text.secondary' }}>
            {surface}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
