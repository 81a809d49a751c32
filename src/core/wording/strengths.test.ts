import { describe, expect, test } from 'vitest';
import type { FaultName } from '../documents/verdict';
import type { Limb } from '../groove/limbs';
import type { Figures } from '../judging/types/figures';
import { strengths } from './strengths';
import type { Judgement } from '../judging/types/judgement';

/** What is praised, on both sides of what has to bear it out. */

const figures = (more: Partial<Figures> = {}): Figures => ({
  matched: 64,
  missed: 0,
  extra: 0,
  meanErrorMs: 2,
  sdErrorMs: 9,
  sdAroundTrendMs: 9,
  tempoDriftPercent: 0.5,
  ...more,
});
interface Told {
  figures?: Partial<Figures>;
  byLimb?: (Partial<Figures> & { limb: Limb })[];
  about?: FaultName;
  limb?: Limb;
}
const told = ({ byLimb = [], about = 'limb', limb, ...more }: Told, report: 'figures' | 'plain words' = 'figures') =>
  strengths(
    {
      figures: figures(more.figures),
      byLimb: byLimb.map((one) => ({ ...figures(), ...one })),
      toleranceMs: 20,
      verdict: { about, ...(limb && { limb }) },
    } as Judgement,
    report,
  );
const hands = (one: Partial<Figures>, other: Partial<Figures> = { meanErrorMs: 30 }) => [
  { limb: 'right hand' as const, ...one },
  { limb: 'right foot' as const, ...other },
];

describe('nothing left out and none too many', () => {
  test('from 16 strokes on', () => {
    expect(told({ figures: { matched: 16 } })).toEqual(['No stroke left out and none too many: all 16 of them.']);
    expect(told({ figures: { matched: 15 } })).toEqual([]);
    expect(told({ figures: { missed: 1 } })).toEqual([]);
    expect(told({ figures: { extra: 1 } })).toEqual([]);
  });
});

describe('a limb that is on time and even', () => {
  const said = 'The right hand is on time and even over 64 strokes: its spread is 9 ms.';
  const of = (one: Partial<Figures>, more: Told = {}) => told({ figures: { missed: 3 }, byLimb: hands(one), ...more });

  test('within what can be heard, and three fifths of what passes; from 8 strokes on', () => {
    expect(of({})).toEqual([said]);
    expect(told({ figures: { missed: 3 }, byLimb: hands({}) }, 'plain words')).toEqual([
      'The right hand is on time and even over 64 strokes.',
    ]);
    expect([of({ meanErrorMs: -6 }).length, of({ meanErrorMs: -6.1 }).length]).toEqual([1, 0]);
    expect([of({ sdErrorMs: 12 }).length, of({ sdErrorMs: 12.1 }).length]).toEqual([1, 0]);
    expect([of({ matched: 8 }).length, of({ matched: 7 }).length]).toEqual([1, 0]);
  });

  test('not the one that is to be fixed, not where there is one limb only, not beside a clean take', () => {
    expect(of({}, { limb: 'right hand' })).toEqual([]);
    expect(told({ figures: { missed: 3 }, byLimb: hands({}).slice(0, 1) })).toEqual([]);
    expect(of({}, { about: 'clean' })).toEqual([]);
  });

  test('of several the most even', () => {
    expect(told({ figures: { missed: 3 }, byLimb: hands({}, { sdErrorMs: 4 }) })[0]).toMatch(/^The right foot/);
    expect(told({ figures: { missed: 3 }, byLimb: hands({ sdErrorMs: 3 }, { sdErrorMs: 4 }) })[0]).toMatch(
      /^The right hand/,
    );
  });
});

describe('a tempo that holds', () => {
  const said = ['The tempo holds from beginning to end.'];
  const of = (drift: number | null, about: FaultName = 'limb', matched = 32) =>
    told({ figures: { missed: 3, matched, tempoDriftPercent: drift }, about });

  test('within a tenth of a percent, from 32 strokes on', () => {
    expect([of(0.09), of(-0.09), of(0), of(0.1), of(-0.1), of(null), of(0, 'limb', 31)]).toEqual([
      said,
      said,
      said,
      [],
      [],
      [],
      [],
    ]);
  });

  test('not beside what is about tempo or evenness', () => {
    for (const about of ['drift', 'phrase', 'spread'] as const) expect(of(0, about)).toEqual([]);
  });

  test('two facts at most', () => {
    const all = told({ figures: { tempoDriftPercent: 0 }, byLimb: hands({}) });
    expect(all).toHaveLength(2);
    expect(all[1]).toMatch(/^The right hand/);
  });
});
