import { readRatePlan } from '@/core/phrase/ratePlan';
import type { Groove } from '@/core/groove/groove';
import type { Place } from '@/core/groove/edit';
import { foldSwing, toFullTriplets, toShuffle, toTripletsThenShuffle, writeSwingOut } from '@/core/groove/feel';
import { slotAt, slotsOfBar } from '@/core/grid/cells';
import { LIMBS, type Limb, type Surface } from '@/core/groove/limbs';
import { accentPattern, keepLimbs, leanLimb, mirrorHands, moveLine, openHanded, turnKit } from '@/core/groove/lines';
import { withinRegion, type Region } from '@/core/groove/region';
import { otherBottomNumber, readAs, sameFigureOver } from '@/core/groove/recount';
import { displace, momentsIn, rerate, stretch } from '@/core/groove/transform';
import type { Answer, Transformed } from '@/core/groove/transformed';
import { fail, ok, problem } from '@/core/result';
import { frac, mul, negate } from '@/core/time/fraction';
import { NOTE_VALUES, type NoteValue } from '@/core/time/noteValue';

/** What a transform can be asked to do; each uses the few it names. */
export interface Choices {
  limbs: Limb[];
  limb: Limb;
  surface: Surface;
  step: 'slot' | NoteValue;
  way: 'later' | 'earlier';
  times: number;
  /** Note values as they are said: "3 quarter triplets, the rest in 8ths". */
  plan: string;
  counts: number;
  swing: '8th' | '16th';
  ratio: '2' | '3/2' | '3';
  ms: number;
  of: number;
  on: string;
  unit: 2 | 4 | 8 | 16;
  reading: 'numbers' | 'pulse';
}

export type Choice = keyof Choices;

export const usualChoices = (cursor: Place): Choices => ({
  limbs: [cursor.limb],
  limb: cursor.limb,
  surface: 'ride',
  step: 'slot',
  way: 'later',
  times: 1,
  plan: '8th triplets',
  counts: 2,
  swing: '8th',
  ratio: '2',
  ms: 15,
  of: 3,
  on: '1',
  unit: 8,
  reading: 'pulse',
});

export interface TransformKind {
  name: string;
  group: 'Move' | 'Rate' | 'Feel' | 'Limbs' | 'Accents' | 'Counting';
  uses: Choice[];
  /**
   * What it can do to a selection: to its lanes, to all limbs for as long as it lasts, or in a way of its own. Else
   * only the whole groove.
   */
  selected?: 'lanes' | 'stretch' | 'itself';
  make: (groove: Groove, choices: Choices, cursor: Place, within?: Region) => Answer | Transformed;
}

export const NOTE_VALUE_NAMES = Object.keys(NOTE_VALUES) as NoteValue[];

const refused = (...said: Parameters<typeof problem>) => fail(problem(...said));

