import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { STARTERS } from '../testing/starters';
import { anyGroove, meterOf, oneLine, together } from '../testing/arbitrary';
import { code, done, heard, inOrder, places, refusal, said } from '../testing/transforms';
import { cycleOf } from '../grid/cycle';
import { exact, format, negate } from '../time/fraction';
import { barLength } from '../grid/meter';
import { modulatedBpm, type Modulation } from '../time/modulation';
import type { NoteValue } from '../time/noteValue';
import { type Groove } from './groove';
import { LIMBS } from './limbs';
import { barsToFill, displaced, spanOnsets, type RateSpan } from './place';
import { foldSwing, toFullTriplets, toShuffle, writeSwingOut } from './feel';
import { mirrorHands, turnKit } from './lines';
import { displace, momentsIn, rerate, stretch } from './transform';
import { cases } from '../testing/vectors';
import { runs } from '../testing/runs';

describe('exact answers', () => {
  test.each(
    cases<{
      notesInCell: number;
      value: NoteValue;
      meter: string;
      cellInCounts: string;
      backOnACount: Record<string, string>;
      backOnOne: Record<string, string>;
    }>('cycles'),
  )('a cell of $notesInCell × $value over $meter', ({ notesInCell, value, meter, ...expected }) => {
    const { cellInCounts, backOnACount, backOnOne } = cycleOf(notesInCell, value, meterOf(meter));
    expect({ cellInCounts: format(cellInCounts), backOnACount: backOnACount, backOnOne }).toEqual({
      cellInCounts: expected.cellInCounts,
      backOnACount: { counts: Number(expected.backOnACount.counts), cells: Number(expected.backOnACount.cells) },
      backOnOne: { bars: Number(expected.backOnOne.bars), cells: Number(expected.backOnOne.cells) },
    });
  });

  test.each(cases<Modulation & { newBpm: number }>('modulations'))(
    '$oldNote = $newNote at $bpm',
    ({ newBpm, ...modulation }) => {
      expect(modulatedBpm(modulation)).toBeCloseTo(newBpm, 3);
    },
  );

  test.each(cases<{ meter: string; bars: number; onsets: string[]; shift: string; moved: string[] }>('displacements'))(
    '$onsets moved by $shift',
    ({ meter, bars, onsets, shift, moved }) => {
      const { n, d } = barLength(meterOf(meter));
      expect(displaced(onsets.map(exact), exact(shift), { n: n * bars, d }).map(format)).toEqual(moved);
    },
  );

  test.each(cases<{ plan: RateSpan[]; onsets: string[]; endsAt: string; barsOf44ToFill: number }>('rerates'))(
    '$plan',
    ({ plan, onsets, endsAt, barsOf44ToFill }) => {
      const out = spanOnsets(plan);
      expect(out.onsets.map(format)).toEqual(onsets);
      expect(format(out.endsAt)).toBe(endsAt);
      expect(barsToFill(out.endsAt, meterOf('4/4'))).toBe(barsOf44ToFill);
    },
  );
});

describe('there and back again', () => {
  const shifts = fc.constantFrom('1/16', '1/8', '3/16', '1/4', '1/12').map(exact);
  test('displacing', () => {
    fc.assert(
      fc.property(fc.constantFrom(...STARTERS), shifts, (groove, shift) => {
        const there = displace(groove, shift, LIMBS);
        if (!there.ok) return;
        expect(heard(done(displace(there.value.groove, negate(shift), LIMBS)))).toEqual(heard(groove));
      }),
    );
  });

  test('mirroring and turning the kit', () => {
    fc.assert(
      fc.property(anyGroove(), (groove) => {
        expect(mirrorHands(mirrorHands(groove).groove).groove).toEqual(groove);
        expect(turnKit(turnKit(groove).groove).groove).toEqual(groove);
      }),
      runs(30),
    );
  });

  test.each([
    ['8th', '2'],
    ['8th', '3'],
    ['16th', '2'],
  ] as const)('writing %s swung %s out and folding it back', (value, ratio) => {
    const straight = value === '8th' ? oneLine('At tA At At') : oneLine('AtgtAttt A..t tttt');
    const swung: Groove = { ...straight, swing: { value, ratio } };
    const out = done(writeSwingOut(swung));
    expect(out.swing).toBeUndefined();
    const back = done(foldSwing(out, { value, ratio }));
    expect(heard(back)).toEqual(heard(swung));
    expect(back.swing).toEqual({ value, ratio });
  });

  test('stretching twice as long and back', () => {
    const groove = oneLine('At.. tAg.');
    expect(heard(done(stretch(done(stretch(groove, 2)), '1/2')))).toEqual(heard(groove));
  });
});

