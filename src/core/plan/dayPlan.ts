import type { DayPlan, Piece, WorkKind } from '../documents/dayPlan';
import { MOST_PIECES } from '../limits';

/** Something that could be practised today: a piece that has not got its minutes yet. */
export interface Work extends Omit<Piece, 'minutes'> {
  /** Fewer minutes are none, and more are too many. */
  least: number;
  most: number;
  /** How much it is wanted, of its kind: days overdue of a review, days left of homework the other way round. */
  urgency: number;
}

/** Below this a practice has no room for a warm-up of its own, or for a treat at the end. */
const WARM_FROM = 10;
const TREAT_FROM = 12;
/** Shares of the time there is; the rest is for what is new. */
const WARM_SHARE = 0.12;
const TREAT_SHARE = 0.15;
const REVIEW_SHARE = 0.4;

/**
 * A practice for the time there is: warm-up, what is due again, what is new, something to enjoy. Never more than the
 * minutes, and where anything is due, at least one review, the one longest due: so nothing that is due is passed over
 * for ever. What is left out by hand stays out. In an order that gives limbs a rest: after a piece comes the one that
 * asks least of what it tired. The same work gives the same plan.
 */
export function planDay(minutes: number, works: readonly Work[], left: readonly string[] = []): DayPlan {
  const of = (...kinds: WorkKind[]) =>
    works
      .filter(({ kind, key }) => kinds.includes(kind) && !left.includes(key))
      .toSorted((a, b) => b.urgency - a.urgency || (a.key < b.key ? -1 : 1));
  const [warm, treat] = [of('warm-up').slice(0, 1), of('to enjoy').slice(0, 1)];
  const [due, fresh] = [of('review'), of('new', 'by ear')];
  const sparedFor = ([first]: Work[], from: number, share: number) =>
    first && minutes >= from ? Math.max(first.least, Math.round(minutes * share)) : 0;
  const warmed = shared(warm, sparedFor(warm, WARM_FROM, WARM_SHARE));
  const treated = shared(treat, sparedFor(treat, TREAT_FROM, TREAT_SHARE));
  const open = minutes - sum(warmed) - sum(treated);
  const forReviews = fresh.length ? Math.max(Math.floor(open * REVIEW_SHARE), due[0]?.least ?? 0) : open;
  const reviewed = shared(due, Math.min(open, forReviews), MOST_PIECES - 2);
  const learnt = shared(fresh, open - sum(reviewed), MOST_PIECES - 2 - reviewed.length);
  // What is new may be done with in less: then more comes back, and the treat may last longer.
  const again = shared(due, open - sum(learnt), MOST_PIECES - 2 - learnt.length);
  const last = shared(treat, Math.min(treat[0]?.most ?? 0, open - sum(again) - sum(learnt) + sum(treated)));
  const ended = treated.length ? last : treated;
  return {
    version: 1,
    minutes,
    pieces: [...warmed, ...inOrder([...again, ...learnt], warmed[0]), ...ended],
    left: [...left],
  };
}

const sum = (pieces: readonly Pick<Piece, 'minutes'>[]) => pieces.reduce((all, one) => all + one.minutes, 0);

/**
 * As many of the works as fit, the most wanted first, the minutes that are over handed out one each in turn up to
 * what each can use.
 */
function shared(works: readonly Work[], minutes: number, most = MOST_PIECES): Piece[] {
  const chosen: { work: Work; minutes: number }[] = [];
  let over = minutes;
  for (const work of works) {
    if (work.least > over || chosen.length >= most) continue;
    chosen.push({ work, minutes: work.least });
    over -= work.least;
  }
  while (over > 0) {
    const growing = chosen.filter((one) => one.minutes < one.work.most).slice(0, over);
    if (!growing.length) break;
    for (const one of growing) one.minutes += 1;
    over -= growing.length;
  }
  return chosen.map(({ work: { least: _least, most: _most, urgency: _urgency, ...piece }, minutes: given }) => ({
    ...piece,
    minutes: given,
  }));
}

/** What two pieces one after another ask of the same limbs, in strokes a second. */
export const limbOverlap = (before: Pick<Piece, 'load'> | undefined, next: Pick<Piece, 'load'>): number =>
  Object.entries(next.load).reduce(
    (all, [limb, strokes]) => all + Math.min(strokes ?? 0, before?.load[limb as keyof Piece['load']] ?? 0),
    0,
  );

/**
 * One after another, each time the piece that asks least of what the one before it tired; of two alike the more
 * wanted.
 */
function inOrder(pieces: readonly Piece[], first: Piece | undefined): Piece[] {
  const left = [...pieces];
  const ordered: Piece[] = [];
  let before = first;
  while (left.length) {
    const costs = left.map((one) => limbOverlap(before, one));
    const [next] = left.splice(costs.indexOf(Math.min(...costs)), 1);
    ordered.push(next!);
    before = next;
  }
  return ordered;
}

/** The plan without one of its pieces: the minutes that come free are left free, and it is not offered again today. */
export const without = (plan: DayPlan, key: string): DayPlan => ({
  ...plan,
  pieces: plan.pieces.filter((one) => one.key !== key),
  left: [...new Set([...plan.left, key])],
});

/** The plan in another order, as it was dragged; keys that are not in it are left alone. */
export const reordered = (plan: DayPlan, keys: readonly string[]): DayPlan => ({
  ...plan,
  pieces: plan.pieces.toSorted((a, b) => placeIn(keys, a.key) - placeIn(keys, b.key)),
});

function placeIn(keys: readonly string[], key: string): number {
  const place = keys.indexOf(key);
  return place < 0 ? keys.length : place;
}
