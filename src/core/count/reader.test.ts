import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cellsOfDivisions, slotsOfBar, type Cell } from '../grid/cells';
import { meterOf } from '../testing/arbitrary';
import { equal, format } from '../time/fraction';
import type { Reading } from '../grid/meter';
import { readSpoken } from './reader';
import { sayPlace } from './sayPlace';
import { SCHOOLS, schoolNamed } from './schools';
import type { SpokenBar } from './spoken';
import { cases } from '../testing/vectors';

const barOf = (meter: string, grid: number | number[] | Cell[], reading: Reading = 'numbers'): SpokenBar => ({
  meter: meterOf(meter),
  reading,
  cells: cellsOfDivisions(meterOf(meter), reading, grid),
});
const school = SCHOOLS[0];
const sixteenths = [barOf('4/4', 4)];
const placesIn = (text: string, bars = sixteenths) => readSpoken(text, bars, school).places.map(({ at }) => format(at));
const strokesIn = (text: string, bars = sixteenths) =>
  readSpoken(text, bars, school).places.map(({ limb, surface, at, height, ornament, remove }) =>
    [limb, surface, format(at), height, ornament, remove || undefined].filter(Boolean).join(' '),
  );

describe('places as they are said', () => {
  interface Case {
    say: string;
    meter: string;
    reading: Reading;
    division: number;
    school: string;
    at: string[];
  }
  test.each(cases<Case>('positions'))(
    '$say in $meter by $division, $school',
    ({ say, meter, reading, division, school: name, at }) => {
      const { places, problems } = readSpoken(say, [barOf(meter, division, reading)], schoolNamed(name));
      expect(problems).toEqual([]);
      expect(places.map((place) => format(place.at))).toEqual(at);
    },
  );
});

describe('what is no place points at its word and says what would work', () => {
  interface Case {
    say: string;
    meter: string;
    division: number;
    school: string;
    wrongPart: string;
  }
  test.each(cases<Case>('positionErrors'))('$say', ({ say, meter, division, school: name, wrongPart }) => {
    const { problems } = readSpoken(say, [barOf(meter, division)], schoolNamed(name));
    expect(say.slice(problems[0]!.from, problems[0]!.to)).toBe(wrongPart);
    expect(problems[0]!.say.length + problems[0]!.remedy.length).toBeGreaterThan(20);
    expect(problems[0]!.remedy).not.toBe('');
  });

  test('8ths have no e: divide the count, or say what it has', () => {
    const { problems } = readSpoken('e of 2', [barOf('4/4', 2)], school);
    expect(problems[0]).toMatchObject({
      say: 'Count 2 is divided by 2 and has no e.',
      remedy: 'Divide count 2 by 4, or say &.',
    });
    expect(problems[0]!.remedies).toEqual([
      { words: 'divide count 2 by 4', bar: 0, count: 2, parts: 4 },
      { words: 'say &', replace: '&' },
    ]);
  });

  test('what can be read is placed all the same', () => {
    const { places, problems } = readSpoken('e of 1, q of 2, a of 3', sixteenths, school);
    expect(places.map(({ at }) => format(at))).toEqual(['1/16', '11/16']);
    expect(problems).toHaveLength(1);
  });

  test('a syllable that a count has twice asks which', () => {
    const bars = [barOf('4/4', 6)];
    const { problems } = readSpoken('trip of 2', bars, school);
    expect(problems[0]!.remedies.map(({ words }) => words)).toEqual(['first trip', 'second trip']);
    expect(placesIn('second trip of 2', bars)).toEqual(['5/12']);
  });

  test('a count inside a quarter triplet has no slot', () => {
    const bars = [
      barOf('4/4', [
        { counts: 2, parts: 3 },
        { counts: 1, parts: 2 },
        { counts: 1, parts: 2 },
      ]),
    ];
    expect(readSpoken('2', bars, school).problems[0]!.say).toContain('inside a tuplet');
    expect(placesIn('let of 1', bars)).toEqual(['1/3']);
  });
});

