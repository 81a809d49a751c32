import FFT from 'fft.js';
import type { Ms } from '../../time/units';
import { BANDS, FilterBank, HOP, WIDE_BANDS, type Powers } from '../dsp/bands';
import { inHops } from '../dsp/resample';
import {
  between,
  bestLag,
  emphasised,
  energyOf,
  limited,
  medianOf,
  middleOf,
  powerOfTwo,
  spectrumOf,
} from '../dsp/waves';

/** A voice of the click, at the rate it is heard at, and when it was sent to the loudspeaker. */
export interface ClickVoice {
  samples: Float32Array;
  atMs: readonly number[];
}

/** The click comes back at most so much later; through a room for so long. */
const MOST_DELAY: Ms = 600;
const ROOM: Ms = 380;
/** What correlates best may be a wall: the response begins before it. */
const BEFORE: Ms = 25;
/** The clicks that are learnt from: the first, where a count-in is, and no more than so many. */
const LEARNT_CLICKS = 24;
/** Likenesses so many samples apart are of one wave. */
const WAVE = 24;
/** A click is looked for so far about where the clocks say it is. */
const WANDER: Ms = 2.5;
/** Against the strongest frequency of the click, what is under this cannot be divided by. */
const REGULAR = 2e-3;

/**
 * So many of all clicks have to be found again where one should be, or none came back: of those 18 dB under an accent
 * 0.2 to 0.6 are, where there is none 0 (the takes of `bench/heard/clicked`).
 */
const CAME_BACK = 0.1;

/** A voice is learnt from so many of its clicks at least. */
const FEWEST = 3;

/** However well it is taken out, so much of a click is left: loudspeakers are not linear. */
const LEAST_LEFT = 1e-3;

/** Powers that may be left of the click, hop by hop, as `Powers` are laid out. */
export type EchoResidual = Pick<Powers, 'narrow' | 'wide'>;

interface OneClick {
  voice: number;
  /** When it was sent, in samples; it may lie between two. */
  sample: number;
}

/**
 * The click as it comes back into a recording: how much later and how changed by loudspeaker, room and microphone,
 * learnt from the recording itself, so that it can be taken out.
 */
export class ClickEcho {
  private readonly clicks: OneClick[];
  /** What each voice comes back as, from `BEFORE` ahead of it on. */
  private returned: Float32Array[] = [];
  /** Its powers, and which share of them is left when it was taken out. */
  private returnedPowers: Powers[] = [];
  private leftShare = 1;
  /** Where a click comes back: samples later than sent, at the beginning and more for each sample. */
  private delay = 0;
  private drift = 0;
  /** The share of the clicks that were found again. */
  private share = 0;

  /**
   * `start` are the first samples of the recording, a minute at most; `strokesFrom` is when the first stroke is due,
   * where that is known.
   */
  constructor(
    start: Float32Array,
    private readonly voices: readonly ClickVoice[],
    strokesFrom: Ms = Infinity,
  ) {
    this.clicks = voices
      .flatMap(({ atMs, samples }, voice) => (samples.length ? atMs.map((ms) => ({ voice, sample: ms * HOP })) : []))
      .sort((a, b) => a.sample - b.sample);
    const within = this.clicks.filter(({ sample }) => sample >= 0 && sample + (MOST_DELAY + ROOM) * HOP < start.length);
    const counted = within.filter(({ sample }) => sample / HOP < strokesFrom - 150);
    const learnt = (counted.length >= 3 ? counted : within).slice(0, LEARNT_CLICKS);
    if (!learnt.length) return;
    this.delay = this.delayIn(start, learnt);
    // Twice: clocks that part far are followed only so far the first time.
    for (let round = 0; round < 2; round++)
      this.follow(
        start,
        within,
        voices.map(({ samples }) => samples),
      );
    // With headphones there is nothing to take out, and what strokes on the count have in common is not to be.
    if (this.share < CAME_BACK) return;
    this.learn(start, learnt, within);
    this.leftShare = this.leftOf(start, learnt);
    this.returnedPowers = this.returned.map((samples) => new FilterBank().feed(inHops(samples)));
  }

  /** Whether there is anything to take out. */
  get isHeard(): boolean {
    return this.returned.length > 0;
  }

