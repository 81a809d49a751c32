import type { Surface } from '../../groove/limbs';
import type { Decibels, Ms } from '../../time/units';
import { shiftOf } from '../detect/align';
import { BANDS, FilterBank, HOP, RATE, type Powers } from '../dsp/bands';
import { candidatesIn, ONSET_THRESHOLD, listened, withoutEchoes, type Candidate } from '../detect/candidates';
import type { NoiseFloor } from '../dsp/noiseFloor';
import { narrowFloor, levelOf, NARROW_FLOOR, type Kit } from '../kit/kit';
import type { Expected } from '../kit/scoreSurfaces';
import { DECIDE_BLIND, decideInformed } from '../kit/decide';
import type { EchoResidual } from '../detect/clicks';
import { inHops } from '../dsp/resample';
import { Looker, type SurfaceStroke } from '../kit/surfaces';
import { slicesFrom } from '../dsp/slices';
import type { Stretch } from '../dsp/chunks';
import { isTalk } from '../detect/talk';

/** One stroke as it was heard. */
export interface HeardStroke {
  /** Of the onset, from the first sample. */
  ms: Ms;
  /** Its mean power over the first 22 ms; 0 dB is the mean square of a full-scale square wave. */
  levelDb: Decibels;
  /** What was struck; only where the kit is known. */
  surface?: Surface;
  /** How sure it is that this was a stroke, 0 to 1. */
  sure: number;
}

export interface HearingOptions {
  kit?: Kit;
  /** What is written, on the clock of the recording, about: a shift of 300 ms or clocks that drift are found. */
  expected?: readonly Expected[];
}

/** Where a stretch lies in its recording. */
type Where = Omit<Stretch, 'stretch'>;

/** With a kit, less of a rise is looked at: what nothing explains falls away there. */
export const LEAST_WITH_KIT = 1.4;
/** Near its written place a stroke may rise less. */
export const LEAST_WRITTEN = { alone: 1.5, 'with kit': 0.7 };
const WRITTEN_NEAR: Ms = 10;

/** Written strokes in the order of time, however they came. */
export const inOrder = <T extends Expected>(expected: readonly T[] = []): T[] =>
  expected.toSorted((a, b) => a.ms - b.ms);

/** Hears one recording, stretch by stretch, in order: it remembers how much later than written all of it is played. */
export class Hearing {
  private shift: Ms | undefined;

  private readonly expected: readonly Expected[];

  constructor(private readonly options: HearingOptions) {
    this.expected = inOrder(options.expected);
  }

  /** `left` is what may be left of the click there. */
  strokesIn(samples: Float32Array, stretch: Where, left?: EchoResidual): HeardStroke[] {
    const powers: Powers = { ...new FilterBank().feed(inHops(samples)), ...(left && { left }) };
    const { novelty } = listened(powers);
    const { kit } = this.options;
    const found = kit?.surfaces.length
      ? this.withKit(samples, powers, novelty, kit, stretch)
      : this.alone(samples, powers, novelty, stretch);
    return found
      .map((stroke) => ({ ...stroke, ms: stroke.ms + stretch.startMs }))
      .filter(({ ms }) => ms >= stretch.fromMs && ms < stretch.toMs);
  }

  /** What is written in a stretch, on its own clock, as much later as all is played. */
  private writtenIn({ startMs }: Where, lengthMs: Ms, heard: Parameters<typeof shiftOf>[0]): Expected[] | undefined {
    const { expected } = this;
    if (!expected.length) return undefined;
    const reach = 400;
    const near = expected
      .filter(({ ms }) => ms > startMs - reach && ms < startMs + lengthMs + reach)
      .map((one) => ({ ...one, ms: one.ms - startMs }));
    this.shift = shiftOf(heard, near, this.shift);
    return near.map((one) => ({ ...one, ms: one.ms + (this.shift ?? 0) }));
  }

  private alone(samples: Float32Array, powers: Powers, novelty: Float32Array, stretch: Where): HeardStroke[] {
    const sure = candidatesIn(samples, novelty);
    if (isTalk(powers, withoutEchoes(sure, powers))) return [];
    const written = this.writtenIn(stretch, powers.hops, sure.map(asHeard));
    const isNear = nearWritten(written, powers.hops);
    const all = written
      ? candidatesIn(samples, novelty, { least: (hop) => (isNear[hop] ? LEAST_WRITTEN.alone : ONSET_THRESHOLD) })
      : sure;
    const floor = narrowFloor(powers);
    return withoutEchoes(all, powers).map((candidate) => heardAlone(powers, floor, candidate));
  }

  private withKit(
    samples: Float32Array,
    powers: Powers,
    novelty: Float32Array,
    kit: Kit,
    stretch: Where,
  ): HeardStroke[] {
    const floor = narrowFloor(powers);
    const candidates = candidatesIn(samples, novelty, { least: () => LEAST_WITH_KIT, isKit: true });
    const looker = new Looker(powers, floor, kit);
    const isRough = this.expected.length > 0;
    const blind = looker.struckAt(candidates, DECIDE_BLIND, { isRough });
    const written = this.writtenIn(
      stretch,
      powers.hops,
      blind.map((stroke) => ({ ...asHeard(stroke), surface: stroke.surface })),
    );
    if (!written) return blind.map(asStroke);
    const isNear = nearWritten(written, powers.hops);
    const more = candidatesIn(samples, novelty, {
      least: (hop) => (isNear[hop] ? LEAST_WRITTEN['with kit'] : LEAST_WITH_KIT),
      isKit: true,
    });
    return looker.struckAt(more, decideInformed(written, blind)).map(asStroke);
  }
}

/** A stroke where nothing is known of what is struck: as loud as it stands over the floor. */
export function heardAlone(powers: Powers, floor: NoiseFloor, { sample, hop, rise }: Candidate): HeardStroke {
  const quiet = floor.at(hop);
  const cells = slicesFrom(powers, Math.floor(sample / HOP)).map((power, cell) =>
    Math.max(0, power - NARROW_FLOOR.over * quiet[cell % BANDS]!),
  );
  return { ms: (1000 * sample) / RATE, levelDb: levelOf(cells), sure: rise / (rise + ONSET_THRESHOLD / 2) };
}

export const asHeard = ({ sample, rise }: Pick<Candidate, 'sample' | 'rise'>) => ({
  ms: (1000 * sample) / RATE,
  weight: Math.min(6, rise),
});
export const asStroke = ({ sample, levelDb, surface, sure }: SurfaceStroke): HeardStroke & { surface: Surface } => ({
  ms: (1000 * sample) / RATE,
  levelDb,
  surface,
  sure,
});

/** The hops near a written stroke. */
export function nearWritten(written: readonly Expected[] | undefined, hops: number): Uint8Array {
  const near = new Uint8Array(hops);
  for (const { ms } of written ?? [])
    near.fill(1, Math.max(0, Math.round(ms) - WRITTEN_NEAR), Math.max(0, Math.round(ms) + WRITTEN_NEAR));
  return near;
}
