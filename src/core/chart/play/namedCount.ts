import type { ChartFeel } from '../../documents/chart';
import { barLength, countsOf, type Count, type Meter } from '../../grid/meter';
import { SCHOOLS } from '../../counting/schools';
import { add, exact, frac, less, mul, type WholeNotes } from '../../time/fraction';
import { swungPlace, type Swing } from '../../time/swing';

/** A count with its name and where it stands, from the start of the bar: as it is written, and as it sounds at 2:1. */
export interface NamedPlace {
  written: WholeNotes;
  sounding: WholeNotes;
  /** How it is caught: short, or left to ring. */
  length?: 'short' | 'long';
}

const SWUNG: Record<ChartFeel, Swing['value'] | undefined> = {
  straight: undefined,
  'swing 8ths': '8th',
  shuffle: '8th',
  'half-time shuffle': '8th',
  'swing 16ths': '16th',
};

const TRIPLET = exact('2');
const EIGHTH = exact('1/8');

const NAMED = /^(?:(short|long) )?(?:(\S+) of )?(\d{1,2})$/i;

/** Which part of so many a syllable is, by the school that charts are written in: the least division that has it. */
function partNamed(syllable: string): { division: number; part: number } | undefined {
  for (const [division, said] of Object.entries(SCHOOLS[0].syllables)) {
    const part = said.indexOf(syllable) + 1;
    if (part) return { division: Number(division), part };
  }
  return undefined;
}

/**
 * Where named counts of one bar stand: "4", "& of 2", "short let of 4". Counts go by number in every meter. "let" in
 * swung 8ths is the second 8th of its count; beside a "trip" of the same count, and where 8ths are not swung, it is a
 * written triplet, which is never swung. Of a pick-up they go by its own numbers, or by `counts`, those of the bar it
 * ends. Gives the first name that is none here instead.
 */
export function namedPlaces(
  names: readonly string[],
  meter: Meter,
  feel: ChartFeel,
  counts: readonly Count[] = countsOf(meter),
): { places: NamedPlace[] } | { unknown: string } {
  const swung = SWUNG[feel];
  const places: NamedPlace[] = [];
  const read = names.map((name) => NAMED.exec(name.trim()) ?? []);
  for (const [index, name] of names.entries()) {
    const [, length, syllable, number] = read[index]!;
    const count = counts.find((one) => one.number === Number(number));
    const named = syllable === undefined ? { division: 1, part: 0 } : partNamed(syllable);
    if (!count || !named) return { unknown: name };
    const isPair =
      syllable === 'let' &&
      swung === '8th' &&
      less(EIGHTH, count.length) &&
      !read.some((other) => other[2] === 'trip' && other[3] === number);
    const written = add(count.at, isPair ? EIGHTH : mul(count.length, frac(named.part, named.division)));
    const isTriplet = !isPair && named.division % 3 === 0;
    places.push({
      written,
      sounding: swung && !isTriplet ? swungPlace(written, swung, TRIPLET, barLength(meter)) : written,
      ...(length && { length: length.toLowerCase() as NamedPlace['length'] }),
    });
  }
  return { places };
}
