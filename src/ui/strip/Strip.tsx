'use client';

import Box from '@mui/material/Box';
import { visuallyHidden } from '@mui/utils';
import {
  memo,
  useCallback,
  useEffect,
  useImperativeHandle,
  useMemo,
  useRef,
  type PointerEvent,
  type ReactNode,
  type Ref,
} from 'react';
import type { School } from '@/core/counting/schools';
import type { Groove, Stroke } from '@/core/groove/groove';
import type { Limb } from '@/core/groove/limbs';
import { compare, less, sub, ZERO, type WholeNotes } from '@/core/time/fraction';
import { barLength, barStarts } from '@/core/grid/meter';
import type { Region } from '@/core/groove/region';
import type { Feel } from '@/core/form/form';
import type { Bpm } from '@/core/time/units';
import { BarBand } from './BarBand';
import type { Bead, BlamedFrame, UnheardBand } from './beads';
import { barsPerRow, lanesOf, REACH, sizeThatFits, SIZES, type Lane, type StripSize } from './layout';
import { Margin } from './Margin';
import { barsInWords, barsDrawn } from './drawn';
import { useSize } from './useWidth';

/** How the room moves the playhead: straight on the drawing, without asking React. */
export interface StripHandle {
  /** `fraction` of the bar from 0 to 1; no bar hides it. */
  playhead: (bar: number | undefined, fraction: number) => void;
}

export interface StripProps {
  groove: Groove;
  school: School;
  /** For swing that depends on the tempo; the groove's own when left out. */
  bpm?: Bpm;
  swing?: Feel;
  /** Of one that `follows` it is the size its frame has place for. */
  size: StripSize;
  /** What the bars are called where not by their number. */
  barNames?: readonly string[];
  /** Limbs that are not part of the task are pale. */
  task?: readonly Limb[];
  /** Beside a lane's name: the key that plays it. */
  laneNotes?: Partial<Record<Limb, ReactNode>>;
  beads?: readonly Bead[];
  bands?: readonly UnheardBand[];
  /** What is to be looked at first. */
  frames?: readonly BlamedFrame[];
  /** How many rounds the beads of a lane are stacked by. */
  rounds?: number;
  /** The key of the bead that was asked for. */
  marked?: string;
  onBead?: (bead: Bead) => void;
  handle?: Ref<StripHandle>;
  /** It fills the height it is given, and the row of the playhead is always in sight. */
  follows?: boolean;
  /** Limbs that have a lane also where they play nothing. */
  idleLanes?: readonly Limb[];
  /** A place that is held longer than it lasts, in percent of its bar. */
  held?: { bar: number; percent: number };
  /** The slot that keys work on. */
  cursor?: StripPlace;
  /** Strokes that are not there yet, shown pale. */
  preview?: readonly { bar: number; stroke: Stroke }[];
  /** A selected stretch of lanes. */
  selection?: Region;
  /** A pointer pressed, moved or let go over a lane; `percent` of the bar. */
  onPointer?: (
    kind: 'down' | 'move' | 'up',
    at: { bar: number; limb: Limb; percent: number },
    event: PointerEvent,
  ) => void;
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
  size: wanted,
  barNames,
  task,
  laneNotes,
  beads,
  bands,
  frames,
  rounds = 1,
  marked,
  onBead,
  handle,
  follows = false,
  idleLanes,
  held,
  cursor,
  preview,
  selection,
  onPointer,
}: StripProps) {
  const [frame, inside] = useSize<HTMLDivElement>(follows);
  const width = inside?.width;
  const playheads = useRef<(SVGGElement | null)[]>([]);
  const lanes = useLanes(groove, idleLanes);
  const bars = barsDrawn(groove, school, bpm, swing);
  const size = follows && inside ? sizeThatFits(bars, lanes.length, inside) : wanted;
  const perRow = barsPerRow(bars, width ?? 1100, size);
  const rows = Array.from({ length: Math.ceil(bars.length / perRow) }, (_, row) =>
    bars.slice(row * perRow, (row + 1) * perRow),
  );

  const keepPlayhead = useCallback((index: number, line: SVGGElement | null) => {
    playheads.current[index] = line;
  }, []);
  // The bands are drawn anew only when they changed, so what they are given stays the same.
  const latest = useRef(onPointer);
  useEffect(() => {
    latest.current = onPointer;
  });
  const onBandPointer = useCallback<NonNullable<StripProps['onPointer']>>((...given) => latest.current?.(...given), []);
  const selected = useMemo(() => selection && selectionByBar(groove, selection), [groove, selection]);

  useImperativeHandle(
    handle,
    () => ({
      playhead: (bar, fraction) => {
        playheads.current.forEach((line, index) => {
          if (!line) return;
          line.style.visibility = index === bar ? 'visible' : 'hidden';
          if (index === bar) line.style.transform = `translateX(${playheadPercent(bars[index]!, fraction)}%)`;
        });
        if (follows && frame.current) keepInSight(frame.current, Math.floor((bar ?? 0) / perRow));
      },
    }),
    [bars, follows, frame, perRow],
  );

  return (
    <Box
      ref={frame}
      role="group"
      aria-label={`${groove.title}, strip`}
      sx={{
        display: 'grid',
        gap: 0.5,
        minWidth: 0,
        visibility: width === undefined ? 'hidden' : 'visible',
        ...(follows && { position: 'relative', height: 1, overflow: 'hidden', alignContent: 'start' }),
      }}
    >
      <LaneWords groove={groove} lanes={lanes} school={school} />
      {rows.map((row, rowIndex) => (
        <Box
          key={rowIndex}
          aria-hidden
          data-row={rowIndex}
          sx={{
            display: 'flex',
            minWidth: 0,
            pr: (width ?? 1100) < 600 ? 2 : `${SIZES[size].lead}px`,
            // Rows that are out of sight are neither laid out nor painted. The playhead's head and the number of the
            // bar stand above the row, a bead may stand beside it: so far it reaches out.
            contentVisibility: 'auto',
            containIntrinsicHeight: `${SIZES[size].head + lanes.length * SIZES[size].lane + REACH[size]}px`,
            pt: `${REACH[size]}px`,
          }}
        >
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
                name={bars.length > 1 ? (barNames?.[index] ?? `bar ${index + 1}`) : undefined}
                beads={beads?.filter((bead) => bead.bar === index)}
                bands={ofBar(bands, index)}
                frames={ofBar(frames, index)}
                rounds={rounds}
                marked={marked}
                onBead={onBead}
                index={index}
                playhead={keepPlayhead}
                narrow={(width ?? 1100) < 600}
                first={column === 0}
                held={held?.bar === index ? held.percent : undefined}
                cursor={cursor?.bar === index ? cursor : undefined}
                preview={ofBar(preview, index)?.map(({ stroke }) => stroke)}
                selection={selected?.[index]}
                onPointer={onPointer && onBandPointer}
              />
            );
          })}
        </Box>
      ))}
    </Box>
  );
});

