import type { Groove } from '@/core/groove/groove';
import type { Place } from '@/core/groove/edit';
import { foldSwing, toFullTriplets, toShuffle, writeSwingOut } from '@/core/groove/feel';
import { slotAt, slotsOfBar } from '@/core/grid/cells';
import type { Limb, Surface } from '@/core/groove/limbs';
import { accentPattern, keepLimbs, leanLimb, mirrorHands, moveLine, openHanded, turnKit } from '@/core/groove/lines';
import { strokesOf } from '@/core/groove/place';
import { displace, otherBottomNumber, readAs, rerate, stretch } from '@/core/groove/transform';
import type { Answer, Transformed } from '@/core/groove/transformed';
import { fail, problem } from '@/core/result';
import { format, frac, mul, negate } from '@/core/time/fraction';
import { NOTE_VALUES, type NoteValue } from '@/core/time/noteValue';

/** What a transform can be asked to do; each uses the few it names. */
export interface Choices {
  limbs: Limb[];
  limb: Limb;
  surface: Surface;
  step: 'slot' | NoteValue;
  way: 'later' | 'earlier';
  times: number;
  value: NoteValue;
  /** So many notes in `value`, the rest in `then`; all of them when empty. */
  first: string;
  then: NoteValue;
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
  value: '8th triplet',
  first: '',
  then: '16th',
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
  make: (groove: Groove, choices: Choices, cursor: Place) => Answer | Transformed;
}

export const NOTE_VALUE_NAMES = Object.keys(NOTE_VALUES) as NoteValue[];

const refused = (...said: Parameters<typeof problem>) => fail(problem(...said));

/** Everything that makes another groove of this one, by what a teacher would look for. */
export const TRANSFORMS: TransformKind[] = [
  {
    name: 'Move later or earlier',
    group: 'Move',
    uses: ['limbs', 'step', 'way', 'times'],
    make: (groove, { limbs, step, way, times }, cursor) => {
      if (!limbs.length) return refused('no-limb', 'No limb is chosen.', 'Choose at least one.');
      const bar = groove.bars[cursor.bar]!;
      const one =
        step === 'slot'
          ? slotAt(slotsOfBar(bar.meter, groove.reading, bar.cells), cursor.at)!.length
          : NOTE_VALUES[step];
      const shift = mul(one, frac(times));
      return displace(groove, way === 'later' ? shift : negate(shift), limbs);
    },
  },
  {
    name: 'Re-rate: the same order in another value',
    group: 'Rate',
    uses: ['value', 'first', 'then'],
    make: (groove, { value, first, then }) => {
      const moments = new Set(strokesOf(groove).map(({ at }) => format(at))).size;
      if (first.trim() && !/^\d{1,3}$/.test(first.trim()))
        return refused('not-a-number', 'Say how many notes as a whole number.', 'Leave it empty for all of them.');
      const count = first.trim() ? Math.min(Number(first), moments) : moments;
      const plan = [
        { value, notes: count },
        { value: then, notes: moments - count },
      ].filter(({ notes }) => notes > 0);
      if (!plan.length) return refused('no-stroke', 'There is no stroke to re-rate.', 'Place some first.');
      return rerate(groove, plan);
    },
  },
  { name: 'Half-time', group: 'Rate', uses: [], make: (groove) => stretch(groove, 2) },
  { name: 'Double-time', group: 'Rate', uses: [], make: (groove) => stretch(groove, '1/2') },
  { name: '8ths as a shuffle', group: 'Feel', uses: [], make: (groove) => toShuffle(groove) },
  { name: '8ths as full triplets', group: 'Feel', uses: [], make: (groove) => toFullTriplets(groove) },
  { name: 'Write the swing out', group: 'Feel', uses: [], make: (groove) => writeSwingOut(groove) },
  {
    name: 'Fold back into swing',
    group: 'Feel',
    uses: ['swing', 'ratio'],
    make: (groove, { swing, ratio }) => foldSwing(groove, { value: swing, ratio }),
  },
  { name: 'Change the hands’ lines', group: 'Limbs', uses: [], make: (groove) => mirrorHands(groove) },
  { name: 'Play it open-handed', group: 'Limbs', uses: [], make: (groove) => openHanded(groove) },
  { name: 'Turn the kit round', group: 'Limbs', uses: [], make: (groove) => turnKit(groove) },
  {
    name: 'Keep some limbs only',
    group: 'Limbs',
    uses: ['limbs'],
    make: (groove, { limbs }) =>
      limbs.length ? keepLimbs(groove, limbs) : refused('no-limb', 'No limb is chosen.', 'Choose at least one.'),
  },
  {
    name: 'Move a limb’s line to another surface',
    group: 'Limbs',
    uses: ['limb', 'surface'],
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
    make: (groove, { limb, of, on }) => {
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
    name: 'Count in pulses or in all numbers',
    group: 'Counting',
    uses: ['reading'],
    make: (groove, { reading }) => readAs(groove, reading),
  },
];
