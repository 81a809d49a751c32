import { expect, test } from 'vitest';
import { sayOn } from '../phrase/say';
import { SCHOOLS } from '../counting/schools';
import { writeGroove } from '../documents/groove';
import type { RuleJson } from '../documents/rule';
import { cellsOfDivisions } from '../grid/cells';
import { formatMeter } from '../grid/meter';
import type { Bar, Groove } from '../groove/groove';
import { meterOf } from '../testing/arbitrary';
import { cases } from '../testing/vectors';
import { add, equal, exact, format, frac, sub, type WholeNotes } from '../time/fraction';
import { makeDrill } from './drill';
import { familyNamed } from './registry';
import { usualRule } from './rule';

/** Pages of exercises as teachers write them by hand, and the rule that writes the same bars. */
interface Page {
  id: string;
  order: 'rule' | 'free';
  exercises: {
    bars: { meter: string; strokes: Record<'limb' | 'surface' | 'at' | 'height' | 'ornament', string>[] }[];
  }[];
}

/** A figure that stands on the bench after these phrases, as a rule keeps it. */
function figureOf(phrases: string[], bars = 1): unknown {
  const meter = meterOf('4/4');
  const empty = { meter, cells: cellsOfDivisions(meter, 'numbers', 4), strokes: [] };
  const groove: Groove = {
    version: 1,
    title: 'Figure',
    reading: 'numbers',
    tempo: 60,
    bars: Array.from({ length: bars }, () => empty),
  };
  return writeGroove(
    phrases.reduce((before, phrase) => {
      const answer = sayOn(before, phrase, { school: SCHOOLS[0], limb: 'right hand' });
      if (!answer.ok) throw new Error(answer.problems[0]!.say);
      return answer.groove;
    }, groove),
  );
}

/** Fourteen 8ths, hands in turn, round the kit. */
const PHRASE_OF_FOURTEEN = [
  'right hand: snare accent 1 and 3, tap 4',
  'right hand: high tom 2',
  'left hand: snare & of 1, & of 2',
  'left hand: mid tom & of 3',
  'left hand: floor tom accent & of 4',
  'bar 2: right hand: snare 1',
  'bar 2: right hand: high tom accent 2',
  'bar 2: right hand: mid tom 3',
  'bar 2: left hand: snare & of 1',
  'bar 2: left hand: high tom & of 2',
  'bar 2: left hand: floor tom accent & of 3',
];

