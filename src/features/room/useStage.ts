import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { exerciseOfBar } from '@/core/form/exercises';
import { wholeOf, type Feel, type Passage } from '@/core/form/form';
import type { Waiting } from '@/core/practice/waiting';
import { equal } from '@/core/time/fraction';
import type { Bpm } from '@/core/time/units';
import { barsDrawn } from '@/ui/strip/drawn';
import type { StripHandle } from '@/ui/strip/Strip';
import type { Moment } from './moment';
import type { Piece } from './piece';
import type { RingHandle } from './Ring';
import type { LayersHandle } from './TripletLayers';

interface Shown {
  piece: Piece;
  bpm: Bpm;
  swing?: Feel;
  /** Where the strip waits, when it does. */
  waitsAt?: Waiting;
}

/** Which exercise of a drill is on, and which comes next and after how many bars. */
export interface OnStage {
  now?: number;
  next?: { exercise: number; inBars: number };
  /** The bar of the groove that is on, and which of those once through it is. */
  bar: number;
  at: number;
}

/**
 * What moves while it sounds, written straight on the page without asking React: playhead, ring, layers, and the
 * count.
 */
export function useStage({ piece, bpm, swing, waitsAt }: Shown) {
  const { groove, school, passages, exercises, sides } = piece;
  const isChart = piece.chart !== undefined;
  const strip = useRef<StripHandle>(null);
  const ring = useRef<RingHandle>(null);
  const layers = useRef<LayersHandle>(null);
  const count = useRef<HTMLElement>(null);
  const side = useRef<HTMLElement>(null);
  const where = useRef<HTMLParagraphElement>(null);
  // Where both sides are one groove and only the swing turns, the strip has to show which is on.
  const turns = passages?.some((one) => one.swing);
  const [turned, setTurned] = useState<Feel>();
  // Of a drill only the exercise that is on is shown, and before it begins the first.
  const [bar, setBar] = useState(0);

  const onMoment = useCallback(
    (moment: Moment | undefined) => {
      ring.current?.fill(moment?.share);
      layers.current?.bar(moment?.barInRun);
      const at = moment && !moment.countingIn ? moment.bar : undefined;
      const inExercise = at !== undefined && exercises ? exerciseOfBar(passages ?? [], at)?.bar : at;
      // Of a chart the bar that plays stands first.
      const shown = at !== undefined && isChart ? 0 : inExercise;
      strip.current?.playhead(shown, moment?.fraction ?? 0);
      setBar(moment && !moment.countingIn ? moment.barInRun : 0);
      write(count.current, moment ? wordAt(piece, bpm, moment) : '');
      write(side.current, moment?.side !== undefined && !moment.countingIn ? (sides?.[moment.side] ?? '') : '');
      write(where.current, moment ? whereInWords(moment) : '');
      setTurned(turns ? moment?.swing : undefined);
    },
    [piece, passages, exercises, sides, turns, bpm, isChart],
  );

  // Waiting, the playhead stands where the next stroke belongs.
  useEffect(() => {
    if (!waitsAt) return;
    const [shown, said] = [strip.current, count.current];
    const { bar: waits, at } = waitsAt.steps[waitsAt.step]!;
    const slot = barsDrawn(groove, school, bpm, swing)[waits]!.slots.find((one) => equal(one.at, at));
    const inShown = exercises ? exerciseOfBar(passages ?? [], waits)?.bar : waits;
    shown?.playhead(inShown, (slot?.percent ?? 0) / 100);
    write(said, slot?.say ?? '');
    return () => {
      shown?.playhead(undefined, 0);
      write(said, '');
    };
  }, [waitsAt, groove, school, bpm, swing, passages, exercises]);

  const waitsIn = waitsAt?.steps[waitsAt.step]!.barInRun;
  const onStage = useMemo(() => stageAt(passages ?? wholeOf(groove), waitsIn ?? bar), [passages, groove, waitsIn, bar]);
  return { strip, ring, layers, count, side, where, turned, onStage, onMoment };
}

/** What is on and what comes next in a bar of the run; in a rest only what comes next. */
export function stageAt(passages: readonly Passage[], barInRun: number): OnStage {
  const all = passages.flatMap((passage) => Array.from({ length: passage.bars * passage.times }, () => passage));
  const at = barInRun % Math.max(1, all.length);
  const now = all[at];
  const next = all.findIndex((passage, index) => index > at && passage !== now && passage.exercise !== undefined);
  const first = all.indexOf(now!);
  return {
    now: now?.exercise,
    at,
    bar: (now?.from ?? 0) + ((at - first) % (now?.bars ?? 1)),
    ...(next >= 0 && { next: { exercise: all[next]!.exercise!, inBars: next - at } }),
  };
}

function write(where: HTMLElement | null, word: string): void {
  if (where && where.textContent !== word) where.textContent = word;
}

/** "bar 3 of 8", over all that is played. */
const whereInWords = ({ countingIn, barInRun, bars }: Moment): string =>
  countingIn ? 'counting in' : `bar ${barInRun + 1} of ${bars}`;

/** What is counted at a moment: the syllable of its slot, or the number while counting in. */
function wordAt({ groove, school }: Piece, bpm: Bpm, { bar, fraction, count, swing }: Moment): string {
  if (count !== undefined) return String(count);
  const drawn = barsDrawn(groove, school, bpm, swing)[bar]!;
  const percent = 100 * fraction + 0.01;
  return drawn.slots.findLast((slot) => slot.percent <= percent)?.say ?? '';
}
