import type { Hit } from '../../documents/take';
import type { Verdict } from '../../documents/verdict';
import type { Limb } from '../../groove/limbs';
import type { Schedule, TimedStroke } from '../../schedule/timed';
import type { WholeNotes } from '../../time/fraction';
import type { Ms } from '../../time/units';
import type { Figures } from './figures';

/** What became of a stroke that was due. `not judgeable`: the input cannot tell whether it was played. */
export type Outcome = 'matched' | 'missed' | 'not judgeable';

/** A stroke that was due, with what came of it. `hitMs` and `errorMs` are those of a matched one. */
export interface JudgedStroke {
  stroke: TimedStroke;
  outcome: Outcome;
  hitMs?: Ms;
  errorMs?: Ms;
  /** The smallest error that can be heard here. */
  audibleMs: Ms;
}

/** A hit that belongs to no stroke; `barInRun` is the bar it fell in. */
export interface ExtraHit extends Hit {
  barInRun: number;
}

/** All strokes of one limb at one written place of the groove, over all times it was played. */
export interface PlaceFigures extends Figures {
  limb: Limb;
  bar: number;
  written: WholeNotes;
}

/** One exercise of a drill, all its times. */
export interface ExerciseFigures extends Figures {
  exercise: number;
}

export interface Judgement {
  schedule: Schedule;
  strokes: JudgedStroke[];
  extra: ExtraHit[];
  figures: Figures;
  byLimb: (Figures & { limb: Limb })[];
  byPlace: PlaceFigures[];
  /** Of a drill: the figures of each exercise that was played, in the order of the drill. */
  byExercise: ExerciseFigures[];
  /** What a stroke of this take may miss by at the player's level, the median over its strokes. */
  toleranceMs: Ms;
  verdict: Verdict;
}

/** Bars of the run, the first and the one after the last. */
export interface BarWindow {
  from: number;
  to: number;
}
