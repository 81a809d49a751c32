import { shiftOf } from '../detect/align';
import { BANDS, FilterBank, HOP, RATE, WIDE_BANDS, type Powers } from '../dsp/bands';
import {
  candidatesIn,
  FLOOR_SHARE,
  ONSET_THRESHOLD,
  PEAK_HOPS,
  withoutEchoes,
  type Candidate,
} from '../detect/candidates';
import type { ClickEcho, EchoResidual } from '../detect/clicks';
import { DECIDE_BLIND, decideInformed } from '../kit/decide';
import { NoiseFloor } from '../dsp/noiseFloor';
import { asHeard, asStroke, heardAlone, inOrder, LEAST_WITH_KIT, type HeardStroke } from './hearing';
import { echoIn, findStrokes, type FindOptions } from './find';
import { narrowFloor } from '../kit/kit';
import type { Expected } from '../kit/scoreSurfaces';
import { onsetStrength } from '../dsp/onsetStrength';
import { resampleTo48k } from '../dsp/resample';
import { Looker, type SurfaceStroke } from '../kit/surfaces';

/** A stroke is told when so many hops of it were heard; with them it is known to 100 ms from when it began. */
const TOLD_HOPS = 62;
/** So many hops are remembered, and so many more before what is older is let go. */
const KEPT_HOPS = 4500;
const SPARE_HOPS = 4500;
/** The floor is told anew so often. */
const FLOOR_HOPS = 250;
/** How much later than written all is played is told from so many strokes of late. */
const SHIFT_STROKES = 6;
/**
 * The click is learnt once so much of it came back; where none did, it is looked for again after twice as long, so
 * often.
 */
const CLICK_HOPS = 3500;
const CLICK_TRIES = 3;
/** Samples beside a block that are brought to the other rate with it: as many as the filter reaches. */
const MARGIN = 160;

/**
 * Hears while it is recorded: fed block by block, it tells each stroke within 100 ms of when it began. It knows nothing
 * of what is to come, so that some of what it tells is corrected at the end: `finish` hears the whole again.
 */
export class LiveHearing {
  private recorded: Float32Array;
  private length = 0;
  private heardTo = 0;
  /** Samples of the recording that make whole hops. */
  private readonly unit: number;
  private readonly expected: readonly Expected[];
  private readonly bank = new FilterBank();
  private readonly powers = emptyPowers(KEPT_HOPS + SPARE_HOPS);
  private samples = new Float32Array((KEPT_HOPS + SPARE_HOPS) * HOP);
  private novelty = new Float32Array(KEPT_HOPS + SPARE_HOPS);
  /** Hops that were let go before the first that is remembered. */
  private gone = 0;
  private floors?: { wide: NoiseFloor; narrow: NoiseFloor; at: number };
  private lastHop = -Infinity;
  private waiting: Candidate[] = [];
  private recent: Candidate[] = [];
  private strokes: SurfaceStroke[] = [];
  private shift: number | undefined;
  private echo: ClickEcho | undefined;
  private clickTries = 0;

  /** Throws a RangeError for a sample rate that no recording has. */
  constructor(
    private readonly sampleRate: number,
    private readonly options: FindOptions = {},
  ) {
    this.unit = unitOf(sampleRate);
    this.expected = inOrder(options.expected);
    this.recorded = new Float32Array(30 * Math.round(sampleRate));
    resampleTo48k(new Float32Array(), sampleRate);
  }

  /** The strokes that are told by this block, of any length. */
  feed(block: Float32Array): HeardStroke[] {
    this.keep(block);
    const margin = this.sampleRate === RATE ? 0 : MARGIN;
    const whole = Math.floor((this.length - margin - this.heardTo) / this.unit) * this.unit;
    if (whole <= 0) return [];
    const from = Math.max(0, this.heardTo - Math.ceil(margin / this.unit) * this.unit);
    const part = this.recorded.slice(from, this.heardTo + whole + margin);
    for (let index = 0; index < part.length; index++) if (!Number.isFinite(part[index]!)) part[index] = 0;
    const toRate = (samples: number) => Math.round((samples * RATE) / this.sampleRate);
    const block48 = resampleTo48k(part, this.sampleRate).slice(
      toRate(this.heardTo - from),
      toRate(this.heardTo - from + whole),
    );
    const start = toRate(this.heardTo);
    this.heardTo += whole;
    this.hearClick();
    this.listen(block48, this.echo?.takeOut(block48, start));
    return this.tell();
  }

  /** The whole recording heard again, with what came later known: what counts. */
  finish(): HeardStroke[] {
    return findStrokes(this.recording, this.sampleRate, this.options);
  }

  /** All that it was fed, in one piece: not a copy. */
  get recording(): Float32Array {
    return this.recorded.subarray(0, this.length);
  }

  private keep(block: Float32Array): void {
    if (this.length + block.length > this.recorded.length) {
      // By a minute at once: twice as much as there is would be too much of a long take.
      const more = new Float32Array(this.length + block.length + 60 * Math.round(this.sampleRate));
      more.set(this.recording);
      this.recorded = more;
    }
    this.recorded.set(block, this.length);
    this.length += block.length;
  }

  /** Once enough clicks came back they can be taken out of what follows. */
  private hearClick(): void {
    if (this.echo || !this.options.clicks?.length || this.clickTries === CLICK_TRIES) return;
    if (this.heardTo < (CLICK_HOPS * 2 ** this.clickTries * this.sampleRate) / 1000) return;
    this.clickTries++;
    const echo = echoIn(this.recorded.subarray(0, this.heardTo), this.sampleRate, this.options);
    if (echo?.isHeard) this.echo = echo;
  }

