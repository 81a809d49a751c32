import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { unroll } from '../chart/play/unroll';
import { readGroove, writeGroove } from '../documents/groove';
import { READ_VALUES, type SightPlan } from '../documents/sightPlan';
import { readWrittenChart, writeWrittenChart } from '../documents/writtenChart';
import { parseMeter } from '../grid/meter';
import { LEVELS, MOST_READ_BARS } from '../limits';
import { schedule } from '../schedule/schedule';
import { judge } from '../judging/verdict/judge';
import { emptyTake } from '../testing/takes';
import { formOfTake } from '../documents/take';
import { drawnAtSight, freshSeed } from './atSight';
import { sightChart } from './sightChart';
import { sightLine } from './sightLine';
import { runs } from '../testing/runs';

const meterOf = (text: string) => {
  const read = parseMeter(text);
  if (!read.ok) throw new Error(text);
  return read.value;
};
const METERS = ['4/4', '3/4', '2/2', '6/8', '7/8 (2+2+3)', '12/8', '5/16'].map(meterOf);
const anyPlan = (kind: SightPlan['kind']): fc.Arbitrary<SightPlan> =>
  fc.record({
    kind: fc.constant(kind),
    level: fc.constantFrom(...LEVELS),
    values: fc.uniqueArray(fc.constantFrom(...READ_VALUES), { minLength: 1 }),
    meter: fc.constantFrom(...METERS),
    bars: fc.integer({ min: 1, max: MOST_READ_BARS }),
    lookS: fc.constant(15),
  });
const plan = (change: Partial<SightPlan>): SightPlan => ({
  kind: 'line',
  level: 'first year',
  values: ['quarters', '8ths'],
  meter: meterOf('4/4'),
  bars: 4,
  lookS: 15,
  ...change,
});
const strokesIn = (given: SightPlan, seed: number) =>
  sightLine(given, { title: 'x', tempo: 80, seed }).bars.flatMap(({ strokes }) => strokes);

describe('a line', () => {
  test('is a groove that can be kept, hands in turn, something struck in every bar, the same for the same seed', () => {
    fc.assert(
      fc.property(anyPlan('line'), fc.integer(), (given, seed) => {
        const named = { title: 'At sight', tempo: 72, seed };
        const line = sightLine(given, named);
        expect(readGroove(JSON.parse(JSON.stringify(writeGroove(line)))).ok).toBe(true);
        expect(line.bars).toHaveLength(given.bars);
        for (const { strokes } of line.bars) expect(strokes.length).toBeGreaterThan(0);
        const hands = line.bars.flatMap(({ strokes }) => strokes.map(({ limb }) => limb));
        hands.forEach((hand, index) => expect(hand).toBe(index % 2 ? 'left hand' : 'right hand'));
        expect(sightLine(given, named)).toEqual(line);
      }),
    );
  });

  test('of a beginner strikes no & without its count, no accent and nothing finer than was allowed', () => {
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        const line = sightLine(plan({ bars: 8 }), { title: 'x', tempo: 60, seed });
        for (const { cells, strokes } of line.bars) {
          for (const { parts } of cells) expect(parts).toBeLessThanOrEqual(2);
          for (const { at, height } of strokes) {
            expect(height).toBe('tap');
            if (at.d === 8) expect(strokes.some((one) => one.at.n * 8 === (at.n - 1) * one.at.d)).toBe(true);
          }
        }
      }),
    );
  });

  test('comes to rest: of every four bars the last ends on its last count', () => {
    for (let seed = 0; seed < 50; seed++) {
      const { bars } = sightLine(plan({ level: 'concert', values: ['16ths'] }), { title: 'x', tempo: 60, seed });
      expect(bars[3]!.cells.at(-1)).toEqual({ counts: 1, parts: 1 });
      expect(bars[3]!.strokes.at(-1)!.at).toEqual({ n: 3, d: 4 });
    }
  });

  test('is judged by when it is struck: which hand it was, nobody asks', () => {
    const line = sightLine(plan({ level: 'concert', values: ['16ths'] }), { title: 'x', tempo: 70, seed: 7 });
    const take = emptyTake(line, { bpm: 70, rounds: 1 });
    const timed = schedule(formOfTake(take));
    const hits = timed.sounds.flatMap((sound) => (sound.kind === 'stroke' ? [{ ms: sound.ms + 3 }] : []));
    const { figures, verdict } = judge({ ...take, hits, playedMs: Math.round(timed.endMs) }, 'advanced');
    expect(figures).toMatchObject({ matched: hits.length, missed: 0, extra: 0 });
    expect(verdict.about).toBe('clean');
  });

  test('has more in it the further on somebody is, and accents from the advanced on', () => {
    const struck = (change: Partial<SightPlan>) =>
      Array.from({ length: 200 }, (_, seed) => strokesIn(plan(change), seed));
    const mean = (all: unknown[][]) => all.reduce((sum, one) => sum + one.length, 0) / all.length;
    const easy = struck({});
    const hard = struck({ level: 'concert', values: ['16ths'] });
    expect(mean(hard)).toBeGreaterThan(mean(easy) * 1.3);
    const accents = hard.flat().filter(({ height }) => height === 'accent').length / hard.flat().length;
    expect(accents).toBeGreaterThan(0.15);
    expect(accents).toBeLessThan(0.25);
  });
});