test('a shuffle moves the off-beats to the last triplet, full triplets fill the middle', () => {
  expect(places(done(toShuffle(oneLine('tt t. .t tt'))))).toEqual(['0', '1/6', '1/4', '2/3', '3/4', '11/12']);
  expect(places(done(toFullTriplets(oneLine('tt t. .t tt'))))).toEqual([
    '0',
    '1/12',
    '1/6',
    '1/4',
    '2/3',
    '3/4',
    '5/6',
    '11/12',
  ]);
});

test('a re-rate keeps the order of strokes, limbs together, and says where it ends', () => {
  const groove = together(oneLine('tttt tttt'), oneLine('A...A...', 'right foot'));
  const answer = rerate(groove, [
    { value: '8th triplet', notes: 6 },
    { value: 'quarter', notes: 2 },
  ]);
  expect(places(done(answer))).toEqual(['0', '0', '1/12', '1/6', '1/4', '1/3', '1/3', '5/12', '1/2', '3/4']);
  expect(answer.ok && answer.value.say).toContain('ends on the bar line');
  expect(refusal(rerate(groove, [{ value: '8th', notes: 3 }]))).toBe('The plan has 3 notes, the groove 8 moments.');
});

test('what no grid can hold is said, and nothing is lost', () => {
  expect(
    refusal(writeSwingOut({ ...oneLine('tttt tttt tttt tttt'), swing: { value: '8th', ratio: '2' } })),
  ).toBeUndefined();
  expect(refusal(displace(oneLine('t...'), exact('1/7'), LIMBS))).toBeUndefined();
  expect(refusal(displace(oneLine('t...'), exact('1/44'), LIMBS))).toContain('No grid');
  expect(refusal(writeSwingOut(oneLine('t...')))).toContain('straight already');
});

describe('a stretch of a groove', () => {
  const two = { from: exact('1/4'), to: exact('3/4') };

  test('is displaced in itself: what begins it goes with it, what ends it does not', () => {
    const groove = together(oneLine('tttt'), oneLine('A...', 'right foot'));
    const later = displace(groove, exact('1/8'), ['right hand'], two);
    expect(heard(done(later))).toEqual([
      '0 right foot accent',
      '0 right hand tap',
      '3/4 right hand tap',
      '3/8 right hand tap',
      '5/8 right hand tap',
    ]);
    expect(said(later)).toBe('The right hand now comes 1/2 count later, wrapped round what is selected.');
    const round = displace(groove, exact('3/8'), ['right hand'], two);
    expect(places(done(round))).toEqual(['0', '0', '3/8', '5/8', '3/4']);
  });

  test('holds the moments in it, in order', () => {
    const groove = together(oneLine('tttt'), oneLine('A.A.', 'right foot'));
    const upsideDown: Groove = {
      ...groove,
      bars: [{ ...groove.bars[0]!, strokes: groove.bars[0]!.strokes.toReversed() }],
    };
    expect(momentsIn(upsideDown).map(format)).toEqual(['0', '1/4', '1/2', '3/4']);
    expect(momentsIn(upsideDown, two).map(format)).toEqual(['1/4', '1/2']);
  });

  test('is laid out in other values while what is about it stays', () => {
    const groove = together(oneLine('tttt'), oneLine('A...', 'right foot'));
    const plan = [{ value: '8th', notes: 2 }] as const;
    const answer = rerate(groove, plan, two);
    expect(places(done(answer))).toEqual(['0', '0', '1/4', '3/8', '3/4']);
    expect(said(answer)).toBe('The same order in 2 × 8th, 1 count of rest after it.');
    const full = rerate(groove, [{ value: 'quarter', notes: 2 }], two);
    expect(heard(done(full))).toEqual(heard(groove));
    expect(said(full)).toBe('The same order in 2 × quarter.');
    const long = rerate(groove, [{ value: 'dotted quarter', notes: 2 }], two);
    expect(refusal(long)).toBe('That takes 1 count more than is selected.');
    const wrong = rerate(groove, [{ value: '8th', notes: 4 }], two);
    expect(refusal(wrong)).toBe('The plan has 4 notes, what is selected 2 moments.');
    expect(!wrong.ok && wrong.problems[0]!.numbers).toEqual({ notes: 4, moments: 2 });
  });
});