const RULES: Record<string, [family: string, params: Record<string, unknown>, more?: Partial<RuleJson>]> = {
  'sixteen-snares': ['placement', { limb: 'left hand' }],
  'sixteen-snares-with-kick': ['placement', { limb: 'left hand' }, { ostinato: 'hat 8ths, kick on 1 2 3 4' }],
  'eight-kick-figures': [
    'chosen list',
    {
      phrases: [
        '1 and 3',
        '1, & of 2',
        '1, & of 1, 3',
        '1, & of 2, & of 3',
        '1, 3, & of 4',
        '& of 1, & of 3',
        '1, a of 1, 3',
        '1, & of 2, 3, e of 4',
      ],
    },
    { ostinato: 'hat 8ths, snare on 2 and 4' },
  ],
  'kick-between-hats': [
    'chosen list',
    { phrases: ["all the e's, all the a's", 'e and a of 1 and 3', 'e and a of 2 and 4'] },
    { ostinato: 'hat 8ths' },
  ],
  'pairs-in-both-halves': ['pairs', { halves: 'both halves' }, { ostinato: 'hat 8ths', picked: [4, 3, 6, 1] }],
  'one-phrase-other-values': [
    're-rate',
    {
      figure: figureOf(PHRASE_OF_FOURTEEN, 2),
      values: ['8th', 'quarter triplet', '8th triplet'],
      mixed: false,
      plans: ['3 quarter triplets, 4 8ths, 3 8th triplets, 4 8ths'],
    },
  ],
  '8ths-into-triplets': [
    'straight to triplet',
    { extents: ['all'], into: ['shuffle', 'full triplets', 'triplets first, shuffle after'], line: 'on the hat' },
    { ostinato: 'kick on 1 and 3, snare on 2 and 4' },
  ],
  'threes-and-sevens-over-four': [
    'overlay',
    {
      figures: [
        'R floor tom loud, L snare, L snare',
        'R high tom loud, L snare, R floor tom, rest, R floor tom, L snare, rest',
      ],
    },
    { parts: 2, ostinato: 'hat pedal on 2 and 4' },
  ],
  'twelve-eight-fill': ['compound', { what: 'beat and fill', accents: false }, { meter: '12/8', ostinato: '' }],
  'four-rates-eight-bars': [
    'rates',
    {
      from: 'half',
      to: '8th triplet',
      way: 'up',
      bars: 8,
      among: ['half', 'quarter', '8th', '8th triplet'],
      surface: 'pad',
    },
  ],
  '16ths-to-quarter-triplets': [
    'rates',
    { from: '16th', to: 'quarter triplet', way: 'to and fro', bars: 2 },
    { ostinato: 'hat foot on 2 and 4' },
  ],
  'walking-clap': ['displacement', { figure: figureOf(['clap on 1 2 3 4']), everyBars: 2 }, { ostinato: '' }],
  'phrase-half-a-beat-late': [
    'displacement',
    {
      figure: figureOf(
        [
          'right hand: snare accent 1, tap 2 and the & of 3',
          'left hand: snare tap & of 1, & of 4, accent 3',
          'bar 2: right hand: snare accent 1, tap & of 2, & of 3',
          'bar 2: left hand: snare tap 2, & of 4, accent 3',
        ],
        2,
      ),
      by: 'half a beat',
    },
    { ostinato: '', picked: [0, 1] },
  ],
  'alternating-flams': ['flams and drags', { what: ['two bars of each'] }, { ostinato: '' }],
  'fives-and-sevens': ['odd meters', { meters: ['5/4', '5/8', '7/4', '7/8'], turned: false }],
  'ones-and-twos': ['rolls', { beats: [1, 2] }],
  'double-paradiddle-on-triplets': [
    'sticking',
    { names: ['double paradiddle'] },
    { parts: 3, ostinato: 'kick on the counts' },
  ],
  'two-accents-in-four': ['accents', { accents: 2, among: 4 }],
  'a-drag-for-a-ghost': [
    'chosen list',
    {
      phrases: [
        'snare accent 2 and 4, ghost a of 1, ghost e and a of 3',
        'snare accent 2 and 4, ghost a of 1, ghost e and a of 3, drag on e of 3',
      ],
    },
    { ostinato: 'hat 8ths, kick on the counts' },
  ],
};

type Words = { meter: string; strokes: string[] };

/** Two 32nds of one hand are one 16th with a double. */
const HALF = frac(1, 32);
function undoubled(strokes: Bar['strokes']): Bar['strokes'] {
  const has = (limb: string, at: WholeNotes) => strokes.some((one) => one.limb === limb && equal(one.at, at));
  const isSecond = ({ limb, at }: Bar['strokes'][number]) => at.d === 32 && has(limb, sub(at, HALF));
  return strokes
    .filter((one) => !isSecond(one))
    .map((one) => (one.at.d < 32 && has(one.limb, add(one.at, HALF)) ? { ...one, ornament: 'double' as const } : one));
}

const written = ({ meter, strokes: all }: Bar, strokes = undoubled(all)): Words => ({
  meter: formatMeter(meter),
  strokes: strokes
    .map(({ limb, surface, at, height, ornament }) =>
      [limb, surface, format(at), height, ornament].filter(Boolean).join(' '),
    )
    .toSorted(),
});

test.each(cases<Page>('pages'))('$id', ({ id, order, exercises }) => {
  const [family, params, more] = RULES[id]!;
  const drill = makeDrill(usualRule(familyNamed(family)!, { params, ...more }));
  if (!drill.ok) throw new Error(drill.problems[0]!.say);
  const made = drill.value.exercises.flatMap(({ groove }) => groove.bars.map((bar) => written(bar)));
  const wanted = exercises.flatMap(({ bars }) =>
    bars.map(({ meter, strokes }) =>
      written({
        meter: meterOf(meter),
        cells: [],
        strokes: strokes.map((one) => ({ ...one, at: exact(one.at) })) as Bar['strokes'],
      }),
    ),
  );
  const sorted = (all: Words[]) => all.map((one) => JSON.stringify(one)).toSorted();
  if (order === 'rule') expect(made).toEqual(wanted);
  else expect(sorted(made)).toEqual(sorted(wanted));
});
