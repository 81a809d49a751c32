import { STEP_KINDS, type LessonPlan, type LessonStep, type StepKind, type StepOpens } from '../documents/lesson';
import { MOST_STEPS } from '../limits';
import type { Ms } from '../time/units';

/**
 * How a lesson is usually shared out, in parts of the whole: a third for what is new, music at every lesson's end,
 * and time kept for setting homework so that it is not called through the door. A start; every step can be changed.
 */
const SHARES: Record<StepKind, number> = { 'warm-up': 4, recall: 7, new: 12, 'to music': 8, homework: 4 };

/** Whole minutes in the proportion of `shares`, at least one each, together exactly `minutes` (largest remainders). */
export function sharedOut(minutes: number, shares: readonly number[]): number[] {
  const total = shares.reduce((sum, share) => sum + share, 0);
  const left = minutes - shares.length;
  const exact = shares.map((share) => (left * share) / total);
  const whole = exact.map((share) => 1 + Math.floor(share));
  const byRemainder = exact
    .map((share, index) => ({ index, remainder: share - Math.floor(share) }))
    .toSorted((a, b) => b.remainder - a.remainder || a.index - b.index);
  const missing = minutes - whole.reduce((sum, one) => sum + one, 0);
  for (const { index } of byRemainder.slice(0, missing)) whole[index]! += 1;
  return whole;
}

export const freshStep = (kind: StepKind, minutes: number, opens?: StepOpens): LessonStep => ({
  kind,
  title: '',
  minutes,
  notes: '',
  spentMs: 0,
  ...(opens && { opens }),
});

/**
 * A plan where there is none yet: a step of each kind, and what is set as homework is heard first, the time for
 * recall shared among it. `minutes` is that of the lesson, at least 10.
 */
export function usualPlan(minutes: number, homework: readonly StepOpens[] = []): LessonPlan {
  // As many as can be heard at two minutes each: the rest is talked about.
  const recall = Math.round((minutes * SHARES.recall) / 35);
  const heard = homework.slice(0, Math.max(1, Math.min(MOST_STEPS - STEP_KINDS.length + 1, Math.floor(recall / 2))));
  const steps = STEP_KINDS.flatMap((kind): { kind: StepKind; share: number; opens?: StepOpens }[] =>
    kind === 'recall' && heard.length
      ? heard.map((opens) => ({ kind, share: SHARES[kind] / heard.length, opens }))
      : [{ kind, share: SHARES[kind] }],
  );
  const shared = sharedOut(
    minutes,
    steps.map(({ share }) => share),
  );
  return { version: 1, steps: steps.map(({ kind, opens }, index) => freshStep(kind, shared[index]!, opens)) };
}

/** The steps of a plan for another lesson of `minutes`: without notes, and without what took place. */
export function planFrom({ steps }: LessonPlan, minutes: number): LessonPlan {
  if (!steps.length || minutes < steps.length) return usualPlan(minutes);
  const shared = sharedOut(
    minutes,
    steps.map((step) => step.minutes),
  );
  return {
    version: 1,
    steps: steps.map((step, index) => ({ ...step, minutes: shared[index]!, notes: '', spentMs: 0 })),
  };
}

/** The time each step has been on by `nowMs`. */
export const spentMs = ({ steps, on }: LessonPlan, step: number, nowMs: number): Ms =>
  steps[step]!.spentMs + (on?.step === step ? Math.max(0, nowMs - on.sinceMs) : 0);

/**
 * Turns to a step, or to none: the time of the one that was on is kept with it. A clock that was put back takes
 * nothing away.
 */
export function turnTo(plan: LessonPlan, step: number | undefined, nowMs: number): LessonPlan {
  const steps = plan.steps.map((one, index) => ({ ...one, spentMs: Math.round(spentMs(plan, index, nowMs)) }));
  return { version: 1, steps, ...(step !== undefined && { on: { step, sinceMs: Math.round(nowMs) } }) };
}

/** Minutes of all steps. */
export const minutesOf = ({ steps }: LessonPlan): number => steps.reduce((sum, { minutes }) => sum + minutes, 0);

/** What a step is called: by its own words, else by what it opens, else by what it is for. */
export function stepTitle({ title, opens, kind }: Pick<LessonStep, 'title' | 'opens' | 'kind'>): string {
  if (title) return title;
  if (opens?.what === 'by ear') return `By ear: ${opens.subject}`;
  return opens?.title ?? kind;
}

/** What a student may take home of a lesson, for the teacher to go on from: a line for each step that has notes. */
export const wordsToTakeHome = ({ steps }: LessonPlan): string =>
  steps
    .filter(({ notes }) => notes)
    .map((step) => `${stepTitle(step)}: ${step.notes}`)
    .join('\n');