test('what a displacement says, of every limb and of some, later and earlier', () => {
  const groove = together(oneLine('tttt'), oneLine('A...', 'right foot'));
  expect(said(displace(groove, exact('1/4'), LIMBS))).toBe(
    'Every limb now comes 1 count later, wrapped round the groove.',
  );
  expect(said(displace(groove, exact('-3/8'), ['right hand', 'right foot']))).toBe(
    'The right hand and the right foot now comes 1 1/2 counts earlier, wrapped round the groove.',
  );
  expect(places(done(displace(groove, exact('1/4'), ['right foot'])))).toEqual(['0', '1/4', '1/4', '1/2', '3/4']);
});

test('a re-rate of the whole takes the bars it needs, and says what rests', () => {
  const groove = oneLine('tttt');
  const half = rerate(groove, [{ value: 'half', notes: 4 }]);
  expect(inOrder(done(half))).toEqual([
    ['0', '1/2'],
    ['0', '1/2'],
  ]);
  expect(said(half)).toBe('The same order in 4 × half: 2 bars, ends on the bar line.');
  const mixed = rerate(groove, [
    { value: '8th', notes: 3 },
    { value: 'quarter', notes: 1 },
  ]);
  expect(inOrder(done(mixed))).toEqual([['0', '1/8', '1/4', '3/8']]);
  expect(said(mixed)).toBe(
    'The same order in 3 × 8th, 1 × quarter: 1 bar, ends after 2 1/2 counts, padded with 1 1/2 counts of rest.',
  );
});

test('double-time of one bar is played twice, of two it is one; half-time says so', () => {
  const one = stretch(oneLine('ttt.'), '1/2');
  expect(inOrder(done(one))).toEqual([['0', '1/8', '1/4', '1/2', '5/8', '3/4']]);
  expect(said(one)).toBe('Double-time: every note lasts half as long, the bar played twice.');
  const groove = oneLine('ttt.');
  const two = stretch({ ...groove, bars: [groove.bars[0]!, groove.bars[0]!] }, '1/2');
  expect(inOrder(done(two))).toEqual([['0', '1/8', '1/4', '1/2', '5/8', '3/4']]);
  expect(said(two)).toBe('Double-time: every note lasts half as long.');
  const half = stretch(oneLine('ttt.'), 2);
  expect(inOrder(done(half))).toEqual([['0', '1/2'], ['0']]);
  expect(said(half)).toBe('Half-time: every note lasts twice as long.');
  const changing = { ...groove, bars: [...groove.bars, ...oneLine('ttt', 'right hand', 60, '3/4').bars] };
  expect(code(stretch(changing, 2))).toBe('meter-changes');
});
