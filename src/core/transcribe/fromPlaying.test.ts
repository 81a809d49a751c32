import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { formOf } from '../form/form';
import { cellsOfDivisions } from '../grid/cells';
import type { Groove } from '../groove/groove';
import { LIMBS, type Limb } from '../groove/limbs';
import { strokesOf } from '../groove/place';
import { writeGroove, readGroove } from '../documents/groove';
import { normal, randomFrom } from '../random';
import { schedule } from '../schedule/schedule';
import { meterOf, oneLine, together } from '../testing/arbitrary';
import { format } from '../time/fraction';
import { decided, grooveFromPlaying, type FromPlaying } from './fromPlaying';
import { runs } from '../testing/runs';

/** What somebody strikes who plays a groove so many times, with a spread, all of it late by something. */
function played(groove: Groove, rounds: number, spread: number, seed: number, late = 0, missing = 0) {
  const random = randomFrom(seed);
  const { sounds } = schedule(formOf({ groove, bpm: groove.tempo, rounds, countIn: 1, click: { kind: 'silent' } }));
  return sounds.flatMap((sound) => {
    const [miss, wobble] = [random(), normal(random)];
    return sound.kind === 'stroke' && sound.ms >= 0 && miss >= missing
      ? [{ limb: sound.limb, ms: sound.ms + late + spread * wobble }]
      : [];
  });
}

/** The bars of a groove with nothing in them, every count whole. */
const emptied = ({ swing: _, ...groove }: Groove): Groove => ({
  ...groove,
  bars: groove.bars.map(({ meter }) => ({ meter, cells: cellsOfDivisions(meter, groove.reading, 1), strokes: [] })),
});

function heard(groove: Groove, hits: ReturnType<typeof played>, rounds = 4, onto = emptied(groove)): FromPlaying {
  const answer = grooveFromPlaying({ groove: onto, rounds, hits });
  if (!answer.ok) throw new Error(answer.problems[0]!.say);
  expect(readGroove(JSON.parse(JSON.stringify(writeGroove(answer.value.groove)))).ok).toBe(true);
  return answer.value;
}

const keys = (groove: Groove) => strokesOf(groove).map(({ limb, at }) => `${limb} ${format(at)}`);
const line = (groove: Groove, limb: Limb) =>
  strokesOf(groove)
    .filter((one) => one.limb === limb)
    .map(({ at }) => format(at))
    .join(' ');

/** Two bars of 4/4 whose counts are each divided by one of these, struck at random by three limbs. */
function randomGroove(seed: number, tempo: number, grids: readonly number[]): Groove {
  const random = randomFrom(seed);
  const meter = meterOf('4/4');
  const bars = [0, 1].map(() => {
    const cells = cellsOfDivisions(
      meter,
      'numbers',
      [0, 1, 2, 3].map(() => grids[Math.floor(random() * grids.length)]!),
    );
    const strokes = LIMBS.slice(0, 3).flatMap((limb) =>
      cells.flatMap(({ parts }, count) =>
        Array.from({ length: parts }, (_, part) => ({ n: count * parts + part, d: 4 * parts })).flatMap(({ n, d }) =>
          random() < (limb === 'right hand' ? 0.85 : 0.35) ? [oneStroke(limb, n, d)] : [],
        ),
      ),
    );
    return { meter, cells, strokes };
  });
  return { version: 1, title: 'Played', reading: 'numbers', tempo, bars };
}
const SURFACE = { 'right hand': 'closed hat', 'left hand': 'snare', 'right foot': 'kick' } as const;
function oneStroke(limb: Limb, n: number, d: number) {
  const gcd = (a: number, b: number): number => (b ? gcd(b, a % b) : a);
  const by = gcd(n, d);
  return { limb, surface: SURFACE[limb as keyof typeof SURFACE], at: { n: n / by, d: d / by }, height: 'tap' as const };
}

