import fc from 'fast-check';
import { expect, test } from 'vitest';
import { backToBack } from './backToBack';
import { beatOf } from './groove/beat';
import { schedule, type Run } from './schedule/schedule';
import { judge } from './take/judge';
import { runOf, type Take } from './documents/take';
import { anyRun, oneLine } from './testing/arbitrary';
import { steady } from './time/tempoMap';

const groove = oneLine('tttttttt', 'right hand', 120);
const run = (change: Partial<Run> = {}): Run => ({
  groove,
  tempo: steady(120, beatOf(groove)),
  click: { kind: 'every', counts: '1', from: '0' },
  countIn: 0,
  rounds: 2,
  ...change,
});
const strokes = (timed: Pick<ReturnType<typeof schedule>, 'sounds'>) =>
  timed.sounds.filter(({ kind }) => kind === 'stroke').map(({ ms }) => Math.round(ms));

test('straight, then swung, on the bar line and without a gap', () => {
  const passage = backToBack([run({ countIn: 1 }), run({ swing: { value: '8th', ratio: '2' } })]);
  expect([passage.startMs, passage.endMs]).toEqual([-2000, 8000]);
  expect(passage.bars.map(({ run: of, barInRun, startMs }) => [of, barInRun, startMs])).toEqual([
    [0, -1, -2000],
    [0, 0, 0],
    [0, 1, 2000],
    [1, 2, 4000],
    [1, 3, 6000],
  ]);
  expect(strokes(passage).filter((ms) => ms >= 3500 && ms < 5000)).toEqual([3500, 3750, 4000, 4333, 4500, 4833]);
});

test('one run alone is its schedule; each brings its own tempo', () => {
  expect(backToBack([run()])).toMatchObject({ sounds: schedule(run()).sounds, endMs: 4000 });
  const slower = backToBack([run({ rounds: 1 }), run({ rounds: 1, tempo: steady(60, beatOf(groove)) })]);
  expect(slower.endMs).toBe(6000);
  expect(slower.countsMs).toEqual([0, 500, 1000, 1500, 2000, 3000, 4000, 5000]);
});

test('a lean of the groove is heard, a grace with its stroke, and a lean of the run takes its place', () => {
  const flammed = { ...oneLine('t...'), lean: { 'right hand': 20 } };
  flammed.bars[0]!.strokes[0] = { ...flammed.bars[0]!.strokes[0]!, ornament: 'flam' };
  const times = (change: Partial<Run>) => strokes(schedule(run({ groove: flammed, rounds: 1, ...change })));
  expect(times({})).toEqual([-8, 20]);
  expect(times({ lean: { 'right hand': -10 } })).toEqual([-38, -10]);
  expect(times({ lean: {} })).toEqual([-28, 0]);
});

test('any runs in turn: each sounds as it does alone, from where the one before it ends', () => {
  fc.assert(
    fc.property(fc.array(anyRun(), { minLength: 1, maxLength: 3 }), (runs) => {
      const passage = backToBack(runs);
      let end = 0;
      for (const [index, one] of runs.entries()) {
        const alone = schedule(one);
        const shift = index === 0 ? 0 : end - alone.startMs;
        const bars = passage.bars.filter((bar) => bar.run === index);
        expect(bars).toHaveLength(alone.bars.length);
        bars.forEach((bar, place) => expect(bar.startMs).toBeCloseTo(alone.bars[place]!.startMs + shift, 6));
        end = alone.endMs + shift;
      }
      expect(passage.endMs).toBeCloseTo(end, 6);
      expect(passage.sounds).toHaveLength(runs.reduce((total, one) => total + schedule(one).sounds.length, 0));
      expect(passage.sounds.every((sound, index) => !index || sound.ms >= passage.sounds[index - 1]!.ms)).toBe(true);
    }),
    { numRuns: 30 },
  );
});

test('a limb that leans is judged where it leans: played there it has no error, played on the beat it is early', () => {
  const behind = { ...oneLine('tttttttt', 'right hand', 60), lean: { 'right hand': 30 } };
  const take = (offset: number): Take => {
    const empty: Take = {
      version: 1,
      groove: behind,
      tempo: [{ fromBar: 0, bpm: 60 }],
      click: { kind: 'silent' },
      countIn: 0,
      rounds: 2,
      task: ['right hand'],
      input: 'keys',
      playedMs: 8000,
      hits: [],
    };
    const due = schedule(runOf(empty)).sounds.filter(({ kind }) => kind === 'stroke');
    return { ...empty, hits: due.map(({ ms }) => ({ limb: 'right hand' as const, ms: ms + offset })) };
  };
  expect(judge(take(0), 'concert').figures.meanErrorMs).toBeCloseTo(0, 6);
  expect(judge(take(-30), 'concert').figures.meanErrorMs).toBeCloseTo(-30, 6);
});