/** Moves a frame so that a row stands at its top, or as near as the end lets it. */
function keepInSight(frame: HTMLElement, row: number): void {
  const wanted = frame.querySelector<HTMLElement>(`[data-row="${row}"]`);
  if (wanted && frame.scrollHeight > frame.clientHeight && Math.abs(frame.scrollTop - wanted.offsetTop) > 1)
    frame.scrollTop = wanted.offsetTop;
}

/** Where motion is unwelcome the playhead steps from count to count. */
function playheadPercent(bar: { counts: { percent: number }[] }, fraction: number): number {
  const percent = 100 * fraction;
  if (!window.matchMedia('(prefers-reduced-motion: reduce)').matches) return percent;
  return bar.counts.findLast((count) => count.percent <= percent + 0.01)?.percent ?? 0;
}

/** Those of one bar, or undefined when there are none: most bars then stay as they are drawn. */
function ofBar<T extends { bar: number }>(all: readonly T[] | undefined, bar: number): T[] | undefined {
  const here = all?.filter((one) => one.bar === bar);
  return here?.length ? here : undefined;
}

/** The lanes, the same objects as long as they say the same. */
function useLanes(groove: Groove, idle?: readonly Limb[]): Lane[] {
  const lanes = lanesOf(groove, idle);
  const said = lanes.map(({ limb, surface }) => `${limb} ${surface}`).join();
  // oxlint-disable-next-line react/exhaustive-deps
  return useMemo(() => lanes, [said]);
}

/** The part of a selection that lies in each bar, from the start of that bar. */
function selectionByBar(groove: Groove, { from, to, limbs }: Region) {
  const starts = barStarts(groove.bars.map((bar) => barLength(bar.meter)));
  return groove.bars.map((bar, index) => {
    const [start, length] = [starts[index]!, barLength(bar.meter)];
    const [first, last] = [sub(from, start), sub(to, start)];
    if (compare(last, ZERO) <= 0 || compare(first, length) >= 0) return undefined;
    return { from: less(first, ZERO) ? ZERO : first, to: less(length, last) ? length : last, limbs };
  });
}

/** What a screen reader hears of each lane. */
const LaneWords = memo(function LaneWords({
  groove,
  lanes,
  school,
}: {
  groove: Groove;
  lanes: Lane[];
  school: School;
}) {
  const words = barsInWords(groove, school);
  return (
    <Box sx={visuallyHidden}>
      {lanes.map(({ limb }) => (
        <p key={limb}>{`${limb}: ${words.flatMap((bar) => bar.get(limb) ?? []).join(', ') || 'nothing'}.`}</p>
      ))}
    </Box>
  );
});
