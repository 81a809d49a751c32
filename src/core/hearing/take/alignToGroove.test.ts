import { describe, expect, test } from 'vitest';
import { randomFrom } from '../../random';
import { readTake, writeTake, type Take } from '../../documents/take';
import { judge } from '../../judging/verdict/judge';
import { oneLine } from '../../testing/arbitrary';
import { emptyTake, playedTake } from '../../testing/takes';
import type { HeardStroke } from '..';
import { alignToGroove, tempoHeard, withHits, withUnheard } from './alignToGroove';

const groove = oneLine('A..tA.t.', 'left hand', 90);
const heardAt = (from: number, spreadMs = 6): HeardStroke[] =>
  playedTake({ spreadMs }, emptyTake(groove, { rounds: 4 })).hits.map(({ ms }) => ({
    ms: ms + from,
    levelDb: -20,
    sure: 0.9,
  }));

describe('a recording laid on a groove', () => {
  test('begins where its strokes fall on what is written', () => {
    const heard = heardAt(1234);
    const laid = alignToGroove(groove, 90, heard, 14_000);
    if (!laid.ok) throw new Error('It can be laid on it');
    expect(Math.abs(laid.value.firstBarMs - 1234)).toBeLessThan(20);
    const { strokes, extra } = judge(laid.value.take, 'advanced');
    expect(extra).toHaveLength(0);
    expect(strokes.filter(({ outcome }) => outcome === 'matched')).toHaveLength(heard.length);
    expect(laid.value.expected[0]).toMatchObject({ surface: 'snare', height: 'accent' });
  });

  test('also with something else before it, and with its first stroke left out', () => {
    const begins = (heard: HeardStroke[]) => {
      const laid = alignToGroove(groove, 90, heard, 14_000);
      return laid.ok ? laid.value.firstBarMs : NaN;
    };
    expect(Math.abs(begins([{ ms: 300, levelDb: -20, sure: 0.6 }, ...heardAt(1234)]) - 1234)).toBeLessThan(20);
    expect(Math.abs(begins(heardAt(1234).slice(1)) - 1234)).toBeLessThan(20);
  });

  test('a written stroke that could not have been heard is not judged when it is missing, one that could is missed', () => {
    const heard = heardAt(500).filter((_, index) => index !== 5 && index !== 9);
    const laid = alignToGroove(groove, 90, heard, 14_000);
    if (!laid.ok) throw new Error('It can be laid on it');
    const { take, expected, firstBarMs } = laid.value;
    const outcomes = (told: Take) => {
      const { strokes } = judge(told, 'advanced');
      return strokes.flatMap(({ outcome }, index) => (outcome === 'matched' ? [] : [`${index} ${outcome}`]));
    };
    expect(outcomes(take)).toEqual(['5 missed', '9 missed']);
    const told = withUnheard(
      take,
      expected,
      expected.map((_, index) => index !== 5),
      firstBarMs,
    );
    expect(outcomes(told)).toEqual(['5 not judgeable', '9 missed']);
    // It is part of the take when it is kept.
    const kept = readTake(JSON.parse(JSON.stringify(writeTake(told))));
    expect(kept.ok && outcomes(kept.value)).toEqual(['5 not judgeable', '9 missed']);
  });

  test.each([
    [90, 90],
    [90, 92],
    [90, 72],
    [90, 110],
    [90, 61],
    [90, 140],
  ])('set at %i and played at %i', (set, played) => {
    const heard = heardAt(700).map((stroke) => ({ ...stroke, ms: 700 + ((stroke.ms - 700) * 90) / played }));
    const told = tempoHeard(groove, set, heard);
    if (Math.abs(played - set) < 5) expect(told).toBeUndefined();
    else expect(Math.abs(told! - played)).toBeLessThanOrEqual(2);
  });

  test('of strokes that are no groove no tempo is told', () => {
    const random = randomFrom(5);
    const heard = Array.from({ length: 60 }, () => 20_000 * random()).sort((a, b) => a - b);
    const strokes = heard.map((ms) => ({ ms, levelDb: -20, sure: 0.9 }));
    expect(tempoHeard(groove, 90, strokes)).toBeUndefined();
    expect(tempoHeard(groove, 90, strokes.slice(0, 3))).toBeUndefined();
  });

  test('how loud each was is known where its input tells it', () => {
    const [one] = withHits(emptyTake(groove), [{ ms: 5, levelDb: -6.02, sure: 1, surface: 'snare' }], 0, true).hits;
    expect(one).toMatchObject({ ms: 5, limb: 'left hand' });
    expect(one!.loudness).toBeCloseTo(0.5, 3);
  });

  test('nothing heard, and an empty groove', () => {
    expect(alignToGroove(groove, 90, [], 3000)).toMatchObject({
      ok: true,
      value: { firstBarMs: 0, take: { hits: [] } },
    });
    const empty = { ...groove, bars: groove.bars.map((bar) => ({ ...bar, strokes: [] })) };
    expect(alignToGroove(empty, 90, heardAt(0), 3000)).toMatchObject({ ok: false, problems: [{ code: 'empty' }] });
  });
});
