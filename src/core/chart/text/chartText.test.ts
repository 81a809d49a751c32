import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  chartFormShape,
  DYNAMICS,
  FREE_KINDS,
  JUMPS,
  SIGNS,
  CHART_FEELS,
  type ChartForm,
  type ChartSection,
  type Marks,
} from '../../documents/chart';
import { cases } from '../../testing/vectors';
import { NOTE_VALUES, type NoteValue } from '../../time/noteValue';
import { chartInWords } from './chartInWords';
import { readChartText } from './chartText';
import { unroll } from '../play/unroll';
import { runs } from '../../testing/runs';

const read = (text: string): ChartForm => {
  const answer = readChartText(text);
  if (!answer.ok) throw new Error(answer.problems[0].say);
  return answer.value;
};
/** What is not understood: the words it points at, and what is said of them. */
const wrong = (text: string) => {
  const answer = readChartText(text);
  if (answer.ok) return 'read';
  const [{ from, to, code }] = answer.problems;
  return `${code}: ${text.slice(from, to)}`;
};

describe('read aloud', () => {
  test('the intro rests, a section is felt, hits, the jump after it', () => {
    expect(read('intro 8 rest; A 16 shuffle, hits: let of 4 in bar 8; D.S. al coda')).toEqual({
      tempo: { beat: 'quarter', bpm: '100' },
      meter: '4/4',
      feel: 'straight',
      sections: [
        { name: 'intro', bars: 8, at: { 1: { rest: 8 } } },
        {
          name: 'A',
          bars: 16,
          at: { 1: { feel: 'shuffle' }, 8: { hits: ['let of 4'] }, 16: { jump: 'D.S. al Coda' } },
        },
      ],
    });
  });

  test('a waltz with endings, its tag and what is held', () => {
    const form = read(
      '3/4 at 96\nA 7, 4 times, ending 1-3: 1 bar, ending 4: 3 bars\ntag 2 bars, hold 3 by 1/2 in bar 2',
    );
    expect(form).toEqual(
      cases<{ id: string; form: unknown }>('charts').find(({ id }) => id === 'fourth-time-out')!.form,
    );
  });

  test('what belongs to the last bar, and to an ending', () => {
    const form = read(
      'swing, dotted quarter = 60.5; A 4, sign, to coda, 2 times, first ending 2 6/8, second ending 1, Fine, f; coda 2, coda, D.C. al Fine every time',
    );
    expect(form.tempo).toEqual({ beat: 'dotted quarter', bpm: '605/10' });
    expect(form.feel).toBe('swing 8ths');
    expect(form.sections).toEqual([
      {
        name: 'A',
        bars: 4,
        times: 2,
        at: { 1: { signs: ['segno'] }, 4: { signs: ['to coda'] } },
        endings: [
          { for: [1], bars: 2, at: { 1: { meter: '6/8' } } },
          { for: [2], bars: 1, at: { 1: { signs: ['fine'], dynamic: 'f' } } },
        ],
      },
      { name: 'coda', bars: 2, at: { 1: { signs: ['coda'] }, 2: { jump: 'D.C. al Fine', every: true } } },
    ]);
  });

  test('sections within sections, names and words in quotation marks', () => {
    expect(read('verse (A 4, 2 times; "B, the second" 2), 2 times; C 1, say "look up; now"').sections).toEqual([
      {
        name: 'verse',
        times: 2,
        parts: [
          { name: 'A', bars: 4, times: 2 },
          { name: 'B, the second', bars: 2 },
        ],
      },
      { name: 'C', bars: 1, at: { 1: { say: 'look up; now' } } },
    ]);
  });

  /** The same chart said otherwise. */
  const ALIKE: [said: string, as: string][] = [
    // What holds from the start.
    ['120 bpm; A 8', 'quarter at 120; A 8'],
    ['tempo: 96, swing feel; A 8', 'quarter at 96, swing 8ths; A 8'],
    ['♩. = 60, 6/8; A 8', 'dotted quarter at 60, 6/8; A 8'],
    ['4/4 quarter=132; A 8', '4/4, quarter at 132; A 8'],
    ['quarter at 120, A 8', 'quarter at 120; A 8'],
    ['6/8, dotted quarter at 60, Low water 8, f', '6/8, dotted quarter at 60; "Low water" 8, f'],
    // And what holds from a section on, before it.
    ['A 8, to coda; 6/8, shuffle, B 4, f', 'A 8, to coda; B 4, 6/8, shuffle, f'],
    ['A 8, f; shuffle', 'A 8, f, shuffle'],
    ['A 8, hold 4 by a half note in bar 8, hold 1 by a dotted quarter', 'A 8, hold 4 by 1/2 in bar 8, hold 1 by 3/8'],
    ['A 8; D.S. al Coda, coda 4', 'A 8, D.S. al Coda; coda 4, coda'],
    // Sections and how long they are.
    ['intro: 4 bars; Verse 1: 16; Chorus - 8 bars', 'intro 4; "Verse 1" 16; Chorus 8'],
    ['Verse 1 16 bars; Chorus 2 8 x2', '"Verse 1" 16; "Chorus 2" 8, 2 times'],
    ['intro, 4 bars; A (eight bars)', 'intro 4; A 8'],
    ['8 bars of intro; 16 bars verse; 8-bar chorus', 'intro 8; verse 16; chorus 8'],
    ['A 16, 4 bars rest in bar 5', 'A 16, rest 4 in bar 5'],
    ['intro 4, 8 bars of verse', 'intro 4; verse 8'],
    ['4 bars rest; A 8', '"rest" 4, rest 4; A 8'],
    ['A: 8 bars, B: 8 bars, then A 8', 'A 8; B 8; A 8'],
    [
      'A 8 twice; B 8, repeat 3 times; |: C 8 :|; D 4, repeat; end',
      'A 8, 2 times; B 8, 3 times; C 8, 2 times; D 4, 2 times',
    ],
    // Endings.
    ['A 7, 1st ending 1 bar, 2nd ending 1 bar', 'A 7, 2 times, ending 1: 1, ending 2: 1'],
    ['A 8, 1st ending bars 7-8, 2nd ending bars 9 to 10', 'A 6, 2 times, ending 1: 2, ending 2: 2'],
    // Hits, and where they are.
    ['A 8, hits on 1 and the & of 2 in bar 4', 'A 8, hits: 1, & of 2 in bar 4'],
    [
      'A 8, hits: 1, 4& in bars 2, 4 and 6',
      'A 8, hits: 1, & of 4 in bar 2, hits: 1, & of 4 in bar 4, hits: 1, & of 4 in bar 6',
    ],
    ['A 8, short hits: 1, the and of 2 in the last bar', 'A 8, hits: short 1, & of 2 in bar 8'],
    ['A 8, stabs on 2 then 4 every 4 bars', 'A 8, hits: 2, 4 in bar 4, hits: 2, 4 in bar 8'],
    // What holds for some bars.
    ['A 16, drum solo bars 9-16', 'A 16, solo 8 in bar 9'],
    ['A 16, solo in the last 4 bars', 'A 16, solo 4 in bar 13'],
    ['A 8, crescendo bars 5 to 8, ff in bar 8', 'A 8, swell to f over 4 in bar 5, ff in bar 8'],
    ['A 8, dim. to pp over 2 bars at the end', 'A 8, swell to pp over 2 in bar 8'],
    ['A 8, repeat the previous bar in bars 2 3 4', 'A 8, same 1 in bar 2, same 1 in bar 3, same 1 in bar 4'],
    ['A 8 forte, B 8 pianissimo', 'A 8, f; B 8, pp'],
    // Words and what is held.
    ['A 8, fermata on 4 in bar 8; B 4, hold 1', 'A 8, hold 4 by 1/2 in bar 8; B 4, hold 1 by 1/2'],
    ['A 8, words: brushes in bar 3, rit. in bar 8', 'A 8, say "brushes" in bar 3, say "rit." in bar 8'],
    ['A 8 half-time, "look up" in bar 2', 'A 8, say "half-time", say "look up" in bar 2'],
    // Signs and jumps.
    [
      'A 8, sign; B 8, to coda; C 8, dal segno al coda; Coda 4',
      'A 8, segno; B 8, to coda; C 8, D.S. al Coda; Coda 4, coda',
    ],
    ['A 8, Fine; B 8, da capo al fine', 'A 8, Fine; B 8, D.C. al Fine'],
  ];
  test.each(ALIKE)('%s', (said, as) => expect(read(said)).toEqual(read(as)));

  test.each([
    ['', 'no-section: '],
    ['q = ; A 8', 'not-understood: q ='],
    ['A 8, flam 3', 'not-understood: flam 3'],
    ['A 8, swell', 'not-understood: swell'],
    ['A 8, hold often', 'not-understood: hold often'],
    ['A 8, every bar', 'not-understood: every bar'],
    ['swing at 140', 'no-section: swing at 140'],
    ['A 0', 'out-of-bounds: A 0'],
    ['A 8, rest 900', 'out-of-bounds: A 8, rest 900'],
    ['A 8, wobble', 'not-understood: wobble'],
    ['A 8; B', 'not-understood: B'],
    ['A 8, hits: often', 'not-understood: often'],
    ['A 8, shuffle, straight', 'said-twice: straight'],
    ['f; A 8', 'before-sections: f'],
    ['4/5; A 8', 'no-meter: 4/5'],
    ['quarter at 0; A 8', 'out-of-bounds: quarter at 0; A 8'],
    ['A (B 4; C 4', 'not-closed: A (B 4; C 4'],
    [`A ${'x'.repeat(20_001)}`, `too-long: A ${'x'.repeat(20_001)}`],
  ])('%j is told at its place', (text, said) => expect(wrong(text)).toBe(said));
});

