import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readLessonPlan, STEP_KINDS, type LessonPlan, type StepOpens } from '../documents/lesson';
import { MOST_STEPS } from '../limits';
import { minutesOf, planFrom, sharedOut, spentMs, stepTitle, turnTo, usualPlan, wordsToTakeHome } from './lesson';

const groove = (title: string): StepOpens => ({
  what: 'groove',
  id: '5d3a5a5e-0000-4000-8000-000000000000',
  title,
  bpm: 76,
});
const minutes = fc.integer({ min: 10, max: 240 });

describe('a plan', () => {
  test('shares out exactly the minutes there are, at least one each', () => {
    fc.assert(
      fc.property(
        minutes,
        fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 10 }),
        (all, shares) => {
          const shared = sharedOut(all, shares);
          expect(shared.reduce((sum, one) => sum + one, 0)).toBe(all);
          expect(Math.min(...shared)).toBeGreaterThanOrEqual(1);
        },
      ),
    );
  });

  test('hears what is set first, has a step of each kind, lasts as long as the lesson, and can be read', () => {
    fc.assert(
      fc.property(minutes, fc.integer({ min: 0, max: 20 }), (all, set) => {
        const plan = usualPlan(
          all,
          Array.from({ length: set }, (_, index) => groove(`Groove ${index}`)),
        );
        expect(minutesOf(plan)).toBe(all);
        expect(new Set(plan.steps.map(({ kind }) => kind))).toEqual(new Set(STEP_KINDS));
        expect(plan.steps.length).toBeLessThanOrEqual(MOST_STEPS);
        if (set) expect(plan.steps.find(({ kind }) => kind === 'recall')!.opens).toEqual(groove('Groove 0'));
        expect(readLessonPlan(JSON.parse(JSON.stringify(plan)))).toEqual({ ok: true, value: plan });
      }),
    );
    expect(usualPlan(45).steps.map((step) => step.minutes)).toEqual([6, 9, 15, 10, 5]);
  });

  test('of another lesson keeps its steps and leaves behind what took place', () => {
    const held = turnTo(
      { ...usualPlan(45), steps: usualPlan(45).steps.map((step) => ({ ...step, notes: 'Well.' })) },
      1,
      1000,
    );
    const next = planFrom(turnTo(held, undefined, 9000), 30);
    expect(minutesOf(next)).toBe(30);
    expect(next.steps.map(({ kind }) => kind)).toEqual(STEP_KINDS);
    expect(next.steps.every(({ notes, spentMs: spent }) => !notes && !spent)).toBe(true);
    expect(next.on).toBeUndefined();
    expect(minutesOf(planFrom({ version: 1, steps: [] }, 20))).toBe(20);
  });
});

describe('a lesson that runs', () => {
  test('the time of each step is kept when another is turned to; together it is the time that went by', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 4 }), fc.integer({ min: 0, max: 600_000 })), { minLength: 1 }),
        (turns) => {
          let [plan, now] = [usualPlan(45), 1_000_000] as [LessonPlan, number];
          const began = now;
          for (const [step, lasts] of turns) {
            plan = turnTo(plan, step, now);
            now += lasts;
          }
          const spent = plan.steps.map((_, index) => spentMs(plan, index, now));
          expect(spent.reduce((sum, one) => sum + one, 0)).toBe(now - began);
          expect(turnTo(plan, undefined, now).steps.map((step) => step.spentMs)).toEqual(spent);
        },
      ),
    );
  });

  test('a clock that was put back takes no time away', () => {
    const plan = turnTo(turnTo(usualPlan(45), 0, 5000), 1, 9000);
    expect(spentMs(plan, 1, 2000)).toBe(0);
    expect(turnTo(plan, undefined, 2000).steps[0]!.spentMs).toBe(4000);
  });
});

test('what is taken home is a line for each step with notes, called by what it is', () => {
  const [warm, recall, ...others] = usualPlan(45, [groove('Ferry ramp')]).steps;
  const plan: LessonPlan = {
    version: 1,
    steps: [
      warm!,
      { ...recall!, notes: 'Let 4 wait.' },
      { ...others[0]!, title: 'Paradiddle on two drums', notes: 'Once more.' },
    ],
  };
  expect(wordsToTakeHome(plan)).toBe('Ferry ramp: Let 4 wait.\nParadiddle on two drums: Once more.');
  expect(stepTitle({ kind: 'recall', title: '', opens: { what: 'by ear', subject: 'flam' } })).toBe('By ear: flam');
  expect(stepTitle({ kind: 'warm-up', title: '' })).toBe('warm-up');
});

test.each<[string, unknown]>([
  ['too many steps', { version: 1, steps: Array(13).fill(usualPlan(20).steps[0]) }],
  ['a step that is on and not there', { version: 1, steps: [], on: { step: 0, sinceMs: 1 } }],
  ['half a minute', { version: 1, steps: [{ ...usualPlan(20).steps[0], minutes: 0.5 }] }],
  ['another version', { version: 2, steps: [] }],
  ['something else', 'x'],
])('%s is no plan', (_, json) => expect(readLessonPlan(json).ok).toBe(false));
