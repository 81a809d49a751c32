import type { Subject } from '../documents/listening';
import { SLOWEST } from '../limits';
import type { Bpm, Ms } from '../time/units';
import type { Work } from './dayPlan';
import type { Walked } from './nextStep';
import type { Day, Recall } from './review';
import type { Fit } from './tunes';

/** Reviews that are weighed for a day: more than any day has room for. */
const MOST_REVIEWS = 30;
/** What is warmed up with goes at two thirds of the tempo it was learnt at, as the usual ladder begins. */
const WARM_SHARE = 2 / 3;
/** Days within which homework that is due goes before what is due on no day. */
const SOON = 30;

/** Something that is set, as a plan asks for it. */
export interface SetWork {
  assignmentId: string;
  grooveId: string | null;
  subject: Subject | null;
  title: string;
  goal: Bpm;
  /** Where its ladder begins: the goal where it has none. */
  from: Bpm;
  /** A day, and how long of it sounded today. */
  minutes: number;
  todayMs: Ms;
  isPassed: boolean;
  /** In how many days it is due, below 0 where it was; null where on none. */
  dueIn: number | null;
}

/** A groove that was passed; `assignmentId` where it is still set. */
export interface PassedWork {
  grooveId: string;
  title: string;
  goal: Bpm;
  assignmentId: string | null;
  recall: Recall;
}

/** A tune by the groove that comes nearest to it. */
export interface TuneWork extends Fit {
  id: string;
  title: string;
  tempo: Bpm;
}

/** All that a student could practise on a day is found from these. */
export interface ToPractise {
  today: Day;
  homework: readonly SetWork[];
  passed: readonly PassedWork[];
  paths: readonly Walked[];
  tunes: readonly TuneWork[];
}

/**
 * What a student could practise today: what is set, due, next on a path, known, and fits. Nothing but what a teacher
 * set, or what was learnt of that.
 */
export const worksFor = (all: ToPractise): Unloaded[] => [
  ...setWorks(all),
  ...earWorks(all),
  ...reviewWorks(all),
  ...pathWorks(all),
  ...warmWorks(all),
  ...treatWorks(all),
];

/** Work whose strokes have not been counted yet. */
export type Unloaded = Omit<Work, 'load'>;

/** What is set and not passed, with the minutes of today that are left of it: what is due first goes first. */
const setWorks = ({ homework, passed }: ToPractise): Unloaded[] =>
  homework.flatMap(({ assignmentId, grooveId, title, from, minutes, todayMs, isPassed, dueIn }): Unloaded[] => {
    const left = minutes - Math.floor(todayMs / 60_000);
    const isLearnt = isPassed || passed.some((one) => one.assignmentId === assignmentId);
    if (grooveId === null || left <= 0 || isLearnt) return [];
    return [
      {
        key: `set ${assignmentId}`,
        kind: 'new',
        title,
        opens: { what: 'groove', id: grooveId, bpm: from, assignment: assignmentId },
        why: { code: 'set', left, dueIn: dueIn === null ? null : Math.max(-1000, Math.min(1000, dueIn)) },
        least: Math.min(4, left),
        most: left,
        urgency: dueIn === null ? 0 : Math.max(1, SOON - dueIn),
      },
    ];
  });

const earWorks = ({ homework }: ToPractise): Unloaded[] =>
  homework.flatMap(({ assignmentId, subject, title, minutes, isPassed }): Unloaded[] =>
    subject && !isPassed
      ? [
          {
            key: `ear ${assignmentId}`,
            kind: 'by ear',
            title,
            opens: { what: 'by ear', subject },
            why: { code: 'ear' },
            least: 3,
            most: Math.max(3, Math.min(6, minutes)),
            urgency: 0,
          },
        ]
      : [],
  );

const reviewWorks = ({ passed, today }: ToPractise): Unloaded[] =>
  passed
    .filter(({ recall }) => recall.dueOn <= today)
    .toSorted((a, b) => a.recall.dueOn - b.recall.dueOn || byId(a, b))
    .slice(0, MOST_REVIEWS)
    .map(({ grooveId, title, recall: { lastOn, dueOn, last, back, bpm } }) => ({
      key: `review ${grooveId}`,
      kind: 'review',
      title,
      opens: { what: 'groove', id: grooveId, bpm },
      why: { code: 'due', since: today - lastOn, overdue: today - dueOn, last, back },
      least: 2,
      most: 3,
      urgency: today - dueOn,
    }));

/** The step one stands on of each path, unless it is set. */
const pathWorks = ({ paths, homework }: ToPractise): Unloaded[] =>
  paths.flatMap(({ pathId, name, at, of, grooveId, title, goal }): Unloaded[] => {
    if (grooveId === null || title === null || goal === null) return [];
    if (homework.some((one) => one.grooveId === grooveId)) return [];
    return [
      {
        key: `path ${pathId} ${at}`,
        kind: 'new',
        title,
        opens: { what: 'groove', id: grooveId, bpm: goal },
        why: { code: 'path', path: name, place: at + 1, of },
        least: 4,
        most: 8,
        urgency: -1,
      },
    ];
  });

const byId = (a: PassedWork, b: PassedWork) => (a.grooveId < b.grooveId ? -1 : 1);

/** What is known and not due itself, the longest-lasting first. */
const known = ({ passed, today }: ToPractise) =>
  passed
    .filter(({ recall }) => recall.dueOn > today && recall.back === 0)
    .toSorted((a, b) => b.recall.gap - a.recall.gap || byId(a, b));

/** What is known best; while nothing is, what was set first, slowly. */
function warmWorks(all: ToPractise): Unloaded[] {
  const set = all.homework.findLast(({ grooveId }) => grooveId !== null);
  const [best] = known(all);
  const { grooveId, title, goal } = best ?? set ?? { grooveId: null, title: '', goal: SLOWEST };
  if (grooveId === null) return [];
  const bpm = Math.max(SLOWEST, Math.round(goal * WARM_SHARE));
  return [
    {
      key: `warm ${grooveId}`,
      kind: 'warm-up',
      title,
      opens: { what: 'groove', id: grooveId, bpm },
      why: { code: 'warm', bpm, isKnown: Boolean(best) },
      least: 1,
      most: 6,
      urgency: 0,
    },
  ];
}

/** A tune that fits, another one each day; else what goes well, and not what was warmed up with where there is more. */
function treatWorks(all: ToPractise): Unloaded[] {
  const fitting = all.tunes.filter(({ fits }) => fits === 'now');
  const tune = fitting[all.today % fitting.length];
  if (tune) {
    const { id, title, tempo, grooveId, reached } = tune;
    const opens = { what: 'groove' as const, id: grooveId, bpm: tempo };
    return [treat({ key: `tune ${id}`, title, opens, why: { code: 'fits', reached, bpm: tempo }, most: 8 })];
  }
  const [first, second] = known(all);
  const one = second ?? first;
  if (!one) return [];
  const opens = { what: 'groove' as const, id: one.grooveId, bpm: one.goal };
  return [treat({ key: `treat ${one.grooveId}`, title: one.title, opens, why: { code: 'goes well' }, most: 6 })];
}

const treat = (work: Pick<Unloaded, 'key' | 'title' | 'opens' | 'why' | 'most'>): Unloaded => ({
  ...work,
  kind: 'to enjoy',
  least: 2,
  urgency: 0,
});
