import { FilterBank, WIDE_BANDS } from '../dsp/bands';
import { candidatesIn, listened, withoutEchoes } from '../detect/candidates';
import { inHops } from '../dsp/resample';
import { stretches } from '../dsp/chunks';
import { isTalk } from '../detect/talk';

/** What a recording is, beside the strokes in it. */
export interface AboutRecording {
  /** Nothing in it is louder than −60 dB. */
  isSilent: boolean;
  /** Share of its samples that are cut off at the loudest there is. */
  clipped: number;
  /** Most of its power is below 150 Hz and goes on throughout: mains hum, a fan. */
  hums: boolean;
  /** Somebody talks in so large a share of it. */
  talk: number;
}

const SILENT = 10 ** (-60 / 20);
/** So many samples alike at the loudest are cut off; waves touch it with one or two. */
const CUT_SAMPLES = 3;
const CUT_LEVEL = 0.98;
const HUM_SHARE = 0.6;

/** Looks at a recording as a whole, so that it can be said what is wrong with it. */
export function recordingQuality(samples: Float32Array, sampleRate: number): AboutRecording {
  let loudest = 0;
  for (const value of samples) if (Math.abs(value) > loudest) loudest = Math.abs(value);
  const all = { seconds: 0, talk: 0, low: 0, power: 0 };
  for (const { stretch, fromMs, toMs, startMs } of stretches(samples, sampleRate)) {
    const powers = new FilterBank().feed(inHops(stretch));
    const { novelty, floor } = listened(powers);
    const seconds = (Math.min(toMs, startMs + powers.hops) - fromMs) / 1000;
    all.seconds += seconds;
    if (isTalk(powers, withoutEchoes(candidatesIn(stretch, novelty), powers))) all.talk += seconds;
    for (let hop = 0; hop < powers.hops; hop++)
      for (let band = 0; band < WIDE_BANDS; band++) {
        const power = powers.wide[hop * WIDE_BANDS + band]!;
        all.power += power;
        if (band === 0) all.low += Math.min(power, 4 * floor.at(hop)[band]!);
      }
  }
  return {
    isSilent: loudest < SILENT,
    clipped: loudest >= CUT_LEVEL ? cutOff(samples, CUT_LEVEL * loudest) / samples.length : 0,
    hums: all.low > HUM_SHARE * all.power,
    talk: all.seconds ? all.talk / all.seconds : 0,
  };
}

function cutOff(samples: Float32Array, level: number): number {
  let [cut, run] = [0, 0];
  for (let index = 0; index <= samples.length; index++) {
    if (Math.abs(samples[index] ?? 0) >= level) run++;
    else {
      if (run >= CUT_SAMPLES) cut += run;
      run = 0;
    }
  }
  return cut;
}
