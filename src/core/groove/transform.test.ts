import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { STARTERS } from '../testing/starters';
import { anyGroove, meterOf, oneLine, together } from '../testing/arbitrary';
import { cycleOf } from '../grid/cycle';
import { exact, format, negate } from '../time/fraction';
import { barLength } from '../grid/meter';
import { modulatedBpm, type Modulation } from '../time/modulation';
import type { NoteValue } from '../time/noteValue';
import { readGroove, writeGroove } from '../documents/groove';
import { type Groove } from './groove';
import { LIMBS } from './limbs';
import { barsToFill, displaced, spanOnsets, strokesOf, type RateSpan } from './place';
import type { Result } from '../result';
import { foldSwing, toFullTriplets, toShuffle, writeSwingOut } from './feel';
import { accentPattern, keepLimbs, leanLimb, mirrorHands, moveLine, openHanded, turnKit } from './lines';
import { displace, otherBottomNumber, readAs, rerate, sameFigureOver, stretch } from './transform';
import type { Transformed } from './transformed';
import { cases } from '../testing/vectors';

function done(answer: Result<Transformed>): Groove {
  if (!answer.ok) throw new Error(answer.problems[0]!.say);
  expect(readGroove(JSON.parse(JSON.stringify(writeGroove(answer.value.groove)))).ok).toBe(true);
  return answer.value.groove;
}
const refusal = (answer: Result<unknown>) => (answer.ok ? undefined : answer.problems[0]!.say);
const heard = (groove: Groove) =>
  strokesOf(groove)
    .map(({ limb, at, height }) => `${format(at)} ${limb} ${height}`)
    .sort();
const places = (groove: Groove) => strokesOf(groove).map(({ at }) => format(at));

const said = (answer: Result<Transformed>) => (answer.ok ? answer.value.say : answer.problems[0]!.say);

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
      { numRuns: 30 },
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

test('the same notes under another bottom number sound the same and are counted otherwise', () => {
  const groove = { ...oneLine('tt tt'), tempo: 60 };
  const two: Groove = {
    ...groove,
    bars: [
      {
        ...groove.bars[0]!,
        meter: meterOf('2/4'),
        cells: [
          { counts: 1, parts: 2 },
          { counts: 1, parts: 2 },
        ],
        strokes: groove.bars[0]!.strokes.slice(0, 2),
      },
    ],
  };
  const eight = done(otherBottomNumber(two, 16));
  expect([eight.bars[0]!.meter, eight.tempo]).toEqual([{ beats: 8, unit: 16 }, 240]);
  expect(heard(eight)).toEqual(heard(two));
  expect(refusal(otherBottomNumber(oneLine('tttt'), 16))).toBeUndefined();
  expect(refusal(otherBottomNumber({ ...oneLine('tttt'), tempo: 120 }, 16))).toContain('480 a minute');
});

test('accents 2 in 3 walk over the line; lines move and are dropped', () => {
  const groove = together(oneLine('tttttttt'), oneLine('A...A...', 'right foot'));
  const accented = done(accentPattern(groove, 'right hand', [true, false, true]));
  expect(
    strokesOf(accented)
      .filter(({ limb }) => limb === 'right hand')
      .map(({ height }) => height[0]),
  ).toEqual(['a', 't', 'a', 'a', 't', 'a', 'a', 't']);
  expect(refusal(accentPattern(groove, 'left foot', [true]))).toContain('plays nothing');
  expect(keepLimbs(groove, ['right foot']).groove.bars[0]!.strokes).toHaveLength(2);
  expect(new Set(moveLine(groove, 'right hand', 'ride').groove.bars[0]!.strokes.map(({ surface }) => surface))).toEqual(
    new Set(['ride', 'kick']),
  );
});

