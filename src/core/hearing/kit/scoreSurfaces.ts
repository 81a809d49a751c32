import type { Height, Surface } from '../../groove/limbs';
import type { Decibels, Ms } from '../../time/units';
import { BANDS, HOP, type Powers } from '../dsp/bands';
import type { Candidate } from '../detect/candidates';
import { distanceOf, fitted, standsOut, type Fit } from '../detect/fit';
import type { NoiseFloor } from '../dsp/noiseFloor';
import { MOST_SHIFT, shifted, type Kit, type LearntSurface } from './kit';
import { backgroundAt, stillRinging, type Ringing } from './ringing';
import { CELLS, CELL_WEIGHTS, roughly, ROUGH_WEIGHTS, SLICES, sliceEnd, slicesFrom } from '../dsp/slices';

/** A stroke that is written, on the clock of the recording. */
export interface Expected {
  ms: Ms;
  surface: Surface;
  height: Height;
}

/** One surface at one candidate: how loud it would be, when it began, and what speaks for it. */
export interface SurfaceScore {
  surface: Surface;
  sample: number;
  levelDb: Decibels;
  /** The same against the loudest stroke the surface was learnt from. */
  underDb: Decibels;
  parts: Ringing['parts'];
  facts: Float64Array;
}

/** What is known of a candidate beside its sound. */
export interface CandidateContext {
  /** The next thing that begins, where it is near. */
  next?: Candidate;
  /** Strokes that were heard before and may still ring, in order. */
  earlier: readonly (Ringing & { surface: Surface; levelDb: Decibels })[];
}

/**
 * A surface whose sound can be left out for so little, or that more than so many others outdo, is not looked at
 * further.
 */
const LEAST_LOSS = 0.1;
const MOST_ACTIVE = 6;
/** So many surfaces at a candidate are tried earlier and later, where each explains at least so much. */
const MOST_MOVED = 3;
const MOVED_LOSS = 2;
const SHIFTS = [-9, -5, 5, 9];
const FINER = [
  [-2, 2],
  [-1, 1],
];
/** What a shift must gain, and each hop of it. */
const SHIFT_COST = 0.6;
const SHIFT_HOP_COST = 0.1;
const SHIFT_ROUNDS = 4;
const LEFT_OUT_ROUNDS = 7;

/** One surface in the model of a candidate: what it sounds like from there, and the power of each of its templates. */
interface Active {
  learnt: LearntSurface;
  shift: number;
  sounds: Float64Array[];
  gains: Float64Array;
  loss: number;
}

/**
 * What each surface of a kit would explain of a candidate. Looked at twice: among all of the kit's surfaces, and then
 * among those alone that `isPlausible`, since each takes from the others what it explains as well; only then is each
 * moved to when it began.
 */
export function scoreSurfaces(
  powers: Powers,
  floor: NoiseFloor,
  kit: Kit,
  candidate: Candidate,
  around: CandidateContext,
  isPlausible: (look: SurfaceScore) => boolean,
): SurfaceScore[] {
  const hop = Math.floor(candidate.sample / HOP);
  const ringing = stillRinging(around.earlier, hop);
  const scene = new Scene(
    slicesFrom(powers, hop),
    backgroundAt(powers, floor, hop, ringing),
    cellsUntil(around.next ? Math.floor(around.next.sample / HOP) - hop : Infinity),
  );
  scene.settle(kit.surfaces);
  scene.leaveOneOutLoss(0);
  const looks = looksIn(scene, candidate, ringing);
  const plausible = looks.filter(isPlausible).map(({ surface }) => surface);
  if (!plausible.length) return looks;
  if (plausible.length < looks.length) scene.settle(kit.surfaces.filter(({ surface }) => plausible.includes(surface)));
  scene.moveAll();
  scene.leaveOneOutLoss(LEFT_OUT_ROUNDS);
  return looksIn(scene, candidate, ringing);
}

function looksIn(scene: Scene, candidate: Candidate, ringing: CandidateContext['earlier']): SurfaceScore[] {
  const { active, background, cells, model, distance } = scene;
  const weights = cells.reduce((sum, weight) => sum + weight, 0);
  const whole = active.reduce((sum, { gains }) => sum + total(gains), 1e-30);
  const mostLoss = Math.max(1e-9, ...active.map(({ loss }) => loss));
  const explained = Math.log1p(Math.max(0, distanceOf(scene.heard, background, cells) - distance));
  return active.map((one): SurfaceScore => {
    const own = powerOf(one.sounds, one.gains);
    const others = model.map((power, cell) => Math.max(1e-15, power - own[cell]!));
    const power = total(one.gains) + 1e-30;
    const levelDb = 10 * Math.log10(power);
    const { surface, softestDb, loudestDb, templates } = one.learnt;
    const sample = candidate.sample + one.shift * HOP;
    const last = ringing.findLast((each) => each.surface === surface);
    const sinceMs = last ? Math.max(1, (sample - last.sample) / HOP) : Infinity;
    const rival = Math.max(1e-30, ...active.map((other) => (other === one ? 0 : total(other.gains))));
    return {
      surface,
      sample,
      levelDb,
      underDb: levelDb - loudestDb,
      parts: templates.map((template, index) => ({ template, gain: one.gains[index]! })),
      facts: Float64Array.of(
        Math.log1p(one.loss),
        (10 * one.loss) / weights,
        bounded((levelDb - loudestDb) / 10, 4),
        bounded((levelDb - softestDb) / 10, 4),
        bounded(standsOut(own, 1, others) / 10, 4),
        bounded(standsOut(own, 1, background) / 10, 4),
        power / whole,
        Math.log(candidate.rise + 0.1),
        distance / weights,
        one.loss / mostLoss,
        Math.abs(one.shift) / MOST_SHIFT,
        power >= rival ? 1 : 0,
        cells.length / CELLS,
        Math.exp(-sinceMs / 80),
        last ? bounded((levelDb - last.levelDb) / 20, 2) * Math.exp(-sinceMs / 150) : 0,
        explained,
        bounded(Math.log(power / rival) / 4, 2),
        active.length / 6,
      ),
    };
  });
}

