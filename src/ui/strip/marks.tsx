import { useTheme, type Theme } from '@mui/material/styles';
import { memo } from 'react';
import type { Stroke } from '@/core/groove/groove';
import type { Limb, Ornament } from '@/core/groove/limbs';
import { less, type WholeNotes } from '@/core/time/fraction';
import { FIGURE_FONT } from '../theme';
import type { Bead } from './beads';
import { SIZES, STEM, THREAD, type DrawnBar, type Lane, type StripSize } from './layout';

/** A stretch of lanes that is selected, from the start of the bar up to, but without, its end. */
export interface SelectedStretch {
  from: WholeNotes;
  to: WholeNotes;
  limbs: readonly Limb[];
}

interface SelectedProps {
  bar: DrawnBar;
  selection: SelectedStretch;
  lanes: readonly Lane[];
  head: number;
  lane: number;
  theme: Theme;
}

/** What is selected of a bar, as a frame round its slots. */
export function Selected({ bar, selection: { from, to, limbs }, lanes, head, lane, theme }: SelectedProps) {
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

/** How large figures and syllables may be, so that they keep apart. */
const MOST_SIZES = {
  narrow: { crowded: { count: 20, syllable: 9.5 }, loose: { count: 28, syllable: 15 } },
  wide: { crowded: { count: 32, syllable: 12 }, loose: { count: Infinity, syllable: Infinity } },
};

/** The counts in big figures, the syllables smaller, and a line down from each slot. */
export const Head = memo(function Head({ bar, size, height, theme, narrow }: HeadProps) {
  const { text, divider } = theme.vars!.palette;
  const { head, count, syllable } = SIZES[size];
  // Where slots stand close, smaller figures and syllables keep apart.
  const crowded = bar.slots.length > (narrow ? 12 : 24);
  const most = MOST_SIZES[narrow ? 'narrow' : 'wide'][crowded ? 'crowded' : 'loose'];
  const [countSize, syllableSize] = [Math.min(count, most.count), Math.min(syllable, most.syllable)];
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
export const StrokeMark = memo(function StrokeMark({
  stroke,
  percent,
  y,
  lane,
  colour,
  pale,
  behind,
  word,
}: StrokeMarkProps) {
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

/** Where an ornament's stems stand before the stroke, in pixels, and at which shares of its height it is notched. */
const ORNAMENT_MARKS: Record<Ornament | 'none', { graces: number[]; notches: number[] }> = {
  none: { graces: [], notches: [] },
  flam: { graces: [-10], notches: [] },
  drag: { graces: [-15, -9], notches: [] },
  double: { graces: [], notches: [0.38, 0.62] },
  buzz: { graces: [], notches: [0.2, 0.4, 0.6, 0.8] },
};

/** A stroke as high as its stick starts; graces as thin stems before it, a double notched, a buzz hatched. */
export function Stem({ stroke, y, lane, colour, opacity }: StemProps) {
  const { share, width, opacity: own } = STEM[stroke.height];
  const top = y - share * (lane - 16);
  const { graces, notches } = ORNAMENT_MARKS[stroke.ornament ?? 'none'];
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
  /** It is the one that was asked for. */
  isMarked?: boolean;
  onBead?: (bead: Bead) => void;
}

/** How far about a bead a pointer still means it. */
const BEAD_REACH = 9;

/**
 * Filled where it is good enough, ringed where it is not; a cross where nothing came, a diamond where nothing was
 * due.
 */
export function BeadMark({ bead, top, lane, rounds, theme, isMarked, onBead }: BeadMarkProps) {
  const { cloth, error, background, text } = theme.vars!.palette;
  const y = top + 7 + ((bead.round + 0.5) / rounds) * (lane - 20);
  const size = Math.max(2.2, Math.min(4.5, (lane - 20) / rounds / 1.7));
  return (
    <svg x={`${bead.percent}%`} y={y} overflow="visible" data-bead={bead.kind}>
      <title>{bead.title}</title>
      {isMarked && <circle r={size + 5} fill="none" stroke={text.primary} strokeWidth={2} data-marked="" />}
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
      {onBead && (
        <circle r={BEAD_REACH} fill="transparent" style={{ cursor: 'pointer' }} onClick={() => onBead(bead)} />
      )}
    </svg>
  );
}

/** A frame round the slot that keys work on. */
export function CursorMark({ percent, y, lane }: { percent: number; y: number; lane: number }) {
  const { text } = useTheme().vars!.palette;
  return (
    <svg x={`${percent}%`} overflow="visible" data-cursor="">
      <rect x={-13} width={26} y={y + 2} height={lane - 4} rx={8} fill="none" stroke={text.primary} strokeWidth={2} />
    </svg>
  );
}

/** Over a count that is held: an arch with its dot, above the band. */
export function Fermata({ percent, colour }: { percent: number; colour: string }) {
  return (
    <svg x={`${percent}%`} overflow="visible" data-held="">
      <path d="M-11 1 A11 11 0 0 1 11 1" fill="none" stroke={colour} strokeWidth={2.2} strokeLinecap="round" />
      <circle cy={-1} r={2.2} fill={colour} />
    </svg>
  );
}
