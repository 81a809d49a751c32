import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { anyGroove, meterOf, oneLine } from '../testing/arbitrary';
import { add, div, equal, format, frac, mul, ZERO } from '../time/fraction';
import { barLength, type Reading } from '../grid/meter';
import type { Bar, Stroke } from './groove';
import { slotsOfBar, type Cell } from '../grid/cells';
import { isHand } from './limbs';
import { beamGroups, writtenBar, type WrittenNote, type WrittenVoice } from './notation';
import { runs } from '../testing/runs';

/** A voice said in letters: value, dot, "r" for a rest, "*" for a tuplet. */
const said = (voice: WrittenVoice) =>
  voice.notes
    .map(
      ({ value, dots, strokes, tuplet }) =>
        `${strokes.length ? '' : 'r'}${value}${'.'.repeat(dots)}${tuplet === undefined ? '' : '*'}`,
    )
    .join(' ');
const hands = (text: string) => writtenBar(oneLine(text).bars[0]!, 'numbers').hands;

/** One bar of any cells with the right hand on the slots of the given numbers. */
function barOf(meter: string, cells: Cell[], struck: number[], reading: Reading = 'numbers'): Bar {
  const slots = slotsOfBar(meterOf(meter), reading, cells);
  return {
    meter: meterOf(meter),
    cells,
    strokes: struck.map((index): Stroke => ({
      limb: 'right hand',
      surface: 'snare',
      at: slots[index]!.at,
      height: 'tap',
    })),
  };
}

describe('what a bar looks like on the stave', () => {
  test('8ths, 16ths and what is between them', () => {
    expect(said(hands('tttttttt'))).toBe('8 8 8 8 8 8 8 8');
    expect(said(hands('t.......'))).toBe('4 r4 r4 r4');
    expect(said(hands('t... .t.. ..t. ...t'))).toBe('4 r16 8. r8 8 r8 r16 16');
    expect(said(hands('tt.t t.tt ttt. t..t'))).toBe('16 8 16 8 16 16 16 16 8 8. 16');
  });

  test('triplets: whole, without the middle, without the first, and 1 alone as a plain quarter', () => {
    expect(said(hands('ttt t.t .tt t..'))).toBe('8* 8* 8* 4* 8* r8* 8* 8* 4');
    expect(hands('ttt t.t .tt t..').tuplets).toEqual(Array.from({ length: 3 }, () => ({ notes: 3, inTimeOf: 2 })));
  });

  test('tuplets over two and four counts, in a pulse, and of dotted notes', () => {
    const over = (meter: string, cells: Cell[], reading: Reading = 'numbers') => {
      const slots = slotsOfBar(meterOf(meter), reading, cells);
      return writtenBar(
        barOf(
          meter,
          cells,
          slots.map((_, index) => index),
          reading,
        ),
        reading,
      ).hands;
    };
    const quarters = over('4/4', [
      { counts: 2, parts: 3 },
      { counts: 2, parts: 3 },
    ]);
    expect([said(quarters), quarters.tuplets[0]]).toEqual(['4* 4* 4* 4* 4* 4*', { notes: 3, inTimeOf: 2 }]);
    expect(said(over('4/4', [{ counts: 4, parts: 3 }]))).toBe('2* 2* 2*');
    expect(
      said(
        over(
          '6/8',
          [3, 2].map((parts) => ({ counts: 1, parts })),
          'pulse',
        ),
      ),
    ).toBe('8 8 8 8. 8.');
    expect(over('9/8', [{ counts: 3, parts: 4 }], 'pulse').tuplets).toEqual([{ notes: 4, inTimeOf: 3 }]);
    expect(
      over(
        '4/4',
        [5, 6, 7, 8].map((parts) => ({ counts: 1, parts })),
      ).tuplets,
    ).toEqual([
      { notes: 5, inTimeOf: 4 },
      { notes: 6, inTimeOf: 4 },
      { notes: 7, inTimeOf: 4 },
    ]);
  });

  test('a stretch no single note can last is parted', () => {
    expect(said(writtenBar(barOf('9/8', [{ counts: 3, parts: 1 }], [0], 'pulse'), 'pulse').hands)).toBe('2. r4.');
    expect(said(writtenBar(barOf('4/2', [{ counts: 4, parts: 1 }], [0]), 'numbers').hands)).toBe('1 r1');
  });

  test('beams follow the counts, the grouping, the pulses; a rest parts them', () => {
    const beams = (voice: WrittenVoice) => voice.notes.map(({ beam }) => beam ?? '-').join('');
    expect(beams(hands('tttttttt'))).toBe('00112233');
    expect(beams(hands('tttt .t.t t... ..tt'))).toBe('0000-11--22');
    const seven = (meter: string) =>
      beams(
        writtenBar(
          barOf(
            meter,
            Array.from({ length: 7 }, () => ({ counts: 1, parts: 1 })),
            [0, 1, 2, 3, 4, 5, 6],
          ),
          'numbers',
        ).hands,
      );
    expect(seven('7/8')).toBe('0011222');
    expect(seven('7/8 (3+2+2)')).toBe('0001122');
    expect(beamGroups(meterOf('15/16'), 'numbers').map(format)).toEqual(['0', '3/16', '3/8', '9/16', '3/4']);
    expect(beamGroups(meterOf('5/4'), 'numbers')).toHaveLength(5);
  });
});