test('the exact charts are written and read to the same', () => {
  for (const { id, form } of cases<{ id: string; form: unknown }>('charts')) {
    const was = chartFormShape.parse(form);
    expect([id, read(chartInWords(was))]).toEqual([id, was]);
  }
});

const some = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined, freq: 6 });
const values = Object.keys(NOTE_VALUES) as NoteValue[];
const dynamic = fc.constantFrom(...DYNAMICS);
const bars = fc.integer({ min: 1, max: 40 });
const count = fc.constantFrom('1', '4', '& of 2', 'short let of 3', 'a of 1', 'long 4', 'trip of 4');
const anyMarks: fc.Arbitrary<Marks> = fc
  .record({
    meter: some(fc.constantFrom('3/4', '6/8', '7/8 (2+2+3)')),
    tempo: some(fc.record({ beat: fc.constantFrom(...values), bpm: fc.constantFrom('72', '189/2') })),
    change: some(fc.record({ old: fc.constantFrom(...values), new: fc.constantFrom(...values) })),
    feel: some(fc.constantFrom(...CHART_FEELS)),
    signs: some(fc.uniqueArray(fc.constantFrom(...SIGNS), { minLength: 1 })),
    jump: some(fc.constantFrom(...JUMPS)),
    rest: some(bars),
    same: some(bars),
    hits: some(fc.array(count, { minLength: 1, maxLength: 3 })),
    dynamic: some(dynamic),
    swell: some(fc.record({ to: dynamic, bars })),
    fermata: some(fc.record({ on: count, more: fc.constantFrom('1/2', '1', '3/8') })),
    free: some(fc.record({ as: fc.constantFrom(...FREE_KINDS), bars })),
    say: some(fc.stringMatching(/^[a-z][a-z ,;()]{0,20}[a-z]$/)),
  })
  .map((marks) => Object.fromEntries(Object.entries(marks).filter(([, value]) => value !== undefined)) as Marks)
  .filter((marks) => Object.keys(marks).length > 0);
