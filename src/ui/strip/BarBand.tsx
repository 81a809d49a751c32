'use client';

import Box from '@mui/material/Box';
import { useTheme, type Theme } from '@mui/material/styles';
import type { Stroke } from '@/core/groove/groove';
import type { Limb } from '@/core/groove/limbs';
import { less, type WholeNotes } from '@/core/time/fraction';
import { memo, type PointerEvent } from 'react';
import { FIGURE_FONT } from '../theme';
import type { Bead, UnheardBand } from './beads';
import {
  percentOf,
  percentOfStroke,
  SHADE_LEAD,
  SIZES,
  STEM,
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
  number?: number;
  beads?: readonly Bead[];
  bands?: readonly UnheardBand[];
  rounds: number;
  index: number;
  /** Takes the playhead's line of this bar. */
  playhead: (index: number, line: SVGGElement | null) => void;
  narrow: boolean;
  /** The first of its row, which has room for what is struck early on 1. */
  first: boolean;
  cursor?: { limb: Limb; at: WholeNotes };
  preview?: readonly Stroke[];
  /** A stretch of lanes that is selected, from the start of the bar up to, but without, its end. */
  selection?: { from: WholeNotes; to: WholeNotes; limbs: readonly Limb[] };
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
  number,
  beads,
  bands,
  rounds,
  index: barIndex,
  playhead,
  narrow,
  first,
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
  const laneIndex = new Map(lanes.map(({ limb }, index) => [limb, index]));
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
        {number !== undefined && (
          <line x1={first ? -extra : 0} x2={first ? -extra : 0} y2={height} stroke={text.secondary} strokeWidth={2} />
        )}
        {lanes.map(({ limb }, index) => (
          <line
            key={limb}
            x1={first ? -extra : 0}
            x2="100%"
            y1={baseline(index)}
            y2={baseline(index)}
            stroke={cloth[THREAD[limb]]}
            strokeWidth={1.5}
            opacity={0.75 * pale(limb)}
          />
        ))}
      </Box>
      <Box
        component="svg"
        sx={{ position: 'absolute', left: lead, width: 1, height, overflow: 'visible', display: 'block' }}
      >
        {number !== undefined && size !== 'glance' && (
          <text x={6 - (first ? lead : SHADE_LEAD)} y={-4} fontSize={12} fill={text.secondary}>
            bar {number}
          </text>
        )}
        <Head bar={bar} size={size} height={height} theme={theme} narrow={narrow} />
        {selection && <Selected bar={bar} selection={selection} lanes={lanes} head={head} lane={lane} theme={theme} />}
        {bands?.map((band) => {
          const top = head + laneIndex.get(band.limb)! * lane;
          return (
            <rect
              key={band.key}
              x={`${band.percent - band.half}%`}
              width={`${2 * band.half}%`}
              y={top + 4}
              height={lane - 12}
              rx={3}
              fill={cloth.unheard}
              opacity={0.9}
            />
          );
        })}
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
              word={stroke.surface !== lanes[index]!.surface ? (size === 'glance' ? 10 : 12) : undefined}
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
          <svg x={`${percentOf(bar, cursor.at)}%`} overflow="visible" data-cursor="">
            <rect
              x={-13}
              width={26}
              y={head + laneIndex.get(cursor.limb)! * lane + 2}
              height={lane - 4}
              rx={8}
              fill="none"
              stroke={text.primary}
              strokeWidth={2}
            />
          </svg>
        )}
        {beads?.map((bead) => (
          <BeadMark
            key={bead.key}
            bead={bead}
            top={head + laneIndex.get(bead.limb)! * lane}
            lane={lane}
            rounds={rounds}
            theme={theme}
          />
        ))}
        <g ref={(line) => playhead(barIndex, line)} style={{ visibility: 'hidden', transformBox: 'view-box' }}>
          <line y1={-4} y2={height} stroke={cloth.playhead} strokeWidth={2.5} />
          <circle cy={-4} r={5} fill={cloth.playhead} />
        </g>
      </Box>
    </Box>
  );
});

interface SelectedProps {
  bar: DrawnBar;
  selection: NonNullable<BarBandProps['selection']>;
  lanes: readonly Lane[];
  head: number;
  lane: number;
  theme: Theme;
}

/** What is selected of a bar, as a frame round its slots. */
function Selected({ bar, selection: { from, to, limbs }, lanes, head, lane, theme }: SelectedProps) {
  const percent = (at: WholeNotes) => bar.slots.find((slot) => !less(slot.at, at))?.percent ?? 100;
  const chosen = lanes.flatMap(({ limb }, index) => (limbs.includes(limb) ? [index] : []));
  if (!chosen.length) return null;
  const { secondary } = theme.vars!.palette;
  return (
    // From half-way before the first slot to half-way before the one behind the last.
    <svg x={`${percent(from)}%`} width={`${percent(to) - percent(from)}%`} overflow="visible" data-selection="">
      <rect
        x={-13}
        width="100%"
        y={head + chosen[0]! * lane + 2}
        height={chosen.length * lane - 4}
        rx={8}
        fill={secondary.main}
        fillOpacity={0.16}
        stroke={secondary.main}
        strokeWidth={1.5}
      />
    </svg>
  );
}

interface HeadProps {
  bar: DrawnBar;
  size: StripSize;
  height: number;
  theme: Theme;
  narrow: boolean;
}

