import { z } from 'zod';
import { placeInWords } from '../count/placeInWords';
import { SCHOOLS, type School } from '../count/schools';
import { check, LIMITS, type Finding, type Limits } from '../groove/checks';
import { MOST_BARS, tempoShape, type Groove } from '../groove/document';
import { cellsOfDivisions } from '../groove/grid';
import { barsFrom, type FreeStroke } from '../groove/place';
import { randomFrom } from '../random';
import { fail, ok, type Problem, type Result } from '../result';
import { add, compare, equal, frac, mul } from '../time/fraction';
import { barLength, parseMeter } from '../time/meter';
import { isFirstTurning } from './choose';
import { difficultyOf, distance, type Difficulty } from './difficulty';
import { groundOf, type Family, type Figure, type Ground } from './family';
import { readOstinato } from './ostinato';
import { familyNamed } from './registry';

export const ORDERS = ['easy to hard', 'as generated', 'shuffled'] as const;

/** All that decides a drill: the same rule makes the same bars, so the rule is what is kept. */
export const ruleShape = z.strictObject({
  version: z.literal(1),
  family: z.string().max(40),
  /** The version of the family's generator that wrote it. */
  generator: z.number().int().min(1),
  params: z.record(z.string(), z.unknown()),
  meter: z.string().max(40).default('4/4'),
  reading: z.enum(['numbers', 'pulse']).default('numbers'),
  parts: z.number().int().min(1, 'At least 1 part.').max(8, 'At most 8 parts.').default(4),
  /** "hat 8ths, kick quarters". */
  ostinato: z.string().max(200, 'At most 200 characters.').default('hat 8ths'),
  goal: tempoShape.default(80),
  order: z.enum(ORDERS).default('easy to hard'),
  seed: z
    .number()
    .int()
    .min(0)
    .max(2 ** 32 - 1)
    .default(1),
  most: z.number().int().min(1, 'At least one.').max(1000, 'At most 1,000.').default(20),
  /** How often each exercise is played, and how many bars of rest come after it. */
  repeats: z.number().int().min(1).max(16).default(1),
  rest: z.number().int().min(0).max(4).default(0),
  /** Of exercises that are the same turned round, only the first. */
  withoutTurnings: z.boolean().default(false),
  /** Chosen by hand: these exercises of the rule, in this order. */
  picked: z.array(z.number().int().min(0)).min(1, 'Keep at least one exercise.').max(1000).optional(),
});
export type Rule = z.output<typeof ruleShape>;

