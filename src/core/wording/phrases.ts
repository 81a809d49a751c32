import { countedInWords } from '../counting/placeInWords';
import type { School } from '../counting/schools';
import type { PlaceJudged, Practice } from '../documents/verdict';

/** The words that a verdict is made of, in figures or plainly. */

export const opening = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** "the e of 3 in bar 2"; in a drill "the e of 3 in exercise 5", in a chart "the e of 3 in B". */
export function judgedPlaceInWords(place: PlaceJudged, school: School): string {
  const said = countedInWords(place, school);
  if (place.section !== undefined) return `${said} in ${place.section}`;
  if (place.exercise !== undefined) return `${said} in exercise ${place.exercise + 1}`;
  return place.bars > 1 ? `${said} in bar ${place.bar + 1}` : said;
}

/** "half a count", "1 count", "0.3 counts". */
export function countsInWords(counts: number): string {
  const size = Math.abs(counts);
  if (Math.abs(size - 0.5) < 0.08) return 'half a count';
  const tidy = Math.round(size * 10) / 10;
  return `${tidy} ${tidy === 1 ? 'count' : 'counts'}`;
}

/** What comes next when nothing is to be fixed. */
export function stepInWords({ step, bpm }: Practice): string {
  switch (step) {
    case 'all limbs':
      return 'bring the other limbs back';
    case 'thinner click':
      return 'let the click thin out';
    default:
      return `go up to ${bpm}`;
  }
}