/** Which sounds add up to what was heard at a candidate, and how much each is needed. */
class Scene {
  active: Active[] = [];
  model: Float64Array = new Float64Array(CELLS);
  distance = 0;

  constructor(
    readonly heard: Float64Array,
    readonly background: Float64Array,
    /** Weights of the cells that count. */
    readonly cells: Float64Array,
  ) {}

  /** Finds what each of some surfaces is needed for. */
  settle(surfaces: readonly LearntSurface[]): void {
    this.active = surfaces.map((learnt) => ({
      learnt,
      shift: 0,
      sounds: learnt.templates.map((template) => shifted(template, 0)),
      gains: new Float64Array(learnt.templates.length),
      loss: 0,
    }));
    this.choose();
    this.take(this.refit(this.active, SHIFT_ROUNDS));
  }

  /** Finds when each sound began, where more than one is there. */
  moveAll(): void {
    const movable = this.active.filter(({ loss }) => loss > MOVED_LOSS).slice(0, MOST_MOVED);
    if (movable.length < 2) return;
    for (const one of movable) this.move(one);
  }

  /** What the whole loses without each, once the others were fitted anew in so many rounds. */
  leaveOneOutLoss(rounds: number): void {
    for (const one of this.active) {
      const without = rounds
        ? this.refit(
            this.active.filter((other) => other !== one),
            rounds,
          ).distance
        : distanceOf(this.heard, this.without(one.sounds, one.gains), this.cells);
      one.loss = Math.max(0, without - this.distance);
    }
  }

  /**
   * Keeps those that the whole is worse without, those first that it needs most. Told from slices the first of which
   * are one: a limb that was a few milliseconds later must not be taken for another that fits its beginning.
   */
  private choose(): void {
    const whole = this.cells.length === CELLS;
    const [heard, background, weights] = whole
      ? [roughly(this.heard), roughly(this.background), ROUGH_WEIGHTS]
      : [this.heard, this.background, this.cells];
    const soundsOf = ({ learnt, sounds }: Active) => (whole ? learnt.templates.map(({ rough }) => rough) : sounds);
    this.take(fitted(heard, background, this.active.flatMap(soundsOf), weights));
    for (const one of this.active) {
      one.loss = distanceOf(heard, this.without(soundsOf(one), one.gains), weights) - this.distance;
    }
    this.active = this.active
      .filter(({ loss }) => loss > LEAST_LOSS)
      .sort((a, b) => b.loss - a.loss)
      .slice(0, MOST_ACTIVE);
  }

  private without(sounds: readonly Float64Array[], gains: Float64Array): Float64Array {
    const own = powerOf(sounds, gains);
    return this.model.map((power, cell) => Math.max(1e-15, power - own[cell]!));
  }

  private refit(active: readonly Active[], rounds: number): Fit {
    const start = Float64Array.from(active.flatMap(({ gains }) => [...gains]));
    return fitted(
      this.heard,
      this.background,
      active.flatMap(({ sounds }) => sounds),
      this.cells,
      start,
      rounds,
    );
  }

  private take({ gains, model, distance }: Fit): void {
    let at = 0;
    for (const one of this.active) {
      one.gains = gains.slice(at, at + one.sounds.length);
      at += one.sounds.length;
    }
    this.model = model;
    this.distance = distance;
  }

  /** Finds when a sound began, a little before or after the candidate. */
  private move(one: Active): void {
    const at = (shift: number) => {
      one.shift = shift;
      one.sounds = one.learnt.templates.map((template) => shifted(template, shift));
    };
    let best = { shift: 0, cost: this.distance, fit: undefined as Fit | undefined };
    for (const shifts of [SHIFTS, ...FINER]) {
      const middle = best.shift;
      for (const by of shifts) {
        const shift = middle + by;
        if (Math.abs(shift) > MOST_SHIFT || shift === 0) continue;
        at(shift);
        const fit = this.refit(this.active, SHIFT_ROUNDS);
        const cost = fit.distance + SHIFT_COST + SHIFT_HOP_COST * Math.abs(shift);
        if (cost < best.cost) best = { shift, cost, fit };
      }
    }
    at(best.shift);
    if (best.fit) this.take(best.fit);
  }
}

const total = (gains: Float64Array) => gains.reduce((sum, gain) => sum + gain, 0);

/** What some sounds come to at their gains, cell by cell. */
function powerOf(sounds: readonly Float64Array[], gains: Float64Array): Float64Array {
  const own = new Float64Array(sounds[0]!.length);
  for (const [index, sound] of sounds.entries())
    for (let cell = 0; cell < own.length; cell++) own[cell]! += gains[index]! * sound[cell]!;
  return own;
}

/** A value, no further from 0 than `most`. */
export const bounded = (value: number, most: number) => Math.max(-most, Math.min(most, value));

/** Weights of the cells of the slices that end before something else begins; two slices at least. */
function cellsUntil(hops: number): Float64Array {
  let slices = SLICES;
  while (slices > 2 && sliceEnd(slices - 1) > hops) slices--;
  return CELL_WEIGHTS.subarray(0, slices * BANDS);
}
