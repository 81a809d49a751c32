import { RATE } from '../dsp/bands';
import { ClickEcho } from '../detect/clicks';
import { Hearing, inOrder, type HeardStroke, type HearingOptions } from './hearing';
import { resampleTo48k } from '../dsp/resample';
import { partOf, stretches } from '../dsp/chunks';

/** The click is learnt from so many seconds at most. */
const CLICK_SECONDS = 40;

/** What may be known of a recording, besides: `onShare` hears how much of it is done, 0 to 1. */
export interface FindOptions extends HearingOptions {
  /** One entry a voice of the click, at the recording's rate, and when it was sent to the loudspeaker. */
  clicks?: readonly { samples: Float32Array; atMs: readonly number[] }[];
  onShare?: (share: number) => void;
}

/**
 * Every stroke in a recording of one channel, in order. With a kit (see `learnKit`) each has its surface, and limbs
 * that strike together are told apart; with what is expected it listens harder there. Throws a RangeError for a
 * sample rate that no recording has. Samples that are no numbers are taken as silence.
 */
export function findStrokes(samples: Float32Array, sampleRate: number, options: FindOptions = {}): HeardStroke[] {
  const echo = echoIn(samples, sampleRate, options);
  const hearing = new Hearing(options);
  const seconds = samples.length / sampleRate;
  const strokes: HeardStroke[] = [];
  for (const { stretch, ...where } of stretches(samples, sampleRate)) {
    const left = echo?.takeOut(stretch, (where.startMs * RATE) / 1000);
    strokes.push(...hearing.strokesIn(stretch, where, left));
    options.onShare?.(Math.min(1, where.toMs / 1000 / seconds));
  }
  return strokes;
}

/** The click as it comes back, learnt from the beginning of a recording; nothing where there was no click. */
export function echoIn(
  samples: Float32Array,
  sampleRate: number,
  { clicks = [], expected }: FindOptions,
): ClickEcho | undefined {
  if (!clicks.some(({ atMs }) => atMs.length)) return undefined;
  const seconds = Math.min(CLICK_SECONDS, samples.length / sampleRate);
  const voices = clicks.map((voice) => ({ samples: resampleTo48k(voice.samples, sampleRate), atMs: voice.atMs }));
  return new ClickEcho(partOf(samples, sampleRate, 0, seconds), voices, inOrder(expected)[0]?.ms);
}

/** How much later than sent the click comes back into a recording, in milliseconds; undefined where it does not. */
export const clickDelayIn = (samples: Float32Array, sampleRate: number, options: FindOptions): number | undefined =>
  echoIn(samples, sampleRate, options)?.delayMs;

/**
 * A recording at the hearing's rate with the click that came back into it taken out; the recording as it is where none
 * came back.
 */
export function withoutClicks(samples: Float32Array, sampleRate: number, options: FindOptions): Float32Array {
  const rest = resampleTo48k(samples, sampleRate).slice();
  echoIn(samples, sampleRate, options)?.takeOut(rest, 0);
  return rest;
}