  /**
   * How much later than sent a click comes back, halfway through all of them; undefined where it does not, as with
   * headphones.
   */
  get delayMs(): Ms | undefined {
    if (!this.isHeard) return undefined;
    const { sample } = this.clicks[Math.floor(this.clicks.length / 2)]!;
    return (this.delay + this.drift * sample) / HOP;
  }

  /** When clicks come back between two samples of the recording. */
  private echoSample({ sample }: OneClick): number {
    return sample + this.delay + this.drift * sample;
  }

  /**
   * The delay at which the clicks lie best under the recording. Each by itself, and their likenesses added up without
   * sign: where clocks part, waves would cancel each other.
   */
  private delayIn(start: Float32Array, clicks: readonly OneClick[]): number {
    const delays = MOST_DELAY * HOP;
    const longest = Math.max(...this.voices.map(({ samples }) => samples.length));
    const fft = new FFT(powerOfTwo(delays + 2 * longest));
    const shapes = this.voices.map(({ samples }) => spectrumOf(fft, emphasised(samples), 0));
    const sums = new Float64Array(delays);
    for (const { voice, sample } of clicks) {
      const heard = limited(emphasised(start.subarray(Math.round(sample), Math.round(sample) + delays + longest)));
      const like = spectrumOf(fft, heard, 0);
      const shape = shapes[voice]!;
      for (let bin = 0; bin < like.length; bin += 2) {
        const [re, im, u, v] = [shape[bin]!, -shape[bin + 1]!, like[bin]!, like[bin + 1]!];
        like[bin] = re * u - im * v;
        like[bin + 1] = re * v + im * u;
      }
      const back = fft.createComplexArray() as number[];
      fft.inverseTransform(back, like);
      const size = 1 / Math.sqrt(energyOf(heard) + 1e-20);
      for (let from = 0; from < delays; from += WAVE) {
        let most = 0;
        for (let index = from; index < from + 2 * WAVE && index < delays; index++)
          most = Math.max(most, Math.abs(back[2 * index]!));
        for (let index = from; index < from + WAVE; index++) sums[index]! += size * most;
      }
    }
    return sums.indexOf(sums.reduce((most, value) => Math.max(most, value), 0)) + WAVE;
  }

  /** Fits when clicks come back, a line over the recording, to where each lies best under what it is taken for. */
  private follow(samples: Float32Array, clicks: readonly OneClick[], shapes: readonly Float32Array[]): void {
    const points = clicks.flatMap((click) => {
      const shape = shapes[click.voice]!;
      const echoSample = this.echoSample(click);
      const at = Math.round(echoSample);
      const { lag, likeness } = bestLag(samples, shape.subarray(0, 60 * HOP), at, WANDER * HOP);
      return likeness > 0.4 ? [{ x: click.sample, y: at - echoSample + lag }] : [];
    });
    this.share = points.length / Math.max(1, clicks.length);
    if (points.length < 4) return;
    const slopes = points.flatMap((a, index) => points.slice(index + 1).map((b) => (b.y - a.y) / (b.x - a.x || 1)));
    const slope = Math.max(-4e-4, Math.min(4e-4, medianOf(slopes)));
    this.drift += slope;
    this.delay += medianOf(points.map(({ x, y }) => y - slope * x));
  }

  /**
   * Learns what each voice comes back as: the middle of what was heard at its clicks, sample by sample, which strokes
   * on fewer than half of them do not touch. A voice with too few clicks of its own is what the others say of the
   * room.
   */
  private learn(start: Float32Array, counted: readonly OneClick[], all: readonly OneClick[]): void {
    const gaps = all.slice(1).map(({ sample }, index) => sample - all[index]!.sample);
    const long = Math.min((BEFORE + ROOM) * HOP, ...gaps.filter((gap) => gap > 60 * HOP));
    const known = this.voices.map((_, voice) => {
      const [own, any] = [counted, all].map((clicks) => clicks.filter((click) => click.voice === voice));
      const learnt = (own!.length >= FEWEST ? own! : any!).slice(0, LEARNT_CLICKS);
      if (learnt.length < FEWEST) return undefined;
      return middleOf(
        learnt.map((click) => between(start, this.echoSample(click) - BEFORE * HOP, long)),
        long,
        5 * HOP,
      );
    });
    const room = known.every(Boolean) ? undefined : this.roomFrom(known, long);
    this.returned = known.map(
      (samples, voice) => samples ?? room?.(this.voices[voice]!.samples) ?? new Float32Array(long),
    );
    if (!known.some(Boolean)) this.returned = [];
  }

