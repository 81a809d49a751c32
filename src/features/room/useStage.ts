'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { School } from '@/core/count/schools';
import { exerciseAt, type ExerciseBars } from '@/core/form/exercises';
import type { Groove } from '@/core/groove/groove';
import type { Sides } from '@/core/form/sides';
import type { Waiting } from '@/core/practice/waiting';
import { equal } from '@/core/time/fraction';
import type { Swing } from '@/core/time/swing';
import type { Bpm } from '@/core/time/units';
import { barsDrawn } from '@/ui/strip/drawn';
import type { StripHandle } from '@/ui/strip/Strip';
import type { Moment } from './performance';
import type { RingHandle } from './Ring';
import type { LayersHandle } from './TripletLayers';

interface Shown {
  groove: Groove;
  school: School;
  bpm: Bpm;
  swing?: Swing | 'straight';
  /** Of a drill: which bars are which exercise. */
  parts?: readonly ExerciseBars[];
  against?: Sides;
  /** Where the strip waits, when it does. */
  waitsAt?: Waiting;
}

/** Which exercise of a drill is on, and which comes next and after how many bars. */
export interface OnStage {
  now?: number;
  next?: { part: number; inBars: number };
}

/** What moves while it sounds, written straight on the page without asking React: playhead, ring, layers, and the count. */
export function useStage({ groove, school, bpm, swing, parts, against, waitsAt }: Shown) {
  const strip = useRef<StripHandle>(null);
  const ring = useRef<RingHandle>(null);
  const layers = useRef<LayersHandle>(null);
  const count = useRef<HTMLElement>(null);
  const side = useRef<HTMLElement>(null);
  // Where both sides are one groove and only the swing turns, the strip has to show which is on.
  const [turned, setTurned] = useState<Swing | 'straight'>();
  // Of a drill only the exercise that is on is shown, and before it begins the first.
  const [bar, setBar] = useState(0);

  const onMoment = useCallback(
    (moment: Moment | undefined) => {
      ring.current?.fill(moment?.share);
      layers.current?.bar(moment?.barInRun);
      const at = moment && !moment.countingIn ? moment.bar : undefined;
      strip.current?.playhead(at === undefined || !parts ? at : exerciseAt(parts, at)?.bar, moment?.fraction ?? 0);
      if (parts) setBar(moment?.bar ?? 0);
      write(count.current, moment ? wordAt(groove, school, bpm, moment) : '');
      write(side.current, moment && against && !moment.countingIn ? against.names[against.sideOf[moment.bar]!] : '');
      setTurned(against?.swings ? moment?.swing : undefined);
    },
    [groove, school, bpm, parts, against],
  );

  // Waiting, the playhead stands where the next stroke belongs.
  const waitsIn = waitsAt?.steps[waitsAt.step]!.bar;
  useEffect(() => {
    if (!waitsAt) return;
    const [shown, said] = [strip.current, count.current];
    const { bar, at } = waitsAt.steps[waitsAt.step]!;
    const slot = barsDrawn(groove, school, bpm, swing)[bar]!.slots.find((one) => equal(one.at, at));
    shown?.playhead(parts ? exerciseAt(parts, bar)?.bar : bar, (slot?.percent ?? 0) / 100);
    write(said, slot?.say ?? '');
    return () => {
      shown?.playhead(undefined, 0);
      write(said, '');
    };
  }, [waitsAt, groove, school, bpm, swing, parts]);

  const onStage = useMemo(() => (parts ? stageAt(parts, waitsIn ?? bar) : undefined), [parts, waitsIn, bar]);
  return { strip, ring, layers, count, side, turned, onStage, onMoment };
}

/** What is on and what comes next in a bar of a drill; in a rest only what comes next. */
export function stageAt(parts: readonly ExerciseBars[], bar: number): OnStage {
  const next = parts.findIndex(({ from }) => from > bar);
  return {
    now: exerciseAt(parts, bar)?.index,
    ...(next >= 0 && { next: { part: next, inBars: parts[next]!.from - bar } }),
  };
}

function write(where: HTMLElement | null, word: string): void {
  if (where && where.textContent !== word) where.textContent = word;
}

/** What is counted at a moment: the syllable of its slot, or the number while counting in. */
function wordAt(groove: Groove, school: School, bpm: Bpm, { bar, fraction, countingIn, swing }: Moment): string {
  const drawn = barsDrawn(groove, school, bpm, swing)[bar]!;
  const percent = 100 * fraction + 0.01;
  if (countingIn) return String(drawn.counts.findLast((one) => one.percent <= percent)?.number ?? '');
  return drawn.slots.findLast((slot) => slot.percent <= percent)?.say ?? '';
}
