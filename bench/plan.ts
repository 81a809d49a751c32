/**
 * Whether the plan reaches more goals in the same minutes than repeating what was set in order. Students who learn
 * and forget by a model that is said below; both ways get the same students, the same takes by chance, and the same
 * minutes a day.
 */
import { planDay } from '../src/core/plan/dayPlan';
import { recallOf, USUAL_PASS, USUAL_STEP, type Tried } from '../src/core/plan/review';
import { worksFor, type SetWork } from '../src/core/plan/works';
import { randomFrom } from '../src/core/random';
import { STARTER_GROOVES } from '../src/server/demo/grooves';
import { judge } from '../src/core/judging/verdict/judge';
import { limbsIn } from '../src/core/groove/kit';
import { emptyTake, playedTake } from '../src/core/testing/takes';
import { printTable } from './table';

const STUDENTS = Number(process.env.STUDENTS ?? 200);
const DAYS = 84;
/** Something new is set each week, as a teacher does. */
const EVERY_DAYS = 7;
const GOAL = 90;
/** A take lasts a minute and a half. */
const TAKE_MINUTES = 1.5;

/**
 * The model. Of each item a student has a tempo they play clean with even chance, `reach`. A minute of practice
 * brings it nearer to what can be had today (a power law of practice: each minute a share of what is left), by a rate
 * of the student's own. Without practice it sinks towards where it began, exponentially, with a half-life that
 * doubles each time it was played clean at its goal on another day than the last time (the spacing effect). The
 * farther a tempo lies above what is reached, the wider the strokes spread; whether a take is clean is drawn by how
 * often takes of the simulated kit with that spread are judged so (the first table).
 */
interface Item {
  id: string;
  setOn: number;
  start: number;
  reach: number;
  halfLife: number;
  practisedOn: number;
  cleanOn: number;
  tries: Tried[];
  isEnded: boolean;
}

/** A tempo quicker by so much spreads the strokes 1.5 times as far. */
const WIDER_BY = 12;
/** Days in which half of what is new is forgotten: nobody knows them for drums, so several are tried. */
const HALF_LIVES = [5, 10, 20];

/** Spreads the kit is tried at, in milliseconds, and takes of each. */
const SPREADS = [6, 10, 14, 18, 22, 26, 30, 36, 44, 56];
const TAKES_OF_EACH = 40;

/**
 * The share of the simulated kit's takes of each spread that are judged clean, of a groove of the shelf at the goal.
 */
function cleanShares(): number[] {
  const { groove } = STARTER_GROOVES[0]!;
  const empty = emptyTake(groove, { bpm: GOAL, task: limbsIn(groove) });
  return SPREADS.map((spreadMs, index) => {
    const clean = Array.from({ length: TAKES_OF_EACH }, (_, take) =>
      judge(playedTake({ spreadMs }, empty, 1000 * index + take), 'second year'),
    ).filter(({ verdict }) => verdict.about === 'clean');
    return clean.length / TAKES_OF_EACH;
  });
}
const SHARES = cleanShares();
/** The share at a spread between those that were tried. */
function cleanAt(spreadMs: number): number {
  const next = SPREADS.findIndex((one) => one >= spreadMs);
  if (next <= 0) return next < 0 ? 0 : SHARES[0]!;
  const [low, high] = [SPREADS[next - 1]!, SPREADS[next]!];
  return SHARES[next - 1]! + ((SHARES[next]! - SHARES[next - 1]!) * (spreadMs - low)) / (high - low);
}
/** The spread at which every second take is clean: that of a tempo that is just reached. */
const EVEN_SPREAD = Array.from({ length: 500 }, (_, tenth) => 6 + tenth / 10).find((spread) => cleanAt(spread) <= 0.5)!;

function forget(item: Item, day: number): void {
  const days = day - item.practisedOn;
  if (days <= 0) return;
  item.reach = item.start + (item.reach - item.start) * 0.5 ** (days / item.halfLife);
  item.practisedOn = day;
}

function practise(
  item: Item,
  day: number,
  bpm: number,
  minutes: number,
  { rate, random }: { rate: number; random: () => number },
): void {
  forget(item, day);
  for (let left = minutes; left > 0; left -= TAKE_MINUTES) {
    const spreadMs = EVEN_SPREAD * 1.5 ** ((bpm - item.reach) / WIDER_BY);
    const clean = random() < cleanAt(spreadMs);
    item.tries.push({ day, bpm, clean, spreadMs, toleranceMs: 2 * EVEN_SPREAD });
    // What is far too quick teaches less, and what is far too slow as well.
    const fit = Math.exp(-(((bpm - item.reach) / 20) ** 2));
    item.reach += (GOAL + 14 - item.reach) * rate * TAKE_MINUTES * fit;
    if (clean && bpm >= GOAL && item.cleanOn < day) {
      item.halfLife *= 2;
      item.cleanOn = day;
    }
  }
}

