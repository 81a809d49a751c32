'use client';

import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import type { Stroke } from '@/core/groove/groove';
import type { Limb } from '@/core/groove/limbs';
import type { WholeNotes } from '@/core/time/fraction';
import { memo, type PointerEvent } from 'react';
import type { Bead, BlamedFrame, UnheardBand } from './beads';
import { BeadMark, CursorMark, Fermata, Head, Selected, Stem, StrokeMark, type SelectedStretch } from './marks';
import {
  percentOf,
  percentOfStroke,
  SHADE_LEAD,
  SIZES,
  THREAD,
  type DrawnBar,
  type Lane,
  type StripSize,
} from './layout';

interface BarBandProps {
  bar: DrawnBar;
  strokes: readonly Stroke[];
  lanes: readonly Lane[];
  size: StripSize;
  task?: readonly Limb[];
  /** Said over the bar where there are several. */
  name?: string;
  beads?: readonly Bead[];
  bands?: readonly UnheardBand[];
  frames?: readonly BlamedFrame[];
  rounds: number;
  /** The key of the bead that was asked for. */
  marked?: string;
  onBead?: (bead: Bead) => void;
  index: number;
  /** Takes the playhead's line of this bar. */
  playhead: (index: number, line: SVGGElement | null) => void;
  narrow: boolean;
  /** The first of its row, which has room for what is struck early on 1. */
  first: boolean;
  /** Where it is held longer than it lasts, in percent. */
  held?: number;
  cursor?: { limb: Limb; at: WholeNotes };
  preview?: readonly Stroke[];
  selection?: SelectedStretch;
  onPointer?: (
    kind: 'down' | 'move' | 'up',
    at: { bar: number; limb: Limb; percent: number },
    event: PointerEvent,
  ) => void;
}

/**
 * One bar. Across, everything is a percentage of the bar, so that the drawing follows its width without
 * measuring; down, everything is pixels.
 */
export const BarBand = memo(function BarBand({
  bar,
  strokes,
  lanes,
  size,
  task,
  name,
  beads,
  bands,
  frames,
  rounds,
  marked,
  onBead,
  index: barIndex,
  playhead,
  narrow,
  first,
  held,
  cursor,
  preview,
  selection,
  onPointer,
}: BarBandProps) {
  const theme = useTheme();
  const { cloth, text } = theme.vars!.palette;
  const { head, lane } = SIZES[size];
  // A phone has no room to spare.
  const lead = narrow ? SHADE_LEAD : SIZES[size].lead;
  const extra = lead - SHADE_LEAD;
  const height = head + lanes.length * lane;
  const baseline = (index: number) => head + (index + 1) * lane - 8;
  const wordSize = size === 'glance' ? 10 : 12;
  const laneIndex = new Map(lanes.map(({ limb }, index) => [limb, index]));
  const top = (limb: Limb) => head + laneIndex.get(limb)! * lane;
  const pale = (limb: Limb) => (task && !task.includes(limb) ? 0.3 : 1);

  const point = (kind: 'down' | 'move' | 'up') => (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const index = Math.max(0, Math.min(lanes.length - 1, Math.floor((event.clientY - box.top - head) / lane)));
    onPointer?.(
      kind,
      { bar: barIndex, limb: lanes[index]!.limb, percent: (100 * (event.clientX - box.left - lead)) / box.width },
      event,
    );
  };

  return (
    <Box
      onPointerDown={onPointer && point('down')}
      onPointerMove={onPointer && point('move')}
      onPointerUp={onPointer && point('up')}
      sx={{
        position: 'relative',
        flex: 1,
        minWidth: 0,
        height,
        ...(onPointer && { cursor: 'pointer', touchAction: 'none' }),
      }}
    >
      <ClothOf
        bar={bar}
        lanes={lanes}
        extra={extra}
        first={first}
        isNumbered={name !== undefined}
        {...{ height, baseline, pale }}
      />
      <Box
        component="svg"
        sx={{ position: 'absolute', left: lead, width: 1, height, overflow: 'visible', display: 'block' }}
      >
        {name !== undefined && size !== 'glance' && (
          <text x={6 - (first ? lead : SHADE_LEAD)} y={-4} fontSize={12} fill={text.secondary}>
            {name}
          </text>
        )}
        <Head bar={bar} size={size} height={height} theme={theme} narrow={narrow} />
        {held !== undefined && <Fermata percent={held} colour={text.primary} />}
        {selection && <Selected bar={bar} selection={selection} lanes={lanes} head={head} lane={lane} theme={theme} />}
        {bands && <Unheard bands={bands} top={top} lane={lane} fill={cloth.unheard} />}
        {strokes.map((stroke) => {
          const index = laneIndex.get(stroke.limb)!;
          return (
            <StrokeMark
              key={`${stroke.limb} ${stroke.at.n}/${stroke.at.d}`}
              stroke={stroke}
              percent={percentOfStroke(bar, stroke)}
              y={baseline(index)}
              lane={lane}
              colour={cloth[THREAD[stroke.limb]]}
              pale={pale(stroke.limb)}
              behind={Boolean(beads)}
              word={stroke.surface === lanes[index]!.surface ? undefined : wordSize}
            />
          );
        })}
        {preview?.map((stroke) => (
          <svg
            key={`${stroke.limb} ${stroke.at.n}/${stroke.at.d}`}
            x={`${percentOfStroke(bar, stroke)}%`}
            overflow="visible"
            data-preview=""
          >
            <Stem
              stroke={stroke}
              y={baseline(laneIndex.get(stroke.limb)!)}
              lane={lane}
              colour={text.primary}
              opacity={0.55}
            />
          </svg>
        ))}
        {cursor && laneIndex.has(cursor.limb) && (
          <CursorMark percent={percentOf(bar, cursor.at)} y={top(cursor.limb)} lane={lane} />
        )}
        {beads?.map((bead) => (
          <BeadMark
            key={bead.key}
            bead={bead}
            top={top(bead.limb)}
            lane={lane}
            rounds={rounds}
            theme={theme}
            isMarked={bead.key === marked}
            onBead={onBead}
          />
        ))}
        {frames && <Framed frames={frames} top={top} lane={lane} stroke={text.primary} />}
        <g ref={(line) => playhead(barIndex, line)} style={{ visibility: 'hidden', transformBox: 'view-box' }}>
          <line y1={-4} y2={height} stroke={cloth.playhead} strokeWidth={2.5} />
          <circle cy={-4} r={5} fill={cloth.playhead} />
        </g>
      </Box>
    </Box>
  );
});

