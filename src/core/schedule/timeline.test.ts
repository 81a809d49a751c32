import { expect, test } from 'vitest';
import { formOf, type Plan } from '../form/form';
import { oneLine } from '../testing/arbitrary';
import { toNumber } from '../time/fraction';
import { schedule } from './schedule';

const planOf = (more: Partial<Plan>): Plan => ({
  groove: oneLine('A.A.A.A.', 'right hand', 60),
  bpm: 60,
  click: { kind: 'silent' },
  countIn: 0,
  rounds: 1,
  ...more,
});
const strokesOf = (plan: Plan) => schedule(formOf(plan)).sounds.filter(({ kind }) => kind === 'stroke');

test('what is held is struck where it was, and all after it comes so much later', () => {
  const held = planOf({
    rounds: 2,
    passages: [{ from: 0, bars: 1, times: 1, hold: { at: '1/4', more: '1/2' } }],
  });
  // At 60 a count is a second, and a half two: held on 2, so 3 comes two seconds later.
  expect(strokesOf(held).map(({ ms }) => ms)).toEqual([0, 1000, 4000, 5000, 6000, 7000, 10_000, 11_000]);
  expect(schedule(formOf(held)).endMs).toBe(12_000);
});

test('bars counted in have their own numbers, before the first, and end where the next begins', () => {
  const plan = planOf({ countIn: 2 });
  const { sounds, bars } = schedule(formOf(plan));
  const clicks = sounds.flatMap((sound) => (sound.kind === 'click' ? [sound.barInRun] : []));
  expect(clicks).toEqual([-2, -2, -2, -2, -1, -1, -1, -1]);
  expect(bars.map(({ startMs, endMs }) => [startMs, endMs])).toEqual([
    [-8000, -4000],
    [-4000, 0],
    [0, 4000],
  ]);
});

test('the notes of triplet layers sound in the bars they are in', () => {
  const plan = planOf({ rounds: 4, layers: { to: 'half triplet', bars: 1 } });
  const layers = schedule(formOf(plan)).sounds.filter(({ kind }) => kind === 'layer');
  expect(layers.length).toBeGreaterThan(0);
  for (const { ms, at } of layers) expect(ms).toBeCloseTo(toNumber(at) * 4000, 6);
});