describe('strokes on the slot that was meant', () => {
  /** The share of what was meant that stands, and how many stand that nobody meant. */
  function share(grids: readonly number[], spread: number, tempo = 100) {
    let [meant, right, more] = [0, 0, 0];
    for (let seed = 1; seed <= 60; seed++) {
      const groove = randomGroove(seed, tempo, grids);
      const wanted = new Set(keys(groove));
      const made = keys(heard(groove, played(groove, 4, spread, seed)).groove);
      meant += wanted.size;
      right += made.filter((key) => wanted.has(key)).length;
      more += made.filter((key) => !wanted.has(key)).length;
    }
    return { right: right / meant, more: more / meant };
  }

  test.each([
    ['16ths', [4]],
    ['8ths', [2]],
    ['triplets', [3]],
    ['sextuplets', [6]],
    ['8ths, triplets and 16ths from count to count', [2, 3, 4]],
  ])('%s at 100, four rounds, a spread of 15 ms: 98 in 100', (_, grids) => {
    const { right, more } = share(grids, 15);
    expect(right).toBeGreaterThanOrEqual(0.98);
    expect(more).toBeLessThanOrEqual(0.02);
  });

  test('with no spread at all everything stands as it was meant, at any tempo', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 50, max: 140 }), (seed, tempo) => {
        const groove = randomGroove(seed, tempo, [1, 2, 3, 4, 6]);
        fc.pre(groove.bars.some(({ strokes }) => strokes.length));
        const made = heard(groove, played(groove, 2, 0, seed), 2);
        expect(new Set(keys(made.groove))).toEqual(new Set(keys(groove)));
      }),
      runs(60),
    );
  });
});

describe('what is told apart', () => {
  const backbeat = together(
    oneLine('tttttttt', 'right hand', 96),
    oneLine('..t...t.', 'left hand'),
    oneLine('t...tt..', 'right foot'),
  );

  test('a groove swung throughout is 8ths and a swing; with the middle of the triplet struck, it is triplets there', () => {
    const swung = { ...backbeat, swing: { value: '8th', ratio: '2' } } as const;
    const made = heard(swung, played(swung, 4, 10, 3));
    expect([made.feel, keys(made.groove)]).toEqual([{ value: '8th', ratio: '2' }, keys(swung)]);
    // A groove that swings so is played as it is set; played straight, it is not.
    expect(heard(swung, played(swung, 4, 10, 3), 4, swung).feel).toBeUndefined();
    expect(heard(backbeat, played(backbeat, 4, 10, 3), 4, swung).feel).toBe('straight');
    const triplets = oneLine('ttt ttt ttt ttt', 'right hand', 96);
    expect(heard(triplets, played(triplets, 4, 10, 3)).feel).toBeUndefined();
    const light = { ...backbeat, swing: { value: '8th', ratio: '3/2' } } as const;
    expect(heard(light, played(light, 8, 8, 4), 8).feel).toEqual({ value: '8th', ratio: '3/2' });
    const sixteenths = {
      ...oneLine('tttttttttttttttt', 'right hand', 84),
      swing: { value: '16th', ratio: '2' },
    } as const;
    expect(heard(sixteenths, played(sixteenths, 4, 8, 5)).feel).toEqual({ value: '16th', ratio: '2' });
    expect(heard(backbeat, played(backbeat, 4, 15, 3)).feel).toBeUndefined();
  });

  test('somebody who is late as a whole is late, not displaced', () => {
    const late = heard(backbeat, played(backbeat, 4, 12, 6, 45));
    expect(keys(late.groove)).toEqual(keys(backbeat));
    expect(keys(heard(backbeat, played(backbeat, 4, 12, 6, -40)).groove)).toEqual(keys(backbeat));
  });

  test('counts of another length, and meters that change', () => {
    const seven = oneLine('t.tt.t.', 'right hand', 180, '7/8');
    expect(keys(heard(seven, played(seven, 4, 10, 2)).groove)).toEqual(keys(seven));
    const mixed: Groove = {
      ...backbeat,
      bars: [backbeat.bars[0]!, oneLine('tttttt', 'right hand', 96, '3/4').bars[0]!],
    };
    expect(keys(heard(mixed, played(mixed, 4, 10, 2)).groove)).toEqual(keys(mixed));
  });

  test('how loud it was', () => {
    const hits = played(oneLine('tttttttt', 'right hand', 96), 4, 8, 1).map((hit, index) => ({
      ...hit,
      loudness: [0.9, 0.3, 0.3, 0.3, 0.3, 0.1, 0.3, 0.3][index % 8]!,
    }));
    const made = grooveFromPlaying({ groove: emptied(backbeat), rounds: 4, hits });
    if (!made.ok) throw new Error();
    expect(strokesOf(made.value.groove).map(({ height }) => height[0])).toEqual([...'attttgtt']);
  });
});