/** The counts in big figures, the syllables smaller, and a line down from each slot. */
const Head = memo(function Head({ bar, size, height, theme, narrow }: HeadProps) {
  const { text, divider } = theme.vars!.palette;
  const { head, count, syllable } = SIZES[size];
  // Where slots stand close, smaller figures and syllables keep apart.
  const crowded = bar.slots.length > (narrow ? 12 : 24);
  const [countSize, syllableSize] = crowded
    ? [Math.min(count, narrow ? 20 : 32), narrow ? 9.5 : 12]
    : narrow
      ? [Math.min(count, 28), Math.min(syllable, 15)]
      : [count, syllable];
  return bar.slots.map((slot) => (
    <svg key={slot.percent} x={`${slot.percent}%`} overflow="visible">
      <line
        y1={head - 6}
        y2={height}
        stroke={slot.count ? text.secondary : divider}
        strokeWidth={slot.count ? 1.25 : 1}
        strokeDasharray={slot.count ? undefined : '1 4'}
        opacity={slot.count ? 0.7 : 1}
      />
      <text
        y={head - 16}
        textAnchor="middle"
        fontSize={slot.count ? countSize : syllableSize}
        fontFamily={slot.count ? FIGURE_FONT : undefined}
        fontWeight={slot.count ? 750 : 450}
        fill={slot.count ? text.primary : text.secondary}
      >
        {slot.say}
      </text>
    </svg>
  ));
});

interface StrokeMarkProps {
  stroke: Stroke;
  percent: number;
  y: number;
  lane: number;
  colour: string;
  pale: number;
  /** Beads are drawn over it. */
  behind: boolean;
  /** The size of its surface's word, where that is not the one in the margin. */
  word?: number;
}

/** A stroke at its place; drawn anew only when it changed itself. */
const StrokeMark = memo(function StrokeMark({ stroke, percent, y, lane, colour, pale, behind, word }: StrokeMarkProps) {
  return (
    <svg x={`${percent}%`} overflow="visible">
      <Stem stroke={stroke} y={y} lane={lane} colour={colour} opacity={pale * (behind ? 0.35 : 1)} />
      {/* At the end of the bar the word stands before its stroke. */}
      {word && (
        <text
          x={percent > 88 ? -8 : 8}
          textAnchor={percent > 88 ? 'end' : 'start'}
          y={y - 5}
          fontSize={word}
          fontWeight={600}
          fill={colour}
          opacity={pale}
        >
          {stroke.surface}
        </text>
      )}
    </svg>
  );
});

interface StemProps {
  stroke: Stroke;
  y: number;
  lane: number;
  colour: string;
  opacity: number;
}

/** A stroke as high as its stick starts; graces as thin stems before it, a double notched, a buzz hatched. */
function Stem({ stroke, y, lane, colour, opacity }: StemProps) {
  const { share, width, opacity: own } = STEM[stroke.height];
  const top = y - share * (lane - 16);
  const graces = stroke.ornament === 'flam' ? [-10] : stroke.ornament === 'drag' ? [-15, -9] : [];
  const notches = stroke.ornament === 'double' ? [0.38, 0.62] : stroke.ornament === 'buzz' ? [0.2, 0.4, 0.6, 0.8] : [];
  return (
    <g opacity={opacity * own} stroke={colour} strokeLinecap="round">
      <line y1={y} y2={top} strokeWidth={width} />
      {graces.map((x) => (
        <line key={x} x1={x} x2={x} y1={y} y2={y - 0.25 * (lane - 16)} strokeWidth={2.5} />
      ))}
      {notches.map((part) => (
        <line
          key={part}
          x1={-6}
          x2={6}
          y1={y - part * (y - top) + 2.5}
          y2={y - part * (y - top) - 2.5}
          strokeWidth={2.5}
        />
      ))}
    </g>
  );
}

interface BeadMarkProps {
  bead: Bead;
  top: number;
  lane: number;
  rounds: number;
  theme: Theme;
}

/** Filled where it is good enough, ringed where it is not; a cross where nothing came, a diamond where nothing was due. */
function BeadMark({ bead, top, lane, rounds, theme }: BeadMarkProps) {
  const { cloth, error, background, text } = theme.vars!.palette;
  const y = top + 7 + ((bead.round + 0.5) / rounds) * (lane - 20);
  const size = Math.max(2.2, Math.min(4.5, (lane - 20) / rounds / 1.7));
  return (
    <svg x={`${bead.percent}%`} y={y} overflow="visible" data-bead={bead.kind}>
      <title>{bead.title}</title>
      {bead.kind === 'near' && <circle r={size} fill={cloth[THREAD[bead.limb]]} />}
      {(bead.kind === 'early' || bead.kind === 'late') && (
        <circle r={size} fill={background.paper} stroke={error.main} strokeWidth={2} />
      )}
      {bead.kind === 'missed' && (
        <path
          d={`M${-size} ${-size}L${size} ${size}M${size} ${-size}L${-size} ${size}`}
          stroke={error.main}
          strokeWidth={2}
          strokeLinecap="round"
        />
      )}
      {bead.kind === 'extra' && (
        <rect
          x={-size * 0.8}
          y={-size * 0.8}
          width={size * 1.6}
          height={size * 1.6}
          transform="rotate(45)"
          fill="none"
          stroke={text.primary}
          strokeWidth={1.5}
        />
      )}
    </svg>
  );
}
