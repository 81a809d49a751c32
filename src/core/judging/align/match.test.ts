import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { normal, randomFrom } from '../../random';
import { gapAt, matchLine, matchLines, REACH } from './match';

const sorted = (most: number) =>
  fc.array(fc.integer({ min: 0, max: most }), { maxLength: 60 }).map((all) => [...new Set(all)].sort((a, b) => a - b));
const line = (count: number, gap: number) => Array.from({ length: count }, (_, index) => index * gap);

describe('any line and any hits', () => {
  test('matches never cross, no hit is used twice, and every hit is matched or extra', () => {
    fc.assert(
      fc.property(sorted(20_000), sorted(20_000), (expected, hits) => {
        const { hitOf, extra } = matchLine(expected, hits);
        const used = hitOf.filter((hit) => hit !== undefined);
        for (let index = 1; index < used.length; index++) expect(used[index]!).toBeGreaterThan(used[index - 1]!);
        expect([...used, ...extra].sort((a, b) => a - b)).toEqual(hits.map((_, index) => index));
      }),
    );
  });

  test('hits that are the strokes themselves are all matched, each without error', () => {
    fc.assert(
      fc.property(sorted(20_000), (expected) => {
        const { hitOf, extra } = matchLine(expected, expected);
        expect(hitOf).toEqual(expected.map((_, index) => index));
        expect(extra).toEqual([]);
      }),
    );
  });

  test('near the click no match reaches further than its share of the gap', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -140, max: 140 }), { minLength: 2, maxLength: 80 }), (errors) => {
        const expected = line(errors.length, 1000);
        const hits = expected.map((due, index) => due + errors[index]!);
        matchLine(expected, hits).hitOf.forEach((hit, index) =>
          expect(Math.abs(hits[hit!]! - expected[index]!)).toBeLessThanOrEqual(REACH * gapAt(expected, index)),
        );
      }),
    );
  });
});

test('a hit beyond 40 % of the gap is extra and its stroke missed', () => {
  expect(matchLine([0, 500, 1000], [0, 705, 1000])).toEqual({ hitOf: [0, undefined, 2], extra: [1] });
});

test('of two hits near one stroke the nearer is its own', () => {
  expect(matchLine([0, 500], [0, 460, 520])).toEqual({ hitOf: [0, 2], extra: [1] });
});

test.each([0.5, 1, 2, -1, -2, 3])('%d % away from the tempo for three minutes slips no slot', (percent) => {
  const random = randomFrom(7);
  const expected = line(960, 187.5);
  const hits = expected.map((due) => due / (1 + percent / 100) + 8 * normal(random));
  const { hitOf, extra } = matchLine(expected, hits);
  expect(hitOf).toEqual(expected.map((_, index) => index));
  expect(extra).toEqual([]);
});

test('drift that one limb shows is known to the others', () => {
  const hat = line(400, 250);
  const kick = line(50, 2000);
  const rushed = (due: number) => due / 1.02;
  const [, matchedKick] = matchLines(
    [
      { expectedMs: hat, hitsMs: hat.map(rushed) },
      { expectedMs: kick, hitsMs: kick.map(rushed) },
    ],
    { longestGapMs: 500 },
  );
  expect(matchedKick!.hitOf).toEqual(kick.map((_, index) => index));
});

test('a lone stroke does not claim a hit from elsewhere in the bar', () => {
  expect(matchLine([1000], [1350], { longestGapMs: 500 })).toEqual({ hitOf: [undefined], extra: [0] });
});