interface InLanes {
  /** Where a limb's lane begins, in pixels from the top. */
  top: (limb: Limb) => number;
  lane: number;
}

/** The bands round the strokes in which nobody hears an error. */
function Unheard({ bands, top, lane, fill }: InLanes & { bands: readonly UnheardBand[]; fill: string }) {
  return bands.map(({ key, limb, percent, half }) => (
    <rect
      key={key}
      x={`${percent - half}%`}
      width={`${2 * half}%`}
      y={top(limb) + 4}
      height={lane - 12}
      rx={3}
      fill={fill}
      opacity={0.9}
    />
  ));
}

/** What is to be looked at first. */
function Framed({ frames, top, lane, stroke }: InLanes & { frames: readonly BlamedFrame[]; stroke: string }) {
  return frames.map(({ key, limb, from, to }) => (
    <rect
      key={key}
      data-blamed=""
      style={{ x: `calc(${from}% - 11px)`, width: `calc(${to - from}% + 22px)` }}
      y={top(limb) - 1}
      height={lane - 3}
      rx={8}
      fill="none"
      stroke={stroke}
      strokeWidth={1.75}
    />
  ));
}

interface ClothProps {
  bar: DrawnBar;
  lanes: readonly Lane[];
  /** How far it reaches out before the first slot of a row. */
  extra: number;
  first: boolean;
  isNumbered: boolean;
  height: number;
  baseline: (lane: number) => number;
  pale: (limb: Limb) => number;
}

/** The cloth under the strokes: the shades of the counts, the bar line, a thread a limb. */
function ClothOf({ bar, lanes, extra, first, isNumbered, height, baseline, pale }: ClothProps) {
  const { cloth, text } = useTheme().vars!.palette;
  const from = first ? -extra : 0;
  return (
    <Box
      component="svg"
      sx={{ position: 'absolute', left: extra, width: 1, height, overflow: 'visible', display: 'block' }}
    >
      {first && <rect x={-extra} width={extra} height={height} fill={cloth.countShade} />}
      {bar.counts.map((count) => (
        <rect
          key={count.number}
          x={`${count.percent}%`}
          width={`${count.width}%`}
          height={height}
          fill={count.number % 2 ? cloth.countShade : cloth.countShadeAlternate}
        />
      ))}
      {isNumbered && <line x1={from} x2={from} y2={height} stroke={text.secondary} strokeWidth={2} />}
      {lanes.map(({ limb }, index) => (
        <line
          key={limb}
          x1={from}
          x2="100%"
          y1={baseline(index)}
          y2={baseline(index)}
          stroke={cloth[THREAD[limb]]}
          strokeWidth={1.5}
          opacity={0.75 * pale(limb)}
        />
      ))}
    </Box>
  );
}