  /** What a voice comes back as, from what others do: the regularised quotient of what came back and what was sent. */
  private roomFrom(known: readonly (Float32Array | undefined)[], long: number): (voice: Float32Array) => Float32Array {
    const fft = new FFT(powerOfTwo(2 * long));
    const [top, bottom] = [new Float64Array(2 * fft.size), new Float64Array(fft.size)];
    for (const [voice, heard] of known.entries()) {
      if (!heard) continue;
      const [c, y] = [
        spectrumOf(fft, this.voices[voice]!.samples.subarray(0, long), 0),
        spectrumOf(fft, heard, 5 * HOP),
      ];
      for (let bin = 0; bin < fft.size; bin++) {
        const [cr, ci, yr, yi] = [c[2 * bin]!, c[2 * bin + 1]!, y[2 * bin]!, y[2 * bin + 1]!];
        top[2 * bin]! += cr * yr + ci * yi;
        top[2 * bin + 1]! += cr * yi - ci * yr;
        bottom[bin]! += cr * cr + ci * ci;
      }
    }
    const least = REGULAR * bottom.reduce((most, value) => Math.max(most, value), 0) + 1e-30;
    return (voice) => {
      const spectrum = spectrumOf(fft, voice.subarray(0, long), 0);
      for (let bin = 0; bin < fft.size; bin++) {
        const scale = 1 / (bottom[bin]! + least);
        const [re, im, u, v] = [
          top[2 * bin]! * scale,
          top[2 * bin + 1]! * scale,
          spectrum[2 * bin]!,
          spectrum[2 * bin + 1]!,
        ];
        spectrum[2 * bin] = re * u - im * v;
        spectrum[2 * bin + 1] = re * v + im * u;
      }
      const back = fft.createComplexArray() as number[];
      fft.inverseTransform(back, spectrum);
      return Float32Array.from({ length: long }, (_, index) => back[2 * index]!);
    };
  }

  /** Which share of a click is left when it is taken out: of the half of them that are least struck over. */
  private leftOf(start: Float32Array, clicks: readonly OneClick[]): number {
    const shares = clicks.map((click) => {
      const shape = this.returned[click.voice]!;
      const from = BEFORE * HOP;
      const heard = between(start, this.echoSample(click), Math.min(40 * HOP, shape.length - from));
      return energyOf(heard.map((value, index) => value - shape[from + index]!)) / (energyOf(heard) + 1e-20);
    });
    const sorted = shares.sort((a, b) => a - b);
    return Math.min(1, Math.max(LEAST_LEFT, sorted[Math.floor(sorted.length / 4)] ?? 1));
  }

  /**
   * Takes the click out of `samples`, which begin at sample `from` of the recording; the numbers themselves are
   * changed. Gives what may still be left of it, hop by hop.
   */
  takeOut(samples: Float32Array, from: number): EchoResidual {
    const hops = Math.ceil(samples.length / HOP);
    const left = { narrow: new Float32Array(hops * BANDS), wide: new Float32Array(hops * WIDE_BANDS) };
    if (!this.isHeard) return left;
    for (const click of this.clicks) {
      const at = this.echoSample(click) - BEFORE * HOP - from;
      const shape = this.returned[click.voice]!;
      if (at + shape.length < 0 || at > samples.length) continue;
      const whole = Math.floor(at);
      const part = at - whole;
      for (let index = Math.max(0, -whole); index <= shape.length && whole + index < samples.length; index++)
        samples[whole + index]! -= (1 - part) * (shape[index] ?? 0) + part * (shape[index - 1] ?? 0);
      this.addLeft(left, hops, this.returnedPowers[click.voice]!, Math.round(at / HOP));
    }
    return left;
  }

  private addLeft(left: EchoResidual, hops: number, { narrow, wide, hops: long }: Powers, first: number): void {
    for (let hop = Math.max(0, -first); hop < long && first + hop < hops; hop++) {
      for (let band = 0; band < BANDS; band++)
        left.narrow[(first + hop) * BANDS + band]! += this.leftShare * narrow[hop * BANDS + band]!;
      for (let band = 0; band < WIDE_BANDS; band++)
        left.wide[(first + hop) * WIDE_BANDS + band]! += this.leftShare * wide[hop * WIDE_BANDS + band]!;
    }
  }
}