describe('a chart', () => {
  test('can be played and kept, has as many bars as were asked for, the same for the same seed', () => {
    fc.assert(
      fc.property(anyPlan('chart'), fc.integer(), (given, seed) => {
        const { groove, chart } = drawnAtSight(given, { title: 'At sight', tempo: 90 }, seed);
        expect(groove.tempo).toBe(90);
        const kept = JSON.parse(JSON.stringify(writeWrittenChart(chart!)));
        expect(readWrittenChart(kept.chart, kept.groove).ok).toBe(true);
        const played = unroll(chart!.form);
        if (!played.ok) throw new Error('cannot be played');
        expect(new Set(played.value.map(({ written }) => written)).size).toBe(given.bars);
        expect(played.value.some(({ hits }) => hits.length)).toBe(true);
        expect(drawnAtSight(given, { title: 'At sight', tempo: 90 }, seed).chart).toEqual(chart);
      }),
      runs(60),
    );
  });

  test('asks for what is read at a level: beginners go straight through, concert players jump to a coda', () => {
    const texts = (level: SightPlan['level']) =>
      Array.from({ length: 60 }, (_, seed) =>
        sightChart(plan({ kind: 'chart', level, values: ['8ths', '16ths', 'triplets'], bars: 16 }), {
          tempo: 80,
          seed,
        }),
      );
    for (const text of texts('first year'))
      expect(text).not.toMatch(/times|ending|coda|same|short|[ea] of|let of|, [pf],/);
    const has = (level: SightPlan['level'], words: RegExp) => texts(level).some((text) => words.test(text));
    expect([has('second year', /2 times/), has('second year', /ending|coda/)]).toEqual([true, false]);
    expect([has('advanced', /first ending/), has('advanced', /coda|e of/)]).toEqual([true, false]);
    for (const text of texts('concert')) expect(text).toMatch(/to coda.*D\.S\. al Coda/s);
  });
});

describe('a seed', () => {
  test('is one whose line was not read before, while there are others', () => {
    const small = plan({ bars: 1, values: ['quarters'] });
    let next = 0;
    const spent: number[] = [];
    const lines = new Set<string>();
    // Fifteen bars of four counts have something struck in them.
    for (let line = 0; line < 15; line++) {
      spent.push(freshSeed(small, spent, () => next++));
      lines.add(JSON.stringify(strokesIn(small, spent.at(-1)!)));
    }
    expect(lines.size).toBe(15);
    expect(freshSeed(small, spent, () => next++)).toBeGreaterThan(spent.at(-1)!);
  });

  test('of a chart likewise', () => {
    const chart = plan({ kind: 'chart', bars: 8 });
    const draws = [3, 3, 4];
    expect(freshSeed(chart, [3], () => draws.shift()!)).toBe(4);
  });
});
