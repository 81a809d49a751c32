import { lastBpm, type Take } from '../documents/take';
import type { PlaceJudged, Verdict } from '../documents/verdict';
import { equal, type WholeNotes } from '../time/fraction';
import { parseMeter, type Reading } from '../grid/meter';
import type { Bpm } from '../time/units';
import { isOnCount } from '../counting/placeInWords';
import { writeGroove } from '../documents/groove';
import { cellsOfDivisions, slotsOfBar } from '../grid/cells';
import type { Groove } from '../groove/groove';
import { USUAL_SURFACES, type Limb } from '../groove/limbs';
import type { PlaceFigures } from '../judging/types/judgement';
import type { ClickPlanName } from '../time/clickPlan';
import { accents } from '../drill/families/accents';
import { buildUp } from '../drill/families/buildUp';
import { between } from '../drill/families/between';
import { flamsAndDrags } from '../drill/families/flamsAndDrags';
import { placement } from '../drill/families/placement';
import { rates, type Rate } from '../drill/families/rates';
import { sticking } from '../drill/families/sticking';
import { straightToTriplet } from '../drill/families/straightToTriplet';
import { groundOf, stroke, type Family } from '../drill/family';
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
  /** The limb leaves strokes out, or does not land with the others: by itself first, then with one that keeps time. */
  joins?: boolean;
  /** What it is practised to, where that is part of it. */
  click?: ClickPlanName;
  tempo: Bpm;
  /** Where it was heard: "4/4" in so many parts a count, 4/4 in 16ths when left out, counted in numbers or pulses. */
  meter?: string;
  parts?: number;
  reading?: Reading;
}

/**
 * How often an exercise for single places is played before the next: long enough to settle, short enough to stay
 * awake.
 */
const TIMES = 4;

