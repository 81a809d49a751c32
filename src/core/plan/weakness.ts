import type { Limb } from '../groove/limbs';
import { lastBpm, type Take } from '../documents/take';
import type { PlaceJudged, Verdict } from '../documents/verdict';
import { equal, type WholeNotes } from '../time/fraction';
import { slotsOfBar } from '../grid/cells';
import { parseMeter, type Reading } from '../grid/meter';
import type { Bpm } from '../time/units';
import { accents } from '../drill/families/accents';
import { between } from '../drill/families/between';
import { flamsAndDrags } from '../drill/families/flamsAndDrags';
import { placement } from '../drill/families/placement';
import { rates, type Rate } from '../drill/families/rates';
import { sticking } from '../drill/families/sticking';
import { straightToTriplet } from '../drill/families/straightToTriplet';
import { groundOf, type Family } from '../drill/family';
import { gridOf } from '../drill/fromGroove';
import { usualRule } from '../drill/rule';
import { type Rule } from '../documents/rule';

/** What strokes may be, beyond on time. */
export const WEAK_FIGURES = ['flams', 'doubles', 'accents', 'swing'] as const;
export type WeakFigure = (typeof WEAK_FIGURES)[number];

/** What a player is to work on, as the takes find it or the teacher says it. All that is left out is no weakness. */
export interface Weakness {
  limb?: Limb;
  /** It is what falls between the counts. */
  offBeats?: boolean;
  /** These places of a bar, from its start. */
  places?: readonly WholeNotes[];
  /** Two rates between which time slips. */
  switches?: readonly [Rate, Rate];
  /** Strokes are uneven wherever they fall. */
  uneven?: boolean;
  /** What is played there does not come out: flams, doubles, accents, or the swing. */
  figure?: WeakFigure;
  tempo: Bpm;
  /** Where it was heard: "4/4" in so many parts a count, 4/4 in 16ths when left out, counted in numbers or pulses. */
  meter?: string;
  parts?: number;
  reading?: Reading;
}

/** How often an exercise for single places is played before the next: long enough to settle, short enough to stay awake. */
const TIMES = 4;

/** The drill for a weakness: its family and parameters chosen, the most particular thing first. */
export function drillFor({
  limb,
  offBeats,
  places,
  switches,
  uneven,
  figure,
  tempo,
  meter = '4/4',
  parts = 4,
  reading = 'numbers',
}: Weakness): Rule {
  const of = (family: unknown, params: Record<string, unknown>, more = {}) =>
    usualRule(family as Family, { params, goal: tempo, meter, parts, reading, ...more });
  const beside = ostinatoBeside(limb, { meter, parts });
  if (figure) return of(...FIGURE_DRILLS[figure]);
  if (switches) return of(rates, { from: switches[0], to: switches[1], way: 'to and fro', bars: 2 });
  const picked = places && slotsAt(places, { meter, parts, reading });
  if (picked?.length)
    return of(placement, { limb: limb ?? 'right foot' }, { picked, repeats: TIMES, ostinato: beside });
  if (limb && offBeats) return of(between, { limb, where: 'single places' }, { ostinato: beside });
  if (limb) return of(placement, { limb }, { ostinato: beside });
  if (offBeats) return of(between, { limb: 'right foot', where: 'every combination' });
  return of(sticking, uneven ? { names: ['singles', 'doubles'] } : {});
}

/** What trains each figure by itself. */
const FIGURE_DRILLS: Record<WeakFigure, [family: unknown, params: Record<string, unknown>]> = {
  flams: [flamsAndDrags, { what: ['two bars of each'] }],
  doubles: [sticking, { names: ['doubles', 'single paradiddle'] }],
  accents: [accents, { accents: 1, among: 4, walking: true }],
  swing: [straightToTriplet, { extents: ['all'], into: ['shuffle'], line: 'on the hat' }],
};

/** Which slots of the grid places are; those that are none are left out. */
function slotsAt(
  places: readonly WholeNotes[],
  { meter, parts, reading }: Pick<Rule, 'meter' | 'parts' | 'reading'>,
): number[] {
  const read = parseMeter(meter);
  if (!read.ok) return [];
  const { slots } = groundOf(read.value, parts, reading);
  return slots.flatMap((slot, index) => (places.some((place) => equal(place, slot)) ? [index] : []));
}

/** The hand that is not trained keeps time; under a foot both hands are free for it. In 8ths, where the grid of the counts has them. */
function ostinatoBeside(limb: Limb | undefined, { meter, parts }: Required<Pick<Weakness, 'meter' | 'parts'>>): string {
  if (limb === 'right hand') return 'left hand quarters, kick quarters';
  return parts % 2 === 0 || meter.endsWith('/8') ? 'hat 8ths' : 'hat quarters';
}

/** What a verdict finds weak, in the terms a drill is chosen by; nothing when there was nothing to fix. */
export function weaknessOf(
  { about, limb, place }: Verdict,
  take: Pick<Take, 'groove' | 'bpm' | 'changes'>,
): Weakness | undefined {
  if (about === 'clean' || about === 'nothing heard') return undefined;
  const heard = {
    tempo: lastBpm(take),
    ...gridOf(take.groove, place?.bar ?? 0),
    reading: take.groove.reading,
  };
  switch (about) {
    case 'off-beats':
      return { ...heard, offBeats: true };
    case 'swing':
      return { ...heard, figure: 'swing' };
    case 'flam':
      return { ...heard, figure: 'flams' };
    case 'accents':
      return { ...heard, figure: 'accents' };
    case 'doubles':
      return { ...heard, figure: 'doubles' };
    case 'switch': {
      const rates = ratesOf(take.groove);
      return rates ? { ...heard, switches: rates } : { ...heard, uneven: true };
    }
    case 'drift':
    case 'phrase':
    case 'spread':
    case 'behind or ahead':
    case 'shifted':
    case 'bars left out':
      return { ...heard, uneven: true };
    default:
      return { ...heard, limb, ...(place && { places: writtenPlaces(take.groove, place) }) };
  }
}

/** The values whose parts of a quarter these are. */
const RATE_OF: Partial<Record<number, Rate>> = {
  1: 'quarter',
  2: '8th',
  3: '8th triplet',
  4: '16th',
  6: '16th triplet',
};

/** The first two rates that a groove goes between, in the order in which they come. */
function ratesOf({ bars }: Take['groove']): [Rate, Rate] | undefined {
  const rates = bars.flatMap(({ meter, cells }) =>
    cells.flatMap(({ counts, parts }) => RATE_OF[((parts / counts) * meter.unit) / 4] ?? []),
  );
  const other = rates.find((rate) => rate !== rates[0]);
  return rates[0] && other && [rates[0], other];
}

/** Where a place that is told by its count is written. */
function writtenPlaces({ bars, reading }: Take['groove'], { bar, count, part }: PlaceJudged): WholeNotes[] {
  const { meter, cells } = bars[bar]!;
  return slotsOfBar(meter, reading, cells).flatMap((slot) =>
    slot.count === count && slot.part === part ? [slot.at] : [],
  );
}