/** How long a note really is: its value, dots and tuplet together. */
function lasts({ value, dots, tuplet }: WrittenNote, voice: WrittenVoice) {
  const plain = mul(frac(1, value), dots ? frac(3, 2) : frac(1));
  const of = tuplet === undefined ? undefined : voice.tuplets[tuplet]!;
  return of ? mul(plain, div(frac(of.inTimeOf), frac(of.notes))) : plain;
}

test('any bar: notes and rests fill it exactly, each as long as it is written, every stroke once', () => {
  fc.assert(
    fc.property(anyGroove(), (groove) => {
      for (const bar of groove.bars) {
        const { hands: up, feet: down } = writtenBar(bar, groove.reading);
        for (const [voice, own] of [
          [up, bar.strokes.filter(({ limb }) => isHand(limb))],
          [down, bar.strokes.filter(({ limb }) => !isHand(limb))],
        ] as const) {
          expect(voice.notes.flatMap(({ strokes }) => strokes)).toHaveLength(own.length);
          if (!own.length) continue;
          let at = ZERO;
          for (const note of voice.notes) {
            expect(equal(note.at, at)).toBe(true);
            expect(format(lasts(note, voice))).toBe(format(note.length));
            for (const stroke of note.strokes) expect(equal(stroke.at, note.at)).toBe(true);
            at = add(at, note.length);
          }
          expect(format(at)).toBe(format(barLength(bar.meter)));
        }
      }
    }),
    runs(60),
  );
});

test.each([
  ['4/4', 'numbers', '0 1/4 1/2 3/4'],
  ['2/2', 'numbers', '0 1/2'],
  ['2/8', 'numbers', '0'],
  ['3/8', 'numbers', '0'],
  ['4/8', 'numbers', '0 1/4'],
  ['5/8', 'numbers', '0 1/4'],
  ['7/8', 'numbers', '0 1/4 1/2'],
  ['8/8', 'numbers', '0 1/4 1/2 3/4'],
  ['6/8', 'numbers', '0 3/8'],
  ['6/8', 'pulse', '0 3/8'],
  ['6/4', 'numbers', '0 1/4 1/2 3/4 1 5/4'],
  ['3/16', 'numbers', '0'],
  ['4/16', 'numbers', '0'],
  ['5/16', 'numbers', '0 1/4'],
  ['12/16', 'pulse', '0 3/16 3/8 9/16'],
  ['15/16', 'numbers', '0 3/16 3/8 9/16 3/4'],
  ['7/8 (3+2+2)', 'numbers', '0 3/8 5/8'],
] as const)('%s in %s is beamed from %s', (meter, reading, starts) => {
  expect(beamGroups(meterOf(meter), reading).map(format).join(' ')).toBe(starts);
});