const isPassed = ({ tries }: Item) =>
  recallOf({ goal: GOAL, step: USUAL_STEP, passTakes: USUAL_PASS, tries }) !== undefined;
/** The rung of the usual ladder that is nearest to what is played clean. */
const rungOf = ({ reach }: Item) =>
  Math.min(GOAL, Math.max(60, 60 + USUAL_STEP * Math.floor((reach - 60) / USUAL_STEP)));

type Way = (items: Item[], day: number, minutes: number, student: { rate: number; random: () => number }) => void;

/** In the order in which it was set: each its minutes a day until it is passed, then the next; passed ones are left. */
const inOrder: Way = (items, day, minutes, student) => {
  let left = minutes;
  for (const item of items.filter((one) => !isPassed(one))) {
    const given = Math.min(left, 10);
    if (given < TAKE_MINUTES) return;
    practise(item, day, rungOf(item), given, student);
    left -= given;
  }
};

/** Round all that was ever set, passed or not, the same minutes each: what a careful student does without a plan. */
const inTurn: Way = (items, day, minutes, student) => {
  const each = Math.max(TAKE_MINUTES, minutes / Math.max(1, Math.min(items.length, 4)));
  const from = items.length ? (day * 4) % items.length : 0;
  let left = minutes;
  for (const item of [...items.slice(from), ...items.slice(0, from)]) {
    if (left < TAKE_MINUTES) return;
    practise(item, day, rungOf(item), Math.min(left, each), student);
    left -= each;
  }
};

const byPlan: Way = (items, day, minutes, student) => {
  const passed = items.flatMap((item) => {
    const recall = recallOf({ goal: GOAL, step: USUAL_STEP, passTakes: USUAL_PASS, tries: item.tries });
    return recall ? [{ grooveId: item.id, title: item.id, goal: GOAL, assignmentId: null, recall }] : [];
  });
  const homework = items
    .filter(({ id }) => !passed.some(({ grooveId }) => grooveId === id))
    .map((item): SetWork => ({
      assignmentId: item.id,
      grooveId: item.id,
      subject: null,
      title: item.id,
      goal: GOAL,
      from: rungOf(item),
      minutes: 10,
      todayMs: 0,
      isPassed: false,
      dueIn: item.setOn + EVERY_DAYS - day,
    }));
  const works = worksFor({ today: day, homework, passed, paths: [], tunes: [] }).map((work) => ({ ...work, load: {} }));
  for (const { opens, minutes: given } of planDay(minutes, works).pieces) {
    if (opens.what !== 'groove') continue;
    practise(
      items.find(({ id }) => id === opens.id)!,
      day,
      opens.bpm,
      given,
      student,
    );
  }
};

/** How many of the items a student can play clean with even chance at the goal, on the day after the last. */
function reached(way: Way, seed: number, minutes: number, halfLife: number): { set: number; played: number } {
  const random = randomFrom(seed);
  const student = { rate: 0.02 + 0.03 * random(), random };
  const practises = 0.5 + 0.5 * random();
  const items: Item[] = [];
  for (let day = 0; day < DAYS; day++) {
    if (day % EVERY_DAYS === 0) {
      const start = 56 + 16 * random();
      items.push({
        id: `item ${String(items.length).padStart(2, '0')}`,
        setOn: day,
        start,
        reach: start,
        halfLife,
        practisedOn: day,
        cleanOn: -1,
        tries: [],
        isEnded: false,
      });
    }
    if (random() < practises) way(items, day, minutes, student);
  }
  for (const item of items) forget(item, DAYS);
  return { set: items.length, played: items.filter(({ reach }) => reach >= GOAL).length };
}

printTable(
  'plan: takes of the simulated kit that are judged clean (second year)',
  ['spread, ms', 'clean, %'],
  SPREADS.map((spread, index) => [spread, 100 * SHARES[index]!]),
);
const rows = HALF_LIVES.flatMap((halfLife) =>
  [10, 20, 30].map((minutes) => {
    const mean = (way: Way) =>
      Array.from({ length: STUDENTS }, (_, seed) => reached(way, seed + 1, minutes, halfLife).played).reduce(
        (all, one) => all + one,
        0,
      ) / STUDENTS;
    const [order, turn, plan] = [mean(inOrder), mean(inTurn), mean(byPlan)];
    return [halfLife, minutes, order, turn, plan, plan / order, plan / turn];
  }),
);
printTable(
  `plan: ${STUDENTS} students of the model, ${DAYS} days, something new each week (${DAYS / EVERY_DAYS} in all): what is played clean at its goal on the day after`,
  [
    'half-life, days',
    'minutes a day',
    'in the order set',
    'all in turn',
    'by the plan',
    'plan to order',
    'plan to turn',
  ],
  rows,
);
