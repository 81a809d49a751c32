import { SCHOOLS, type School } from '../counting/schools';
import { type Finding } from '../groove/conflicts';
import { check } from '../schedule/speeds';
import { SPEED_LIMITS, type SpeedLimits } from '../limits';
import type { Groove } from '../groove/groove';
import { isHand } from '../groove/limbs';
import { cellsOfDivisions } from '../grid/cells';
import { barsFrom, type FreeStroke } from '../groove/place';
import { randomFrom } from '../random';
import { fail, ok, problemAt, type Result } from '../result';
import { add, compare, equal, frac, mul, type WholeNotes } from '../time/fraction';
import { barLength } from '../grid/meter';
import { isFirstTurning } from './choose';
import { difficultyOf, distance, type Difficulty } from './difficulty';
import type { Figure, DrillGrid } from './family';
import { placesInWords } from '../form/exercises';
import { readyRule } from './rule';
import { type Rule } from '../documents/rule';

/** One exercise of a drill. `index` is its number in the order of the rule. */
export interface Exercise {
  index: number;
  say: string;
  /** The places it is said by, so that each school can say them its way; empty where `say` is the family's own. */
  places: readonly WholeNotes[];
  groove: Groove;
  difficulty: Difficulty;
  /** Strokes that are not those of the exercise before it; 0 for the first. */
  fromBefore: number;
  /** What cannot be played as written, or not at the goal tempo: marked, never left out. */
  findings: Finding[];
}

export interface Drill {
  trains: string;
  /** How many the rule has, before any were chosen. */
  total: number;
  /** How many of them are left without those that are the same turned round. */
  different: number;
  exercises: Exercise[];
  /** "255 patterns; 20 chosen evenly by difficulty". */
  said: string;
}

/** More than this are not all scored: as many are taken evenly from the order of the rule. */
const MOST_SCORED = 5000;
/** And more than this are not looked through for turnings. */
const MOST_TURNED = 2 ** 17;

/**
 * The drill of a rule. Never more exercises are laid out than asked for; of more than that, those are taken that lie
 * evenly by difficulty. `onShare` hears how much is done, 0 to 1.
 */
export function makeDrill(
  json: unknown,
  {
    school = SCHOOLS[0],
    limits = SPEED_LIMITS,
    onShare = () => {},
  }: { school?: School; limits?: SpeedLimits; onShare?: (share: number) => void } = {},
): Result<Drill> {
  const readied = readyRule(json);
  if (!readied.ok) return readied;
  const { rule, family, params, ground, total } = readied.value;
  if (rule.withoutTurnings && total > MOST_TURNED)
    return fail(
      problemAt(
        'withoutTurnings',
        'too-many-to-turn',
        `${total.toLocaleString('en')} exercises are too many to look through for turnings.`,
        'Choose fewer, or keep the turnings.',
      ),
    );
  const wanted = rule.withoutTurnings
    ? range(total).filter((index) => isDifferent(family.figure(params, ground, index)))
    : undefined;
  const different = wanted?.length ?? total;
  const byHand = rule.picked;
  if (byHand?.some((index) => index >= total))
    return fail(
      problemAt('picked', 'picked-unknown', 'Some of the exercises picked are not of this rule.', 'Pick them again.'),
    );
  const candidates =
    byHand ?? evenly(different, Math.min(different, MOST_SCORED)).map((place) => wanted?.[place] ?? place);
  const scored = candidates.map((index, done) => {
    if (done % 500 === 0) onShare(done / (candidates.length + rule.most));
    const figure = family.figure(params, ground, index);
    return { index, figure, difficulty: difficultyOf(figure, ground) };
  });
  const byDifficulty = scored.toSorted((a, b) => a.difficulty.score - b.difficulty.score || a.index - b.index);
  const chosen = evenly(byDifficulty.length, Math.min(rule.most, byDifficulty.length)).map(
    (place) => byDifficulty[place]!,
  );
  const ordered = byHand ? scored : inOrder(chosen, rule);

  const exercises: Exercise[] = [];
  for (const [place, { index, figure, difficulty }] of ordered.entries()) {
    if (place % 50 === 0) onShare((candidates.length + place) / (candidates.length + ordered.length));
    const laid = barsOfFigure(figure, ground, rule);
    if (!laid) return fail(noGridFor(figure.say || family.name));
    const groove = grooveOf(rule, family.name, index, laid);
    const places = figure.say ? [] : placesOf(figure, ground);
    const say = figure.say || placesInWords(groove, 0, places, school);
    const before = ordered[place - 1]?.figure;
    exercises.push({
      index,
      say,
      places,
      groove,
      difficulty,
      fromBefore: before ? distance(before, figure) : 0,
      findings: check(groove, rule.goal, limits),
    });
  }
  onShare(1);
  const many = (count: number) => `${count.toLocaleString('en')} ${count === 1 ? 'exercise' : 'exercises'}`;
  const turned = different < total ? `, ${different.toLocaleString('en')} of them different` : '';
  const some = exercises.length.toLocaleString('en');
  let took = '';
  if (byHand) took = `; ${some} picked by hand`;
  else if (exercises.length < different) took = `; ${some} chosen evenly by difficulty`;
  return ok({
    trains: family.trains(params, ground),
    total,
    different,
    exercises,
    said: `${many(total)}${turned}${took}.`,
  });
}