const anyAt = fc.option(
  fc.dictionary(fc.integer({ min: 1, max: 9 }).map(String), anyMarks, { minKeys: 1, maxKeys: 3 }),
  { nil: undefined },
);
const anySection: fc.Arbitrary<ChartSection> = fc
  .record({
    name: fc.constantFrom('A', 'B', 'intro', 'solo', 'the bridge', 'A, again', 'rest 4', '3rd'),
    bars: fc.integer({ min: 1, max: 99 }),
    times: some(fc.integer({ min: 1, max: 9 })),
    at: anyAt,
    endings: some(
      fc.array(
        fc.record({
          for: fc.uniqueArray(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 3 }),
          bars,
          at: anyAt,
        }),
        { minLength: 1, maxLength: 3 },
      ),
    ),
    isOuter: fc.boolean(),
  })
  .map(({ isOuter, name, bars: many, times, at, endings }) => ({
    name,
    ...(isOuter ? { parts: [{ name: 'in', bars: many, ...(at && { at }) }] } : { bars: many, ...(at && { at }) }),
    // With a second ending it is always said how often.
    ...((times !== undefined || endings?.some((one) => one.for.some((time) => time > 1))) && { times: times ?? 1 }),
    ...(endings && { endings: endings.map(({ at: marks, ...one }) => ({ ...one, ...(marks && { at: marks }) })) }),
  }));

test('whatever a chart is, it is written and read to the same', () => {
  fc.assert(
    fc.property(fc.array(anySection, { minLength: 1, maxLength: 4 }), fc.boolean(), (sections, pickup) => {
      const form: ChartForm = {
        tempo: { beat: 'half', bpm: '88' },
        meter: '4/4',
        feel: 'shuffle',
        sections,
        ...(pickup && { pickup }),
      };
      expect(chartFormShape.parse(form)).toEqual(form);
      expect(read(chartInWords(form))).toEqual(form);
    }),
    runs(300),
  );
});

test('whatever is typed, it is read or told at a place within it', () => {
  const word = fc.constantFrom(
    'A',
    'B 8',
    '16',
    'shuffle',
    'hits:',
    'let of 4',
    'in bar 3',
    '(',
    ')',
    ';',
    ',',
    '"',
    'D.S.',
    'rest',
    '2 times',
    'ending 1:',
    '\n',
    '=',
    'quarter',
  );
  fc.assert(
    fc.property(fc.array(word, { maxLength: 20 }), (words) => {
      const text = words.join(' ');
      const answer = readChartText(text);
      if (answer.ok) {
        expect(chartFormShape.parse(answer.value)).toEqual(answer.value);
        unroll(answer.value);
        return;
      }
      const [{ from, to }] = answer.problems;
      expect(0 <= from && from <= to && to <= text.length).toBe(true);
    }),
    runs(1000),
  );
});
