import type { School } from '../counting/schools';
import type { ReportWords } from '../documents/verdict';
import { rateInWords, signed, switchInWords } from './figuresInWords';
import type { Change } from '../judging/report/progress';
import { judgedPlaceInWords, opening } from './phrases';

/** "The e of 3 in the right foot went from 31 to 12 ms."; plainly that it is better, or that it is not as good. */
export function changeInWords(change: Change, school: School, report: ReportWords = 'figures'): string {
  const { kind, of, before, now, isBetter } = change;
  if (report === 'plain words')
    return `${subject(change, school)} ${MANY.includes(kind) ? 'are' : 'is'} ${isBetter ? 'better' : 'not as good'}.`;
  return `${subject(change, school)} went from ${pairInWords(kind, of, before, now)}.`;
}

/** What is spoken of as several: "the accents are better". */
const MANY: readonly Change['kind'][] = ['together', 'accents', 'second loudness', 'flam', 'doubles'];

function subject({ kind, of, place }: Change, school: School): string {
  switch (kind) {
    case 'place': {
      return opening(`${judgedPlaceInWords(place!, school)} in the ${place!.limb}`);
    }
    case 'limb':
      return `The ${of}`;
    case 'evenness':
      return `The spread of the ${of}`;
    case 'left out':
      return `What the ${of} leaves out`;
    case 'rate':
      return `What is written in ${rateInWords(of)}`;
    case 'rate spread':
      return `The spread of the ${rateInWords(of)}`;
    case 'switch':
      return `The change ${switchInWords(of)}`;
    case 'swing':
      return `The swing of the ${of}s`;
    case 'together':
      return `The ${of.split('+').join(' and the ')} written together`;
    case 'phrase':
      return `The tempo within every ${of} bars`;
    case 'accents':
      return `The accents of the ${of} above its other strokes`;
    case 'second loudness':
      return `The second strokes of the ${of}’s doubles`;
    case 'flam':
      return `The flams of the ${of}`;
    case 'doubles':
      return `The second strokes of the ${of}`;
    case 'height':
      return `The loudness of the ${of}`;
  }
}

function pairInWords(kind: Change['kind'], of: string, before: number, now: number): string {
  const whole = (value: number) => Math.round(Math.abs(value));
  switch (kind) {
    case 'left out':
      return `${whole(100 * before)} to ${whole(100 * now)} in a hundred`;
    case 'swing':
      return `${before.toFixed(2)} to ${now.toFixed(2)} : 1`;
    case 'accents':
    case 'second loudness':
    case 'height':
      return `${signed(before)} to ${signed(now)} dB`;
    case 'evenness':
    case 'rate spread':
    case 'flam':
      return `${whole(before)} to ${whole(now)} ms`;
    default: {
      const side = (value: number) => (value > 0 ? 'late' : 'early');
      if (whole(now) === 0) return `${whole(before)} ms ${side(before)} to on time`;
      if (Math.sign(before) === Math.sign(now)) return `${whole(before)} to ${whole(now)} ms ${side(now)}`;
      return `${whole(before)} ms ${side(before)} to ${whole(now)} ms ${side(now)}`;
    }
  }
}