/**
 * One exercise of a rule as it is played, without making the others; the first of those picked, or of the rule, when
 * left out.
 */
export function oneExercise(json: unknown, wanted?: number): Result<Groove> {
  const readied = readyRule(json);
  if (!readied.ok) return readied;
  const { rule, family, params, ground, total } = readied.value;
  const index = wanted ?? rule.picked?.[0] ?? 0;
  if (index >= total)
    return fail(problemAt('picked', 'picked-unknown', 'This exercise is not of this rule.', 'Pick another.'));
  const bars = barsOfFigure(family.figure(params, ground, index), ground, rule);
  if (!bars) return fail(noGridFor(family.name));
  return ok(grooveOf(rule, family.name, index, bars));
}

const grooveOf = ({ reading, goal, swing }: Rule, name: string, index: number, bars: Groove['bars']): Groove => ({
  version: 1,
  title: `${name} ${index + 1}`,
  reading,
  tempo: goal,
  ...(swing && { swing }),
  bars,
});

const noGridFor = (name: string) =>
  problemAt(
    'ostinato',
    'no-grid',
    `No grid of up to 8 parts a count holds “${name}” over this ostinato.`,
    'Choose an ostinato in notes of the same grid.',
  );

const range = (count: number) => Array.from({ length: count }, (_, index) => index);
const isDifferent = ({ cyclic }: Figure): boolean => !cyclic || isFirstTurning(cyclic);

/** So many whole numbers from 0 to below `of`, evenly spread, the first and the last among them. */
export function evenly(of: number, count: number): number[] {
  if (count >= of) return range(of);
  return count === 1 ? [0] : Array.from({ length: count }, (_, index) => Math.round((index * (of - 1)) / (count - 1)));
}

function inOrder<T extends { index: number }>(chosen: readonly T[], { order, seed }: Rule): T[] {
  if (order === 'easy to hard') return [...chosen];
  const generated = chosen.toSorted((a, b) => a.index - b.index);
  if (order === 'as generated') return generated;
  const random = randomFrom(seed);
  for (let last = generated.length - 1; last > 0; last--) {
    const other = Math.floor(random() * (last + 1));
    [generated[last], generated[other]] = [generated[other]!, generated[last]!];
  }
  return generated;
}

/**
 * The figure with the ostinato under it, in bars whose grid holds both. Where both have a stroke of one limb, the
 * figure's is played.
 */
export function barsOfFigure(
  figure: Figure,
  ground: DrillGrid,
  { reading }: Pick<Rule, 'reading'>,
): Groove['bars'] | undefined {
  const meter = figure.meter ?? ground.meter;
  const bars = range(figure.bars);
  // A grace is the other hand's.
  const hasGraces = figure.strokes.some(({ ornament }) => ornament === 'flam' || ornament === 'drag');
  const isFree = ({ limb }: FreeStroke) =>
    !(hasGraces && isHand(limb)) && !figure.strokes.some((other) => other.limb === limb);
  const keeping = figure.alone === 'but for free limbs' ? ground.ostinato.filter(isFree) : ground.ostinato;
  const under =
    figure.alone === true
      ? []
      : bars.flatMap((bar) =>
          keeping.map((one): FreeStroke => ({ ...one, at: add(one.at, mul(barLength(meter), frac(bar))) })),
        );
  const kept = under.filter(
    (one) => !figure.strokes.some((other) => other.limb === one.limb && equal(other.at, one.at)),
  );
  const strokes = [...figure.strokes, ...kept].sort((a, b) => compare(a.at, b.at));
  // The grid of the ground stays wherever it holds what is struck, so that all exercises are counted alike.
  const cells = figure.meter ? undefined : cellsOfDivisions(meter, reading, ground.parts);
  return barsFrom(
    strokes,
    bars.map(() => ({ meter, cells })),
    reading,
  );
}

/** Where the limb that comes first in a figure strikes within the first bar. */
const placesOf = ({ places, strokes }: Figure, { meter }: DrillGrid): readonly WholeNotes[] =>
  places ??
  strokes
    .filter(({ at, limb }) => limb === strokes[0]!.limb && compare(at, barLength(meter)) < 0)
    .map(({ at }) => at)
    .toSorted(compare);
