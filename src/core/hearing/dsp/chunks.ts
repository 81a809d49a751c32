import type { Ms } from '../../time/units';
import { RATE } from './bands';
import { resampleTo48k } from './resample';

/** A part of a recording that is heard by itself, with some of what is about it. */
export interface Stretch {
  /** At the rate it is heard at; it may be changed. */
  stretch: Float32Array;
  /** When its first sample is, on the clock of the recording. */
  startMs: Ms;
  /** What is from here to before there is asked for. */
  fromMs: Ms;
  toMs: Ms;
}

/** A recording is heard in stretches of so many seconds, so that a long one takes no more memory. */
const STRETCH = 20;
/** Before each and after it so much is heard with it: what rings on, and the quiet by which the floor is told. */
const LEAD = 3;
const TAIL = 2;
/** Beside what is brought to another rate so much is brought with it, so that its edges are right. */
const MARGIN = 1;

/** The recording in stretches, in order. Throws a RangeError for a sample rate that no recording has. */
export function* stretches(samples: Float32Array, sampleRate: number): Generator<Stretch> {
  const seconds = samples.length / sampleRate;
  for (let from = 0, to = 0; to < seconds || from === 0; from = to) {
    // What is left at the end is heard with the stretch before it.
    to = from + STRETCH < seconds - TAIL ? from + STRETCH : Math.max(seconds, 1e-9);
    const start = Math.max(0, from - LEAD);
    const isLast = to >= seconds;
    yield {
      stretch: partOf(samples, sampleRate, start, isLast ? to : to + TAIL),
      startMs: 1000 * start,
      fromMs: 1000 * from,
      toMs: isLast ? Infinity : 1000 * to,
    };
    if (isLast) return;
  }
}

/** A part of a recording at the rate it is heard at, from a whole second on; what is no number is silence. */
export function partOf(
  samples: Float32Array,
  sampleRate: number,
  fromSeconds: number,
  toSeconds: number,
): Float32Array {
  const start = Math.max(0, fromSeconds - MARGIN);
  const part = samples.slice(Math.round(start * sampleRate), Math.ceil((toSeconds + MARGIN) * sampleRate));
  for (let index = 0; index < part.length; index++) if (!Number.isFinite(part[index]!)) part[index] = 0;
  return resampleTo48k(part, sampleRate).slice((fromSeconds - start) * RATE, Math.ceil((toSeconds - start) * RATE));
}