/** The drill for a weakness: its family and parameters chosen, the most particular thing first. */
export function drillFor({
  limb,
  offBeats,
  places,
  switches,
  uneven,
  figure,
  joins,
  click,
  tempo,
  meter = '4/4',
  parts = 4,
  reading = 'numbers',
}: Weakness): Rule {
  const of = (family: unknown, params: Record<string, unknown>, more = {}) =>
    usualRule(family as Family, { params, goal: tempo, meter, parts, reading, ...(click && { click }), ...more });
  const beside = ostinatoBeside(limb, { meter, parts });
  if (figure) return of(...FIGURE_DRILLS[figure]);
  if (switches) return of(rates, { from: switches[0], to: switches[1], way: 'to and fro', bars: 2 });
  if (joins && limb) {
    const line = lineToJoin(limb, places ?? [], { meter, parts, reading, tempo });
    if (line) return of(buildUp, { figure: writeGroove(line), order: [limb] }, { ostinato: '', repeats: TIMES });
  }
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

/**
 * The hand that is not trained keeps time; under a foot both hands are free for it. In 8ths, where the grid of the
 * counts has them.
 */
function ostinatoBeside(limb: Limb | undefined, { meter, parts }: Required<Pick<Weakness, 'meter' | 'parts'>>): string {
  if (limb === 'right hand') return 'left hand quarters, kick quarters';
  return parts % 2 === 0 || meter.endsWith('/8') ? 'hat 8ths' : 'hat quarters';
}

/** A limb's places in a bar, and a limb that keeps time beside it; nothing where the grid has none of them. */
function lineToJoin(
  limb: Limb,
  places: readonly WholeNotes[],
  { meter, parts, reading, tempo }: Required<Pick<Weakness, 'meter' | 'parts' | 'reading' | 'tempo'>>,
): Groove | undefined {
  const read = parseMeter(meter);
  if (!read.ok) return undefined;
  const ground = groundOf(read.value, parts, reading);
  const own = ground.slots.filter((slot) => places.some((place) => equal(place, slot)));
  if (!own.length) return undefined;
  const other: Limb = limb === 'right hand' ? 'right foot' : 'right hand';
  const every = parts % 2 === 0 ? parts / 2 : parts;
  const beside = ground.slots.filter((_, index) => index % every === 0);
  return {
    version: 1,
    title: `The ${limb}, then with the ${other}`,
    reading,
    tempo,
    bars: [
      {
        meter: read.value,
        cells: cellsOfDivisions(read.value, reading, parts),
        strokes: [
          ...own.map((at) => stroke(limb, USUAL_SURFACES[limb], at)),
          ...beside.map((at) => stroke(other, USUAL_SURFACES[other], at)),
        ],
      },
    ],
  };
}

/**
 * What a verdict finds weak, in the terms a drill is chosen by; nothing when there was nothing to fix. The figures by
 * place say whose off-beats are worst.
 */
export function weaknessOf(
  { about, limb, place, practise }: Verdict,
  take: Pick<Take, 'groove' | 'bpm' | 'changes'>,
  byPlace: readonly PlaceFigures[] = [],
): Weakness | undefined {
  if (about === 'clean' || about === 'nothing heard' || about === 'not heard') return undefined;
  const heard = {
    tempo: lastBpm(take),
    ...gridOf(take.groove, place?.bar ?? 0),
    reading: take.groove.reading,
  };
  switch (about) {
    case 'off-beats': {
      const worst = worstOffBeats(take.groove, byPlace);
      return { ...heard, offBeats: true, ...(worst && { limb: worst }), click: 'counts' };
    }
    case 'swing':
      return { ...heard, figure: 'swing' };
    case 'flam':
      return { ...heard, figure: 'flams' };
    case 'accents':
    case 'loudness':
      return { ...heard, figure: 'accents' };
    case 'doubles':
      return { ...heard, figure: 'doubles' };
    case 'switch': {
      const rates = ratesOf(take.groove);
      return rates ? { ...heard, switches: rates } : { ...heard, uneven: true };
    }
    case 'drift':
    case 'phrase':
      return { ...heard, uneven: true, click: 'thin out and back' };
    case 'behind or ahead':
    case 'shifted':
    case 'bars left out':
      // With the click and without it, back to back: whoever comes back beside it hears so at once.
      return { ...heard, uneven: true, click: '2 bars on, 2 silent' };
    case 'spread':
      return { ...heard, uneven: true, click: practise.click };
    case 'missed':
    case 'apart':
      return {
        ...heard,
        limb,
        joins: true,
        click: practise.click,
        places: placesOfLimb(take.groove, limb, place?.bar),
      };
    default:
      return { ...heard, limb, click: practise.click, ...(place && { places: writtenPlaces(take.groove, place) }) };
  }
}

/** Where a limb plays in a bar: in the one that is named, or in the first in which it does. */
function placesOfLimb({ bars }: Groove, limb: Limb | undefined, bar?: number): WholeNotes[] {
  const of = (one: Groove['bars'][number] | undefined) =>
    one?.strokes.filter((each) => each.limb === limb).map(({ at }) => at) ?? [];
  const named = bar === undefined ? [] : of(bars[bar]);
  return named.length ? named : (bars.map(of).find((places) => places.length) ?? []);
}

/** The limb whose strokes between the counts are farthest off, of those that have some. */
function worstOffBeats(groove: Groove, byPlace: readonly PlaceFigures[]): Limb | undefined {
  const off = byPlace.filter(({ bar, written }) => !isOnCount(groove, bar, written));
  const limbs = [...new Set(off.map(({ limb }) => limb))].map((limb) => {
    const own = off.filter((one) => one.limb === limb && one.matched > 0);
    const matched = own.reduce((total, one) => total + one.matched, 0);
    const late = own.reduce((total, one) => total + one.matched * one.meanErrorMs!, 0);
    return { limb, late: matched ? Math.abs(late / matched) : 0 };
  });
  return limbs.sort((a, b) => b.late - a.late)[0]?.limb;
}

/** The values whose parts of a quarter these are. */
const RATE_OF: Partial<Record<number, Rate>> = {
  1: 'quarter',
  2: '8th',
  3: '8th triplet',
  4: '16th',
  6: '16th triplet',
};

/** The rate of which a quarter holds so many; nothing where drills have none. */
export const rateOf = (perQuarter: number): Rate | undefined => RATE_OF[perQuarter];

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
