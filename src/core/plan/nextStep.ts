import type { Subject } from '../documents/listening';
import type { TakeFigure } from '../documents/takeFigures';
import { FASTEST, SLOWEST } from '../limits';
import type { Bpm } from '../time/units';
import type { Recall } from './review';
import { weakestPlace, weakestSwitch, weaknessOfPlace, weaknessOfSwitch, type PlaceOfMany } from './studentFigures';
import type { Weakness } from './weakness';

/** Homework that is open, as far as the next step asks. */
export interface OpenWork {
  assignmentId: string;
  grooveId: string | null;
  subject: Subject | null;
  title: string;
  goal: Bpm;
  step: Bpm;
  /** The tempo the groove is written at. */
  written: Bpm | null;
  passTakes: number | null;
  clean: number;
  passed: boolean;
  /** Whether it is a whole groove, which comes back as a review once it has ended. */
  comesBack: boolean;
  /** Takes of the last week at the goal, and how many of them were clean. */
  weekAtGoal: number;
  weekClean: number;
}

/** Something that was passed and is not homework any more, with where it stands. */
export interface Kept {
  grooveId: string;
  title: string;
  recall: Recall;
}

/** A path somebody walks, and the step they stand on. */
export interface Walked {
  pathId: string;
  name: string;
  /** From 0; the number of steps where the end is reached. */
  at: number;
  of: number;
  grooveId: string | null;
  title: string | null;
  goal: Bpm | null;
}

/** All of a student that the next step is found from. */
export interface StudentNow {
  homework: readonly OpenWork[];
  kept: readonly Kept[];
  paths: readonly Walked[];
  /** Over the last weeks. */
  heat: readonly PlaceOfMany[];
  switches: readonly TakeFigure[];
  /** How many of the last takes have a verdict that names the swing, or the flams. */
  named: { swing: number; flam: number };
  /** Sittings by ear of late: the share that was right. */
  ears: ReadonlyMap<Subject, number>;
  /** The tempo of the last take. */
  tempo: Bpm | null;
}

/** What a teacher may do next for a student. Nothing is done of itself. */
export type Suggestion = { key: string } & (
  | { does: 'end'; work: OpenWork }
  | { does: 'raise'; work: OpenWork; to: Bpm }
  | { does: 'ease'; work: OpenWork; to: Bpm }
  | { does: 'again'; kept: Kept }
  | { does: 'path'; path: Walked & { grooveId: string; title: string; goal: Bpm } }
  | { does: 'drill'; weakness: Weakness; place?: PlaceOfMany; slip?: TakeFigure }
  | { does: 'listen'; subject: Subject; because: 'rate' | 'place' | 'swing' | 'flams' }
);

/** So many takes at the goal within a week, none of them clean: the goal is too far away. */
const TOO_FAR = 4;
/** So many reviews that failed one after another: it is learnt anew rather than reviewed. */
const LOST = 2;
/** Named by so many takes, it is no slip of one day. */
const NAMED = 2;
/** Heard right so often, a subject is told apart: what two answers give by guessing is half. */
const TOLD_APART = 0.8;

/**
 * What comes next for a student, the most telling first: homework that is passed, or too far away; what was lost; the
 * next step of a path; the drill for the weakness that costs most; what the ears are to learn first. What the teacher
 * refused (`refused`, by key) is left out. The same log gives the same.
 */
export function nextSteps(now: StudentNow, refused: ReadonlySet<string> = new Set()): Suggestion[] {
  const all = [
    ...now.homework.flatMap(ofHomework),
    ...now.kept
      .filter(({ recall }) => recall.failed >= LOST)
      .map((kept): Suggestion => ({ key: `again ${kept.grooveId}`, does: 'again', kept })),
    ...now.paths.flatMap((path) => ofPath(path, now.homework)),
    ...ofWeakness(now),
    ...ofEars(now),
  ];
  return all.filter(({ key }) => !refused.has(key));
}

function ofHomework(work: OpenWork): Suggestion[] {
  const { assignmentId, goal, step, written } = work;
  const key = (does: string) => `${does} ${assignmentId} ${goal}`;
  if (work.passed) {
    const to = written === null ? goal : Math.min(FASTEST, written, goal + step);
    const raise: Suggestion[] = to > goal ? [{ key: key('raise'), does: 'raise', work, to }] : [];
    return [...raise, { key: key('end'), does: 'end', work }];
  }
  const to = Math.max(SLOWEST, goal - step);
  return work.grooveId && work.weekAtGoal >= TOO_FAR && !work.weekClean && to < goal
    ? [{ key: key('ease'), does: 'ease', work, to }]
    : [];
}

function ofPath(path: Walked, homework: readonly OpenWork[]): Suggestion[] {
  const { grooveId, title, goal } = path;
  if (grooveId === null || title === null || goal === null) return [];
  if (homework.some((one) => one.grooveId === grooveId && one.goal >= goal - 0.001)) return [];
  return [{ key: `path ${path.pathId} ${path.at}`, does: 'path', path: { ...path, grooveId, title, goal } }];
}

/**
 * The place or the switch that lies off most: a place as strokes of many takes have it, a switch only where no place
 * stands out.
 */
function ofWeakness({ heat, switches, tempo }: StudentNow): Suggestion[] {
  if (tempo === null) return [];
  const bpm = Math.round(tempo);
  const place = weakestPlace(heat);
  if (place)
    return [
      {
        key: `drill ${place.limb} ${place.count} ${place.part}/${place.parts}`,
        does: 'drill',
        weakness: weaknessOfPlace(place, bpm),
        place,
      },
    ];
  const slip = weakestSwitch(switches);
  const weakness = slip && weaknessOfSwitch(slip, bpm);
  return slip && weakness ? [{ key: `drill ${slip.of}`, does: 'drill', weakness, slip }] : [];
}

/** What the hands cannot yet tell apart is heard first: one subject, unless it is set or was heard right of late. */
function ofEars(now: StudentNow): Suggestion[] {
  const asked: [Subject, 'rate' | 'place' | 'swing' | 'flams', boolean][] = [
    ['straight or swung', 'swing', now.named.swing >= NAMED],
    ['flam', 'flams', now.named.flam >= NAMED],
    ['which rate', 'rate', Boolean(weakestSwitch(now.switches))],
    ['where the kick is', 'place', weakestPlace(now.heat)?.limb === 'right foot'],
  ];
  const open = asked.find(
    ([subject, , isWeak]) =>
      isWeak && (now.ears.get(subject) ?? 0) < TOLD_APART && !now.homework.some((one) => one.subject === subject),
  );
  return open ? [{ key: `listen ${open[0]}`, does: 'listen', subject: open[0], because: open[1] }] : [];
}
