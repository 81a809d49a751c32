import type { FigureKind, TakeFigure } from '../documents/takeFigures';
import { opening } from './phrases';

/** A figure as it is read: its name, its value, how sure that is, and what stands behind it. */
export interface FigureInWords {
  name: string;
  /** Where it stands among its like, under their title. */
  short: string;
  value: string;
  /** "10 to 18 ms", or that there are too few. */
  range: string;
  /** What it is and how it is worked out, from how many. */
  explained: string;
}

const RATES: Record<string, string> = {
  0.5: 'halves',
  1: 'quarters',
  1.5: 'quarter triplets',
  2: '8ths',
  3: '8th triplets',
  4: '16ths',
  5: 'quintuplets',
  6: '16th triplets',
  7: 'septuplets',
  8: '32nds',
};

/** "16ths" of how many strokes a quarter note holds. */
export const rateInWords = (perQuarter: number | string): string =>
  RATES[String(perQuarter)] ?? `${Math.round(Number(perQuarter) * 100) / 100} to a quarter`;

/** "8ths → 16ths" of a switch as a figure names it. */
export const switchInWords = (pair: string): string => pair.split('>').map(rateInWords).join(' → ');

const whole = (value: number) => Math.round(value);
const ms = (value: number) => {
  const size = Math.abs(whole(value));
  if (!size) return 'on time';
  return `${size} ms ${value > 0 ? 'late' : 'early'}`;
};
const plain = (value: number) => `${whole(value)} ms`;
/** With a minus of its own, and none before a nought. */
export const signed = (value: number, digits = 0): string => {
  const size = Math.abs(value).toFixed(digits);
  return value < 0 && Number(size) ? `−${size}` : size;
};
const percent = (value: number) => `${whole(100 * value)} %`;
const decibels = (value: number) => `${signed(value, 1)} dB`;
const ratio = (value: number) => `${value.toFixed(2)} : 1`;

interface Wording {
  name: (of: string) => string;
  value: (value: number) => string;
  /** A bound of the interval, without its unit, and the unit after the two. */
  bound: (value: number) => string;
  unit: string;
  what: string;
  /** What it rests on: "strokes". */
  from: string;
}

const timed = (name: Wording['name'], what: string, from = 'strokes'): Wording => ({
  name,
  value: ms,
  bound: (value) => signed(value),
  unit: 'ms',
  what,
  from,
});
const spread = (name: Wording['name'], what: string): Wording => ({
  name,
  value: plain,
  bound: (value) => String(whole(value)),
  unit: 'ms',
  what,
  from: 'strokes',
});
const loud = (name: Wording['name'], what: string, from = 'strokes'): Wording => ({
  name,
  value: decibels,
  bound: (value) => signed(value, 1),
  unit: 'dB',
  what,
  from,
});
const both = (of: string) => of.split('+');

const WORDINGS: Record<FigureKind, Wording> = {
  limb: timed(opening, 'Where this limb falls against the grid: the mean of its errors.'),
  evenness: spread(
    (limb) => `${opening(limb)}, evenness`,
    'How far its strokes scatter round its own trend: the standard deviation with two degrees of freedom less.',
  ),
  'left out': {
    name: (limb) => `${opening(limb)}, left out`,
    value: percent,
    bound: (value) => String(whole(100 * value)),
    unit: '%',
    what: 'Strokes that were due and not struck, as a share of this limb’s own.',
    from: 'strokes due',
  },
  rate: timed(
    (rate) => opening(rateInWords(rate)),
    'Where the strokes written in these notes fall: the mean of their errors.',
  ),
  'rate spread': spread(
    (rate) => `${opening(rateInWords(rate))}, spread`,
    'How far the strokes written in these notes scatter: their standard deviation.',
  ),
  switch: timed(
    (pair) => opening(switchInWords(pair)),
    'The first three notes after the change of rate: the mean of their errors. Whoever goes on in the old rate is late or early here.',
  ),
  swing: {
    name: (value) => `Swing of the ${value}s`,
    value: ratio,
    bound: (value) => value.toFixed(2),
    unit: ': 1',
    what: 'The long part of each swung pair against its short part, each pair told from its own first note.',
    from: 'pairs',
  },
  together: timed(
    (pair) => `${opening(both(pair)[1] ?? pair)} after ${both(pair)[0]}`,
    'Where both are written together: how much later the one lands than the other, on average.',
    'times together',
  ),
  phrase: timed(
    (bars) => `Within every ${bars} bars`,
    'How much later the end of a phrase falls than its beginning, by a line through each phrase. Below 0 it runs ahead.',
    'phrases',
  ),
  height: loud(
    (of) => opening(of),
    'How loud these strokes were, under the loudest that this input can tell: their mean.',
  ),
  accents: loud(
    (limb) => `${opening(limb)}, accents above the rest`,
    'How much louder accents were than this limb’s other strokes; from 6 dB on they are told apart at once.',
  ),
  'second loudness': loud(
    (limb) => `${opening(limb)}, second strokes`,
    'How loud the second stroke of a double was against its first; 3 dB less are heard as weak.',
    'doubles',
  ),
  flam: {
    ...spread(
      (limb) => `Flams of the ${limb}`,
      'How long before its stroke the grace came; 12 to 45 ms are heard as one flam.',
    ),
    from: 'flams',
  },
  doubles: timed(
    (limb) => `${opening(limb)}, second strokes`,
    'How late the second stroke of a double came after its first, against where it belongs.',
    'doubles',
  ),
};

/** Figures whose title says what they are, so that the limb or the rate is enough. */
const SHORT: readonly FigureKind[] = [
  'evenness',
  'left out',
  'rate spread',
  'accents',
  'second loudness',
  'flam',
  'doubles',
];

export function figureInWords(figure: TakeFigure): FigureInWords {
  const { kind, of, n, value, low, high, meant } = figure;
  const { name, value: said, bound, unit, what, from } = WORDINGS[kind];
  const isSure = value !== null && low !== null && high !== null;
  return {
    name: name(of),
    short: SHORT.includes(kind) ? opening(kind.startsWith('rate') ? rateInWords(of) : of) : name(of),
    value: value === null ? '–' : said(value),
    range: isSure ? `${bound(low)} to ${bound(high)} ${unit}` : 'too few to say',
    explained: [
      what,
      meant !== undefined && `${said(meant)} was meant.`,
      `From ${n} ${n === 1 ? from.replace(/s(?=$| )/, '') : from}.`,
      isSure
        ? `With 95 in 100 it lies between ${bound(low)} and ${bound(high)} ${unit}${said === ms ? ', late above 0' : ''}.`
        : 'They are too few to say how sure it is.',
    ]
      .filter(Boolean)
      .join(' '),
  };
}