test('what no grid can hold is said, and nothing is lost', () => {
  expect(
    refusal(writeSwingOut({ ...oneLine('tttt tttt tttt tttt'), swing: { value: '8th', ratio: '2' } })),
  ).toBeUndefined();
  expect(refusal(displace(oneLine('t...'), exact('1/7'), LIMBS))).toBeUndefined();
  expect(refusal(displace(oneLine('t...'), exact('1/44'), LIMBS))).toContain('No grid');
  expect(refusal(writeSwingOut(oneLine('t...')))).toContain('straight already');
});

test('open-handed only where the hands cross; leaning, and back onto the beat', () => {
  const crossed = together(oneLine('tttttttt'), oneLine('..A...A.', 'left hand'));
  const open = done(openHanded({ ...crossed, lean: { 'left hand': 12 } }));
  expect(open.bars[0]!.strokes.filter(({ limb }) => limb === 'left hand')).toHaveLength(8);
  expect(said(openHanded(moveLine(crossed, 'right hand', 'ride').groove))).toContain('do not cross');
  const behind = done(leanLimb(crossed, 'left hand', 18));
  expect(behind.lean).toEqual({ 'left hand': 18 });
  expect(mirrorHands(behind).groove.lean).toEqual({ 'right hand': 18 });
  expect(done(leanLimb(behind, 'left hand', 0))).toEqual(crossed);
  expect(said(leanLimb(crossed, 'left hand', 41))).toContain('no lean');
});

test('counted in pulses or in all its numbers, what is heard stays', () => {
  const twelve: Groove = {
    ...oneLine('tttt'),
    reading: 'numbers',
    tempo: 174,
    bars: [{ meter: meterOf('12/8'), cells: Array.from({ length: 12 }, () => ({ counts: 1, parts: 1 })), strokes: [] }],
  };
  const pulses = done(readAs(twelve, 'pulse'));
  expect([pulses.tempo, pulses.bars[0]!.cells]).toEqual([
    58,
    Array.from({ length: 4 }, () => ({ counts: 1, parts: 3 })),
  ]);
  expect(done(readAs(pulses, 'numbers'))).toEqual(twelve);
  expect(said(readAs(oneLine('tttt'), 'pulse'))).toContain('no dotted pulses');
  expect(said(readAs({ ...pulses, tempo: 140 }, 'numbers'))).toContain('420');
});

describe('the same figure under another bottom number', () => {
  const seven = oneLine('t.t.t.t', 'right hand', 66.6, '7/4');

  test('every count keeps its strokes and its tempo', () => {
    const eighths = done(sameFigureOver(seven, 8));
    expect(eighths).toMatchObject({ tempo: 66.6, bars: [{ meter: { beats: 7, unit: 8 } }] });
    expect(places(eighths)).toEqual(['0', '1/4', '1/2', '3/4']);
    expect(done(sameFigureOver(eighths, 4))).toEqual(seven);
  });

  test('pairs that swing go with it, or are in the way', () => {
    const swung = { ...seven, swing: { value: '8th', ratio: '2' } } as const;
    expect(done(sameFigureOver(swung, 8)).swing).toEqual({ value: '16th', ratio: '2' });
    expect(refusal(sameFigureOver(swung, 16))).toContain('cannot');
    const pulses = done(readAs(oneLine('tttttt', 'right hand', 90, '6/8'), 'pulse'));
    expect(refusal(sameFigureOver(pulses, 4))).toContain('pulses');
  });
});

test('a tempo counted otherwise and back is what it was', () => {
  fc.assert(
    fc.property(fc.integer({ min: 800, max: 3000 }), fc.constantFrom(8 as const, 16 as const), (tenths, unit) => {
      const groove = oneLine('t...t...', 'right hand', tenths / 10);
      const there = otherBottomNumber(groove, unit);
      if (there.ok) expect(done(otherBottomNumber(there.value.groove, 4)).tempo).toBe(tenths / 10);
      const twelve = oneLine('t..t..t..t..', 'right hand', tenths / 10, '12/8');
      const pulses = done(readAs(twelve, 'pulse'));
      expect(done(readAs(pulses, 'numbers')).tempo).toBe(tenths / 10);
    }),
  );
});