/** Everything that makes another groove of this one, by what a teacher would look for. */
export const TRANSFORMS: TransformKind[] = [
  {
    name: 'Move later or earlier',
    group: 'Move',
    uses: ['limbs', 'step', 'way', 'times'],
    selected: 'itself',
    make: (groove, { limbs, step, way, times }, cursor, within) => {
      if (!limbs.length) return refused('no-limb', 'No limb is chosen.', 'Choose at least one.');
      const bar = groove.bars[cursor.bar]!;
      const one =
        step === 'slot'
          ? slotAt(slotsOfBar(bar.meter, groove.reading, bar.cells), cursor.at)!.length
          : NOTE_VALUES[step];
      const shift = mul(one, frac(times));
      return displace(groove, way === 'later' ? shift : negate(shift), limbs, within);
    },
  },
  {
    name: 'Re-rate: the same order in another value',
    group: 'Rate',
    uses: ['plan'],
    selected: 'itself',
    make: (groove, { plan: said }, _, within) => {
      const moments = momentsIn(groove, within).length;
      if (!moments) return refused('no-stroke', 'There is no stroke to re-rate.', 'Place some first.');
      const plan = readRatePlan(said, moments);
      return plan.ok ? rerate(groove, plan.value, within) : plan;
    },
  },
  { name: 'Half-time', group: 'Rate', uses: [], make: (groove) => stretch(groove, 2) },
  { name: 'Double-time', group: 'Rate', uses: [], make: (groove) => stretch(groove, '1/2') },
  { name: '8ths as a shuffle', group: 'Feel', uses: [], selected: 'lanes', make: (groove) => toShuffle(groove) },
  {
    name: '8ths as full triplets',
    group: 'Feel',
    uses: [],
    selected: 'lanes',
    make: (groove) => toFullTriplets(groove),
  },
  {
    name: 'Triplets first, shuffle after',
    group: 'Feel',
    uses: ['counts'],
    selected: 'lanes',
    make: (groove, { counts }) => toTripletsThenShuffle(groove, counts),
  },
  { name: 'Write the swing out', group: 'Feel', uses: [], make: (groove) => writeSwingOut(groove) },
  {
    name: 'Fold back into swing',
    group: 'Feel',
    uses: ['swing', 'ratio'],
    make: (groove, { swing, ratio }) => foldSwing(groove, { value: swing, ratio }),
  },
  {
    name: 'Change the hands’ lines',
    group: 'Limbs',
    uses: [],
    selected: 'stretch',
    make: (groove) => mirrorHands(groove),
  },
  { name: 'Play it open-handed', group: 'Limbs', uses: [], selected: 'stretch', make: (groove) => openHanded(groove) },
  { name: 'Turn the kit round', group: 'Limbs', uses: [], selected: 'stretch', make: (groove) => turnKit(groove) },
  {
    name: 'Keep some limbs only',
    group: 'Limbs',
    uses: ['limbs'],
    selected: 'stretch',
    make: (groove, { limbs }) =>
      limbs.length ? keepLimbs(groove, limbs) : refused('no-limb', 'No limb is chosen.', 'Choose at least one.'),
  },
  {
    name: 'Move a limb’s line to another surface',
    group: 'Limbs',
    uses: ['limb', 'surface'],
    selected: 'stretch',
    make: (groove, { limb, surface }) => moveLine(groove, limb, surface),
  },
  {
    name: 'Lean a limb behind or ahead',
    group: 'Limbs',
    uses: ['limb', 'ms'],
    make: (groove, { limb, ms }) => leanLimb(groove, limb, ms),
  },
  {
    name: 'Accents, k in n',
    group: 'Accents',
    uses: ['limb', 'of', 'on'],
    selected: 'itself',
    make: (groove, { limb, of, on }, _, within) => {
      const wanted = on
        .split(/[\s,]+/)
        .filter(Boolean)
        .map(Number);
      const wrong = wanted.find((each) => !Number.isInteger(each) || each < 1 || each > of);
      if (wrong !== undefined)
        return refused(
          'no-such-note',
          `There is no note ${Number.isNaN(wrong) ? on : wrong} in ${of}.`,
          `Write numbers from 1 to ${of}, parted by commas.`,
          { of },
        );
      return accentPattern(
        groove,
        limb,
        Array.from({ length: of }, (_, index) => wanted.includes(index + 1)),
        within,
      );
    },
  },
  {
    name: 'Same notes, other bottom number',
    group: 'Counting',
    uses: ['unit'],
    make: (groove, { unit }) => otherBottomNumber(groove, unit),
  },
  {
    name: 'Same figure, other bottom number',
    group: 'Counting',
    uses: ['unit'],
    make: (groove, { unit }) => sameFigureOver(groove, unit),
  },
  {
    name: 'Count in pulses or in all numbers',
    group: 'Counting',
    uses: ['reading'],
    make: (groove, { reading }) => readAs(groove, reading),
  },
];

/** What a transform answers: of the whole groove, or of a selection where it can. */
export function transformed(
  { make, selected }: TransformKind,
  groove: Groove,
  choices: Choices,
  cursor: Place,
  selection: Region | undefined,
): Answer {
  const isWhole = !selection || !selected;
  const made = make(groove, choices, cursor, isWhole || selected !== 'itself' ? undefined : selection);
  const answer: Answer = 'ok' in made ? made : ok(made);
  if (isWhole || selected === 'itself' || !answer.ok) return answer;
  return withinRegion(groove, selected === 'lanes' ? selection : { ...selection, limbs: [...LIMBS] }, answer.value);
}