/** One exercise of a drill. `index` is its number in the order of the rule. */
export interface Exercise {
  index: number;
  say: string;
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
export const MOST_SCORED = 5000;
/** And more than this are not looked through for turnings. */
const MOST_TURNED = 2 ** 17;

/** A rule ready to be worked with. */
interface Readied {
  family: Family;
  params: unknown;
  ground: Ground;
  total: number;
}

/** A rule for a family with all its usual values. */
export const usualRule = (family: Family, change: Partial<z.input<typeof ruleShape>> = {}): Rule =>
  ruleShape.parse({ version: 1, family: family.name, generator: family.version, params: {}, ...change });

/** Reads a rule and counts what it comes to, making none of it. Problems name the field: a path of `params` is the family's. */
export function ready(json: unknown): Result<Readied & { rule: Rule }> {
  const read = ruleShape.safeParse(json);
  if (!read.success) return fail(...problemsOf(read.error, []));
  const rule = read.data;
  const family = familyNamed(rule.family);
  if (!family) return fail(at('family', `There is no family called “${rule.family}”.`, 'Choose another.'));
  if (rule.generator > family.version) return fail(at('generator', 'This drill was made by a newer Mochila.', 'Update Mochila, then open it again.'));
  const params = family.shape.safeParse(rule.params);
  if (!params.success) return fail(...problemsOf(params.error, ['params']));
  const meter = parseMeter(rule.meter);
  if (!meter.ok) return { ok: false, problems: meter.problems.map((one) => ({ ...one, path: ['meter'] })) };
  const ostinato = readOstinato(rule.ostinato, meter.value);
  if (!ostinato.ok) return ostinato;
  const ground = groundOf(meter.value, rule.parts, rule.reading, ostinato.value);
  const total = family.total(params.data, ground);
  if (!total.ok)
    return {
      ok: false,
      problems: total.problems.map((one) => ({ ...one, path: [...(one.path[0] === 'parts' || one.path[0] === 'meter' ? [] : ['params']), ...one.path] })),
    };
  return ok({ rule, family, params: params.data, ground, total: total.value });
}

const at = (field: string, say: string, remedy: string): Problem => ({ path: [field], where: field, say, remedy });

const problemsOf = (error: z.ZodError, before: string[]): Problem[] =>
  error.issues.map((issue) => ({ path: [...before, ...issue.path.map(String)], where: issue.path.join(' '), say: issue.message, remedy: '' }));

/**
 * The drill of a rule. Never more exercises are laid out than asked for; of more than that, those are taken that lie
 * evenly by difficulty. `onShare` hears how much is done, 0 to 1.
 */
export function makeDrill(
  json: unknown,
  { school = SCHOOLS[0] as School, limits = LIMITS, onShare = () => {} }: { school?: School; limits?: Limits; onShare?: (share: number) => void } = {},
): Result<Drill> {
  const readied = ready(json);
  if (!readied.ok) return readied;
  const { rule, family, params, ground, total } = readied.value;
  if (rule.withoutTurnings && total > MOST_TURNED)
    return fail(
      at('withoutTurnings', `${total.toLocaleString('en')} exercises are too many to look through for turnings.`, 'Choose fewer, or keep the turnings.'),
    );
  const wanted = rule.withoutTurnings ? range(total).filter((index) => isDifferent(family.figure(params, ground, index))) : undefined;
  const different = wanted?.length ?? total;
  const byHand = rule.picked;
  if (byHand?.some((index) => index >= total)) return fail(at('picked', 'Some of the exercises picked are not of this rule.', 'Pick them again.'));
  const candidates = byHand ?? evenly(different, Math.min(different, MOST_SCORED)).map((place) => wanted?.[place] ?? place);
  const scored = candidates.map((index, done) => {
    if (done % 500 === 0) onShare(done / (candidates.length + rule.most));
    const figure = family.figure(params, ground, index);
    return { index, figure, difficulty: difficultyOf(figure, ground) };
  });
  const byDifficulty = scored.toSorted((a, b) => a.difficulty.score - b.difficulty.score || a.index - b.index);
  const chosen = evenly(byDifficulty.length, Math.min(rule.most, byDifficulty.length)).map((place) => byDifficulty[place]!);
  const ordered = byHand ? scored : inOrder(chosen, rule);

  const exercises: Exercise[] = [];
  for (const [place, { index, figure, difficulty }] of ordered.entries()) {
    if (place % 50 === 0) onShare((candidates.length + place) / (candidates.length + ordered.length));
    const laid = layOut(figure, ground, rule);
    if (!laid)
      return fail(
        at(
          'ostinato',
          `No grid of up to 8 parts a count holds “${figure.say || family.name}” over this ostinato.`,
          'Choose an ostinato in notes of the same grid.',
        ),
      );
    const groove: Groove = { version: 1, title: `${family.name} ${index + 1}`, reading: rule.reading, tempo: rule.goal, bars: laid };
    const say = figure.say || placesSaid(figure, groove, ground, school);
    const before = ordered[place - 1]?.figure;
    exercises.push({ index, say, groove, difficulty, fromBefore: before ? distance(before, figure) : 0, findings: check(groove, rule.goal, limits) });
  }
  onShare(1);
  const many = (count: number) => `${count.toLocaleString('en')} ${count === 1 ? 'exercise' : 'exercises'}`;
  const turned = different < total ? `, ${different.toLocaleString('en')} of them different` : '';
  const took = byHand
    ? `; ${exercises.length.toLocaleString('en')} picked by hand`
    : exercises.length < different
      ? `; ${exercises.length.toLocaleString('en')} chosen evenly by difficulty`
      : '';
  return ok({ trains: family.trains(params, ground), total, different, exercises, said: `${many(total)}${turned}${took}.` });
}

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

/** The figure with the ostinato under it, in bars whose grid holds both. Where both have a stroke of one limb, the figure's is played. */
function layOut(figure: Figure, ground: Ground, { reading }: Rule): Groove['bars'] | undefined {
  const meter = figure.meter ?? ground.meter;
  const bars = range(figure.bars);
  const under = figure.alone
    ? []
    : bars.flatMap((bar) => ground.ostinato.map((one): FreeStroke => ({ ...one, at: add(one.at, mul(barLength(meter), frac(bar))) })));
  const kept = under.filter((one) => !figure.strokes.some((other) => other.limb === one.limb && equal(other.at, one.at)));
  const strokes = [...figure.strokes, ...kept].sort((a, b) => compare(a.at, b.at));
  // The grid of the ground stays wherever it holds what is struck, so that all exercises are counted alike.
  const cells = figure.meter ? undefined : cellsOfDivisions(meter, reading, ground.parts);
  return barsFrom(
    strokes,
    bars.map(() => ({ meter, cells })),
    reading,
  );
}

function placesSaid(figure: Figure, groove: Groove, ground: Ground, school: School): string {
  const moved = figure.strokes.filter(({ at, limb }) => limb === figure.strokes[0]!.limb && compare(at, barLength(ground.meter)) < 0);
  return moved
    .toSorted((a, b) => compare(a.at, b.at))
    .map(({ at }) => placeInWords(groove, 0, at, school))
    .join(', ');
}

/** A drill as one groove to be played through: each exercise as often as the rule says, rest after it. Problems when it is too long for one. */
export function asGroove(drill: Drill, rule: Rule, title: string): Result<Groove> {
  const bars = drill.exercises.flatMap(({ groove }) => {
    const last = groove.bars.at(-1)!;
    const silent = Array.from({ length: rule.rest }, () => ({ ...last, strokes: [] }));
    return [...Array.from({ length: rule.repeats }, () => groove.bars).flat(), ...silent];
  });
  if (bars.length > MOST_BARS)
    return fail(at('most', `The drill is ${bars.length} bars long; one groove holds ${MOST_BARS}.`, 'Play fewer exercises at a time, or each less often.'));
  return ok({ version: 1, title, reading: rule.reading, tempo: rule.goal, bars });
}