test.each([
  ['right foot on the a of 1 and the & of 3', ['3/16', '5/8']],
  ['1 and & of 3', ['0', '5/8']],
  ['2 and', ['3/8']],
  ['2 e and a', ['5/16', '3/8', '7/16']],
  ['every count', ['0', '1/4', '1/2', '3/4']],
  ['every a, 3', ['3/16', '7/16', '1/2', '11/16', '15/16']],
  ['8ths', ['0', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8']],
  ['quarters', ['0', '1/4', '1/2', '3/4']],
  ['slot 3 of 2', ['3/8']],
  ['4, 1, 4', ['0', '3/4']],
  ['', []],
])('"%s"', (text, places) => {
  const read = readSpoken(text, sixteenths, school);
  expect(read.problems).toEqual([]);
  expect(read.places.map(({ at }) => format(at))).toEqual(places);
});

describe('the words round a place', () => {
  test('a limb holds, a height with a comma holds for its clause, one right before a place for that place', () => {
    expect(strokesIn('left hand, ghost, e of 1 and 3; loud 2 and 4; flam on 4')).toEqual([
      'left hand 1/16 ghost',
      'left hand 1/4 accent',
      'left hand 9/16 ghost',
      'left hand 3/4 flam',
    ]);
    expect(strokesIn('left hand: e of 1, loud 2, a of 3, loud 4')).toEqual([
      'left hand 1/16',
      'left hand 1/4 accent',
      'left hand 11/16',
      'left hand 3/4 accent',
    ]);
  });

  test('a surface alone names its limb; a hand before it keeps the hand', () => {
    expect(strokesIn('kick 1 and 3; snare 2; left hand ride 4')).toEqual([
      'right foot kick 0',
      'left hand snare 1/4',
      'right foot kick 1/2',
      'left hand ride 3/4',
    ]);
    expect(strokesIn('open hat & of 4; hat pedal 2')).toEqual(['left foot hat pedal 1/4', 'right hand open hat 7/8']);
  });

  test('no and remove take out', () => {
    expect(strokesIn('kick 1, no 3')).toEqual(['right foot kick 0', 'right foot kick 1/2 true']);
  });

  test('bars by their number; a bar that is not there is said', () => {
    const two = [...sixteenths, ...sixteenths];
    expect(readSpoken('1, bar 2 e of 1', two, school).places.map(({ bar, at }) => [bar, format(at)])).toEqual([
      [0, '0'],
      [1, '1/16'],
    ]);
    expect(readSpoken('bar 3, 1', two, school).problems[0]).toMatchObject({ where: '“3”', remedy: 'Say bar 1 to 2.' });
  });
});

test('every place that is said is read back to its own slot, in every school and grid', () => {
  const anyBar = fc
    .constantFrom('4/4', '7/8', '12/8', '3/4', '5/16')
    .chain((meter) =>
      fc
        .array(fc.integer({ min: 1, max: 8 }), { minLength: meterOf(meter).beats, maxLength: meterOf(meter).beats })
        .map((grid) => barOf(meter, grid)),
    );
  fc.assert(
    fc.property(anyBar, fc.constantFrom(...SCHOOLS), (bar, one) => {
      for (const slot of slotsOfBar(bar.meter, bar.reading, bar.cells)) {
        const said = sayPlace(bar, slot.at, one)!;
        const { places, problems } = readSpoken(said, [bar], one);
        expect(problems, said).toEqual([]);
        expect(places.length === 1 && equal(places[0]!.at, slot.at), `${said} in ${one.name}`).toBe(true);
      }
    }),
  );
});

test('whatever is typed, it answers', () => {
  const words = fc.constantFrom(
    '1',
    '2',
    '9',
    '0',
    'e',
    '&',
    'and',
    'a',
    'trip',
    'of',
    'every',
    'loud',
    'flam',
    'left hand',
    'kick',
    ',',
    ';',
    'bar',
    'slot',
    'no',
    'first',
    '8ths',
    'zz',
  );
  fc.assert(
    fc.property(fc.array(words, { maxLength: 12 }), fc.string({ maxLength: 8 }), (all, tail) => {
      const text = `${all.join(' ')} ${tail}`;
      for (const { from, to } of readSpoken(text, sixteenths, school).problems) {
        expect(from).toBeGreaterThanOrEqual(0);
        expect(to).toBeLessThanOrEqual(text.length);
      }
    }),
    { numRuns: 500 },
  );
});