describe('what is asked, and what stays', () => {
  const quarters = oneLine('t.t.t.t.', 'right hand', 96);

  test('what was struck in some of the rounds is asked: from half of them on it stands', () => {
    const hits = played(quarters, 4, 5, 1);
    const beat = 60_000 / 96;
    const offs = (rounds: number[], at: number) =>
      rounds.map((round) => ({ limb: 'left hand' as const, ms: round * 4 * beat + at * beat }));
    const made = heard(quarters, [...hits, ...offs([0, 2], 1.5), ...offs([1], 2), ...offs([0, 1, 2], 3)]);
    expect(line(made.groove, 'left hand')).toBe('3/8 3/4');
    expect(made.doubts).toEqual([{ bar: 0, limb: 'left hand', at: { n: 3, d: 8 }, rounds: 2, of: 4, isPlaced: true }]);
    const out = decided(made, ['out']);
    expect(out.ok && line(out.value.groove, 'left hand')).toBe('3/4');
  });

  test('a stroke between two grids is asked', () => {
    // 3/8 of a count: as far from the triplet as from the 8th.
    const beat = 60_000 / 96;
    const between = [{ limb: 'left hand' as const, ms: (1 + 0.585) * beat }];
    const made = heard(quarters, [...played(quarters, 1, 8, 1), ...between], 1);
    expect(made.doubts.map(({ limb, at, or }) => [limb, format(at), format(or!)])).toEqual([
      ['left hand', '3/8', '5/12'],
    ]);
    const other = decided(made, ['other']);
    expect(other.ok && line(other.value.groove, 'left hand')).toBe('5/12');
    expect(decided(made, ['here'])).toMatchObject({ ok: true, value: { groove: made.groove } });
  });

  test('what stood there stays, and what is struck where something stands is no second stroke', () => {
    const both = together(quarters, oneLine('t.....t.', 'right foot'));
    const struck = oneLine('t..t....', 'right foot', 96);
    const made = heard(struck, played(struck, 4, 8, 2), 4, both);
    expect(line(made.groove, 'right foot')).toBe('0 3/8 3/4');
    expect(line(made.groove, 'right hand')).toBe('0 1/4 1/2 3/4');
    expect(made.added).toBe(1);
  });

  test('a count whose grid cannot hold both keeps what stood there, and says so', () => {
    const sixteenths = oneLine('tttt t... t... t...', 'right hand', 96);
    const triplets = oneLine('ttt ttt t.. t..', 'left hand', 96);
    const made = heard(triplets, played(triplets, 4, 6, 2), 4, sixteenths);
    expect(made.kept).toEqual([{ bar: 0, count: 1 }]);
    expect(line(made.groove, 'right hand')).toBe(line(sixteenths, 'right hand'));
    expect(line(made.groove, 'left hand')).toBe('1/4 1/3 5/12 1/2 3/4');
  });

  test('nothing played says so', () => {
    for (const hits of [[], [{ ms: 100 }], [{ ms: 1e7, limb: 'right hand' as const }]])
      expect(grooveFromPlaying({ groove: quarters, rounds: 4, hits })).toMatchObject({
        ok: false,
        problems: [{ code: 'nothing-played' }],
      });
  });
});
