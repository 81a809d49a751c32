import type { Groove } from '../groove/groove';
import { isHand, LIMBS, type Limb } from '../groove/limbs';
import type { Form } from '../form/form';
import { compare, format, type WholeNotes } from '../time/fraction';

/** A slot that is waited at: which limbs have to strike, and how often (a double asks for two). */
export interface Awaited {
  /** Index of its bar in the groove, and among the bars as they are gone through. */
  bar: number;
  barInRun: number;
  at: WholeNotes;
  strikes: Partial<Record<Limb, number>>;
}

/** Practice without a clock: the strip waits at each slot until its limbs have struck. */
export interface Waiting {
  steps: readonly Awaited[];
  /** Index of the slot that is waited at. */
  step: number;
  /** What still has to strike there. */
  left: Partial<Record<Limb, number>>;
  /** Limbs that struck here and had nothing to do: shown, not punished. */
  wrong: readonly Limb[];
  /** Whether a wrong limb struck since the round began. */
  stumbled: boolean;
  rounds: number;
  /** Clean rounds in a row. */
  clean: number;
}

/** After so many clean rounds in a row a slow click is offered. */
export const CLEAN_ROUNDS = 3;

/** The slots of a form at which a limb of the task strikes, in playing order. */
function awaitedSlots({ bars }: Form, task: readonly Limb[]): Awaited[] {
  return bars.flatMap(({ bar, origin }, barInRun) => {
    const places = new Map<string, Awaited>();
    for (const { at, limb, ornament } of bar.strokes) {
      if (!task.includes(limb)) continue;
      const place = places.get(format(at)) ?? { bar: origin.bar, barInRun, at, strikes: {} };
      places.set(format(at), { ...place, strikes: { ...place.strikes, [limb]: ornament === 'double' ? 2 : 1 } });
    }
    return [...places.values()].sort((a, b) => compare(a.at, b.at));
  });
}

/** The beginning; undefined when no limb of the task plays. */
export function startWaiting(form: Form, task: readonly Limb[]): Waiting | undefined {
  const steps = awaitedSlots(form, task);
  return steps.length
    ? { steps, step: 0, left: steps[0]!.strikes, wrong: [], stumbled: false, rounds: 0, clean: 0 }
    : undefined;
}

/** One limb strikes. A hand's grace before a flam or drag of the other hand is let pass. */
export function strikeWaiting(before: Waiting, limb: Limb, ornamented: boolean): Waiting {
  const wanted = before.left[limb] ?? 0;
  if (!wanted) {
    if (ornamented && isHand(limb)) return before;
    return { ...before, wrong: before.wrong.includes(limb) ? before.wrong : [...before.wrong, limb], stumbled: true };
  }
  const left = Object.fromEntries(
    LIMBS.flatMap((one) => {
      const still = (before.left[one] ?? 0) - (one === limb ? 1 : 0);
      return still > 0 ? [[one, still]] : [];
    }),
  );
  if (Object.keys(left).length) return { ...before, left };
  const last = before.step === before.steps.length - 1;
  const step = last ? 0 : before.step + 1;
  const moved = { ...before, step, left: before.steps[step]!.strikes, wrong: [] };
  return last
    ? { ...moved, stumbled: false, rounds: before.rounds + 1, clean: before.stumbled ? 0 : before.clean + 1 }
    : moved;
}

/** Whether the slot waited at has a stroke whose grace the other hand may play. */
export function isOrnamented(groove: Groove, { bar, at }: Awaited): boolean {
  return groove.bars[bar]!.strokes.some(
    (stroke) => format(stroke.at) === format(at) && (stroke.ornament === 'flam' || stroke.ornament === 'drag'),
  );
}
