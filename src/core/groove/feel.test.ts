import { describe, expect, test } from 'vitest';
import { oneLine, together } from '../testing/arbitrary';
import { code, done, inOrder, said } from '../testing/transforms';
import { format } from '../time/fraction';
import { foldSwing, toFullTriplets, toShuffle, toTripletsThenShuffle, writeSwingOut } from './feel';
import type { Groove } from './groove';
import { strokesOf } from './place';

/** Every stroke: its place, the first letter of its limb's side, how high. */
const played = (groove: Groove) =>
  strokesOf(groove).map(({ at, limb, height }) => `${format(at)} ${limb[0]} ${height[0]}`);
const twice = (groove: Groove): Groove => ({ ...groove, bars: [groove.bars[0]!, groove.bars[0]!] });
const swung = (text: string, value: '8th' | '16th' = '8th', ratio = '2'): Groove => ({
  ...oneLine(text),
  swing: { value, ratio },
});

describe('full triplets', () => {
  test('are struck again between the two strokes of a pair, as a tap without its ornament', () => {
    const line = oneLine('At A. .t tA');
    const groove: Groove = {
      ...line,
      bars: [{ ...line.bars[0]!, strokes: line.bars[0]!.strokes.map((one) => ({ ...one, ornament: 'flam' })) }],
    };
    const answer = toFullTriplets(groove);
    const full = done(answer);
    expect(played(full)).toEqual([
      '0 r a',
      '1/12 r t',
      '1/6 r t',
      '1/4 r a',
      '2/3 r t',
      '3/4 r t',
      '5/6 r t',
      '11/12 r a',
    ]);
    expect(full.bars[0]!.strokes.map(({ ornament }) => ornament === undefined)).toEqual([
      false,
      true,
      false,
      false,
      false,
      false,
      true,
      false,
    ]);
    expect(inOrder(full)).toEqual([['0', '1/12', '1/6', '1/4', '2/3', '3/4', '5/6', '11/12']]);
    expect(said(answer)).toContain('a full triplet on every quarter that had both');
  });

  test('need both strokes of the same limb', () => {
    const groove = together(oneLine('t.t.t.t.'), oneLine('.t.t.t.t', 'left hand'));
    expect(played(done(toFullTriplets(groove)))).toHaveLength(8);
  });

  test('are not struck where the limb plays already, and say so where no grid holds them', () => {
    expect(played(done(toFullTriplets(oneLine('ttt ... ... ...'))))).toEqual(['0 r t', '1/12 r t', '1/6 r t']);
    // In sevens the off-beat 8th is none of the strokes, so that nothing moves.
    const sevens = 'ttttttt ....... ....... .......';
    expect(inOrder(done(toShuffle(oneLine(sevens))))).toEqual(inOrder(oneLine(sevens)));
    expect(code(toFullTriplets(oneLine('t.t.ttt. ........ ........ ........')))).toBe('no-grid');
  });

  test('of a swung groove it is straight from now on', () => {
    expect(done(toFullTriplets(swung('tttttttt'))).swing).toBeUndefined();
    expect(done(toTripletsThenShuffle(swung('tttttttt'), 1)).swing).toBeUndefined();
    expect(done(toShuffle(swung('tttttttt'))).swing).toBeUndefined();
  });
});

describe('full triplets first, a shuffle after', () => {
  test('on so many counts of every bar', () => {
    const one = toTripletsThenShuffle(twice(oneLine('tttttttt')), 1);
    const bar = ['0', '1/12', '1/6', '1/4', '5/12', '1/2', '2/3', '3/4', '11/12'];
    expect(inOrder(done(one))).toEqual([bar, bar]);
    expect(said(one)).toBe('Full triplets on the first count of every bar, a shuffle after.');
    const two = toTripletsThenShuffle(oneLine('tttttttt'), 2);
    expect(inOrder(done(two))).toEqual([['0', '1/12', '1/6', '1/4', '1/3', '5/12', '1/2', '2/3', '3/4', '11/12']]);
    expect(said(two)).toBe('Full triplets on the first 2 counts of every bar, a shuffle after.');
  });

  test('meters stay, also where they change', () => {
    const three = oneLine('tttttt', 'right hand', 60, '3/4');
    const mixed: Groove = { ...three, bars: [...three.bars, ...oneLine('tttttttt').bars] };
    expect(
      done(toTripletsThenShuffle(mixed, 1)).bars.map(({ meter, strokes }) => [meter.beats, strokes.length]),
    ).toEqual([
      [3, 7],
      [4, 9],
    ]);
  });
});

describe('a swing written out', () => {
  test('lies where it is heard, and says its ratio', () => {
    const out = writeSwingOut(swung('tttttttt', '8th', '3/2'));
    expect(inOrder(done(out))).toEqual([['0', '3/20', '1/4', '2/5', '1/2', '13/20', '3/4', '9/10']]);
    expect(said(out)).toBe('The swing of 3:2 is written out where it falls; the groove is straight now.');
  });

  test('needs a swing, and one that is fixed', () => {
    expect(code(writeSwingOut(oneLine('tttt')))).toBe('straight-already');
    expect(code(writeSwingOut({ ...oneLine('tttt'), swing: { value: '8th', ratio: 'tempo-aware' } }))).toBe(
      'swing-not-fixed',
    );
  });

  test('leaves alone what a swing does not warp', () => {
    // Triplets are no pair.
    expect(inOrder(done(toShuffle(oneLine('ttt ttt ttt ttt'))))).toEqual(inOrder(oneLine('ttt ttt ttt ttt')));
    // Only the second 8th of a shuffle moves, whatever lies about it.
    expect(inOrder(done(toShuffle(oneLine('..t. .... .... ..t.'))))).toEqual([['1/6', '11/12']]);
  });
});

describe('a swing read back from what was written out', () => {
  test('is refused where there is one, where it is not fixed, and where strokes lie elsewhere', () => {
    const [fixed, aware] = [
      { value: '8th', ratio: '2' },
      { value: '8th', ratio: 'tempo-aware' },
    ] as const;
    expect(code(foldSwing(swung('tttttttt'), fixed))).toBe('swung-already');
    expect(code(foldSwing(oneLine('tttttttt'), aware))).toBe('swing-not-fixed');
    expect(code(foldSwing(oneLine('tttttttt'), { value: '8th', ratio: '3' }))).toBe('not-that-swing');
  });

  test('is refused where one stroke of many lies elsewhere', () => {
    const swing = { value: '8th', ratio: '3' } as const;
    expect(code(foldSwing(oneLine('t..t t..t t..t t..t'), swing))).toBe('done');
    expect(code(foldSwing(oneLine('t..t t..t t..t t.t.'), swing))).toBe('not-that-swing');
    expect(code(foldSwing(oneLine('ttttttt ....... ....... .......'), swing))).toBe('no-grid');
  });

  test('says how it is written and played', () => {
    const folded = foldSwing(oneLine('t.t t.t t.t t.t'), { value: '8th', ratio: '2' });
    expect(said(folded)).toBe('Written in even 8ths, played 2.');
    expect(inOrder(done(folded))).toEqual([['0', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8']]);
    expect(done(folded).swing).toEqual({ value: '8th', ratio: '2' });
  });
});
