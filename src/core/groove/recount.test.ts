import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { meterOf, oneLine } from '../testing/arbitrary';
import { code, done, heard, inOrder, places, refusal, said } from '../testing/transforms';
import type { Groove } from './groove';
import { otherBottomNumber, readAs, sameFigureOver } from './recount';
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

describe('counted otherwise', () => {
  const six = (text: string): Groove => oneLine(text, 'right hand', 90, '6/8');

  test('says how, and leaves alone what is counted so already', () => {
    const groove = six('tttttt');
    const same = readAs(groove, 'numbers');
    expect([same.ok && same.value.groove, said(same)]).toEqual([groove, 'It is counted so already.']);
    const pulses = readAs(groove, 'pulse');
    expect(said(pulses)).toBe('6/8 is now counted in pulses, 30 a minute; what is heard stays.');
    expect(said(readAs({ ...done(pulses), tempo: 30.005 }, 'numbers'))).toBe(
      '6/8 is now counted in all its numbers, 90.02 a minute; what is heard stays.',
    );
  });

  test('needs dotted pulses in every bar', () => {
    const groove = six('tttttt');
    const mixed: Groove = { ...groove, bars: [...groove.bars, ...oneLine('tttt').bars] };
    expect(code(readAs(mixed, 'pulse'))).toBe('no-pulses');
    expect(done(readAs({ ...groove, bars: [groove.bars[0]!, groove.bars[0]!] }, 'pulse')).bars).toHaveLength(2);
  });

  test('where no grid holds the slots those of the strokes are held, or nothing can be done', () => {
    // Five in the first 8th, of which one is struck: pulses have no grid for all of them.
    const bar = six('tttttt').bars[0]!;
    const cells = bar.cells.with(0, { counts: 1, parts: 5 });
    const sparse: Groove = { ...six('tttttt'), bars: [{ ...bar, cells }] };
    expect(heard(done(readAs(sparse, 'pulse')))).toEqual(heard(sparse));
    const fifth = { ...bar.strokes[0]!, at: { n: 1, d: 40 } };
    const dense: Groove = { ...sparse, bars: [bar, { ...bar, cells, strokes: [fifth, ...bar.strokes] }] };
    expect(code(readAs(dense, 'pulse'))).toBe('no-grid');
  });

  test('at a tempo that can be counted: twenty to three hundred, both of them', () => {
    expect(done(readAs({ ...six('tttttt'), tempo: 60 }, 'pulse')).tempo).toBe(20);
    const slow = readAs({ ...six('tttttt'), tempo: 59 }, 'pulse');
    expect(said(slow)).toBe('The counts would go by at 20 a minute.');
    expect(!slow.ok && slow.problems[0]!.numbers).toEqual({ slowest: 20, fastest: 300 });
    expect(done(otherBottomNumber(oneLine('tttt', 'right hand', 150), 8)).tempo).toBe(300);
    expect(code(otherBottomNumber(oneLine('tttt', 'right hand', 151), 8))).toBe('tempo-out-of-range');
  });
});

describe('another bottom number', () => {
  test('of at most 32 counts a bar, whole ones, among those that are written', () => {
    expect(done(otherBottomNumber(oneLine('tttt tttt', 'right hand', 40, '8/4'), 16)).bars[0]!.meter.beats).toBe(32);
    expect(code(otherBottomNumber(oneLine('ttt ttt ttt', 'right hand', 40, '9/4'), 16))).toBe('no-such-unit');
    expect(refusal(otherBottomNumber(oneLine('ttt ttt t', 'right hand', 90, '7/8'), 4))).toBe(
      '7/8 cannot be written over 4.',
    );
    expect(code(otherBottomNumber(oneLine('tttt'), 64 as 16))).toBe('no-such-unit');
  });

  test('keeps the pulses of a compound meter, and its slots', () => {
    const pulses = done(readAs(oneLine('t.t.t. t.t.t.', 'right hand', 120, '6/8'), 'pulse'));
    const sixteenths = otherBottomNumber(pulses, 16);
    expect(done(sixteenths)).toMatchObject({ reading: 'pulse', tempo: 80 });
    expect(said(sixteenths)).toBe('The same notes: 6/8 at 40 is 12/16 at 80.');
    // Three quarters have no pulses.
    expect(done(otherBottomNumber(pulses, 4))).toMatchObject({ reading: 'numbers', tempo: 60 });
    const sparse = otherBottomNumber(oneLine('t.......', 'right hand', 50.005), 8);
    expect(done(sparse).bars[0]!.cells).toEqual(Array.from({ length: 8 }, () => ({ counts: 1, parts: 1 })));
    expect(said(sparse)).toBe('The same notes: 4/4 at 50.01 is 8/8 at 100.01.');
  });
});

describe('the same figure', () => {
  test('in one meter alone; its swing as notes that can swing', () => {
    const seven = oneLine('t.t.t.t', 'right hand', 66, '7/4');
    const mixed: Groove = { ...seven, bars: [...seven.bars, ...oneLine('tttttt', 'right hand', 66, '6/8').bars] };
    expect(code(sameFigureOver(mixed, 8))).toBe('meter-changes');
    const threes: Groove = { ...seven, bars: [...seven.bars, ...oneLine('ttt', 'right hand', 66, '3/4').bars] };
    const answer = sameFigureOver(threes, 8);
    expect(inOrder(done(answer))).toEqual([
      ['0', '1/4', '1/2', '3/4'],
      ['0', '1/8', '1/4'],
    ]);
    expect(said(answer)).toBe('The same figure: 7/4 is 7/8, each count as long as before.');
    const swung = (value: '8th' | '16th', meter: string): Groove => ({
      ...oneLine('tttttttt', 'right hand', 66, meter),
      swing: { value, ratio: '2' },
    });
    expect(done(sameFigureOver(swung('16th', '8/8'), 4)).swing).toEqual({ value: '8th', ratio: '2' });
    expect(code(sameFigureOver(swung('16th', '8/8'), 16))).toBe('no-such-swing');
    expect(code(sameFigureOver(swung('8th', '8/8'), 4))).toBe('no-such-swing');
    expect(done(sameFigureOver(swung('8th', '8/8'), 16)).swing).toEqual({ value: '16th', ratio: '2' });
  });
});