  private listen(block: Float32Array, left?: EchoResidual): void {
    if (this.powers.hops + block.length / HOP > KEPT_HOPS + SPARE_HOPS) this.letGo();
    const { powers } = this;
    const more = this.bank.feed(block);
    powers.narrow.set(more.narrow, powers.hops * BANDS);
    powers.wide.set(more.wide, powers.hops * WIDE_BANDS);
    powers.left!.narrow.fill(0, powers.hops * BANDS, (powers.hops + more.hops) * BANDS);
    powers.left!.wide.fill(0, powers.hops * WIDE_BANDS, (powers.hops + more.hops) * WIDE_BANDS);
    if (left) {
      powers.left!.narrow.set(left.narrow, powers.hops * BANDS);
      powers.left!.wide.set(left.wide, powers.hops * WIDE_BANDS);
    }
    this.samples.set(block, powers.hops * HOP);
    const from = powers.hops;
    powers.hops += more.hops;
    if (!this.floors || powers.hops - this.floors.at >= FLOOR_HOPS)
      this.floors = {
        wide: new NoiseFloor(powers, powers.wide, WIDE_BANDS, FLOOR_SHARE, false),
        narrow: narrowFloor(powers, false),
        at: powers.hops,
      };
    // The last hops of the block before are told anew, now that what follows them is known.
    onsetStrength(powers, this.floors.wide, Math.max(1, from - 4), this.novelty);
  }

  private letGo(): void {
    const { powers } = this;
    const drop = powers.hops - KEPT_HOPS;
    if (drop <= 0) return;
    for (const { narrow, wide } of [powers, powers.left!]) {
      narrow.copyWithin(0, drop * BANDS, powers.hops * BANDS);
      wide.copyWithin(0, drop * WIDE_BANDS, powers.hops * WIDE_BANDS);
    }
    this.samples.copyWithin(0, drop * HOP, powers.hops * HOP);
    this.novelty.copyWithin(0, drop, powers.hops);
    powers.hops = KEPT_HOPS;
    this.gone += drop;
    this.lastHop -= drop;
    const moved = <T extends { sample: number }>(of: T[]) =>
      of.map((one) => ({ ...one, sample: one.sample - drop * HOP }));
    this.waiting = moved(this.waiting).map((one) => ({ ...one, hop: one.hop - drop }));
    this.recent = moved(this.recent).map((one) => ({ ...one, hop: one.hop - drop }));
    this.strokes = moved(this.strokes).slice(-40);
    this.floors = undefined;
  }

  private tell(): HeardStroke[] {
    const { powers, options } = this;
    const floors = this.floors;
    if (!floors) return [];
    // A peak is known once the hops after it are, and that it is none of a lossy file's once what may follow is.
    const known = powers.hops - 22;
    const least = options.kit?.surfaces.length ? LEAST_WITH_KIT : ONSET_THRESHOLD;
    const found = candidatesIn(this.samples.subarray(0, powers.hops * HOP), this.novelty.subarray(0, known), {
      least: () => least,
      from: Math.max(1, this.lastHop + 1),
      last: this.lastHop,
      isKit: options.kit !== undefined && options.kit.surfaces.length > 0,
    }).filter(({ hop }) => hop < known - PEAK_HOPS);
    if (found.length) this.lastHop = found.at(-1)!.hop;
    this.waiting.push(...found);
    const ripe = this.waiting.filter(({ hop }) => hop + TOLD_HOPS <= powers.hops);
    if (!ripe.length) return [];
    const waiting = this.waiting.slice(ripe.length);
    const onClock = <T extends HeardStroke>(stroke: T): T => ({ ...stroke, ms: stroke.ms + this.gone });
    let told: HeardStroke[];
    if (options.kit?.surfaces.length) {
      const looker = new Looker(powers, floors.narrow, options.kit);
      const written = this.written();
      const strokes = looker.struckAt(ripe, written ? decideInformed(written, this.strokes.slice(-40)) : DECIDE_BLIND, {
        earlier: this.strokes.slice(-40),
        later: waiting,
      });
      this.strokes.push(...strokes);
      told = strokes.map(asStroke);
    } else {
      this.recent = [...this.recent, ...ripe].slice(-24);
      const kept = new Set(withoutEchoes(this.recent, powers));
      told = ripe.filter((one) => kept.has(one)).map((one) => heardAlone(powers, floors.narrow, one));
    }
    this.waiting = waiting;
    return told.map(onClock);
  }

  /** What is written about now, on the clock of what is remembered, as much later as all is played. */
  private written() {
    const { expected } = this;
    if (!expected.length) return undefined;
    const [from, to] = [this.gone - 500, this.gone + this.powers.hops + 500];
    const near = expected.filter(({ ms }) => ms > from && ms < to).map((one) => ({ ...one, ms: one.ms - this.gone }));
    const late = this.strokes.slice(-24);
    if (late.length >= SHIFT_STROKES)
      this.shift = shiftOf(
        late.map((stroke) => ({ ...asHeard(stroke), surface: stroke.surface })),
        near,
        this.shift,
      );
    return near.map((one) => ({ ...one, ms: one.ms + (this.shift ?? 0) }));
  }
}

function emptyPowers(hops: number): Powers {
  const empty = () => ({ narrow: new Float32Array(hops * BANDS), wide: new Float32Array(hops * WIDE_BANDS) });
  return { hops: 0, ...empty(), left: empty() };
}

/** The fewest samples at a rate that make whole hops at the rate that is heard at. */
function unitOf(sampleRate: number): number {
  for (let ms = 1; ms <= 100; ms++) {
    const samples = (sampleRate * ms) / 1000;
    if (Number.isInteger(samples)) return samples;
  }
  throw new RangeError(`${sampleRate} samples a second are no recording`);
}
