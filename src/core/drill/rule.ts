import { readGroove } from '../documents/groove';
import { readRule, ruleOf, type Rule, type RuleJson } from '../documents/rule';
import { barLength, formatMeter, parseMeter, type Meter } from '../grid/meter';
import type { Groove } from '../groove/groove';
import type { FreeStroke } from '../groove/place';
import { fail, ok, problemAt, problemsOf, within, type Result } from '../result';
import { equal } from '../time/fraction';
import { CHOOSING_VERSION } from './difficulty';
import { groundOf, type Family, type DrillGrid } from './family';
import { readOstinato } from './said';
import { familyNamed } from './registry';

/** A rule ready to be worked with. */
export interface ReadyRule {
  rule: Rule;
  family: Family;
  params: unknown;
  ground: DrillGrid;
  total: number;
}

/** The version of what writes a family's exercises: its own generator, and how they are chosen and ordered. */
export const generatorOf = (family: Family): number => family.version + CHOOSING_VERSION;

/** The order a family's exercises usually come in with these parameters; with its usual ones where they are none. */
export function usualOrder({ order, shape }: Family, params: unknown): Rule['order'] {
  if (typeof order !== 'function') return order;
  const read = shape.safeParse(params);
  return order(read.success ? read.data : shape.parse({}));
}

/** A rule for a family with all its usual values. */
export function usualRule(family: Family, change: Partial<Omit<RuleJson, 'version'>> = {}): Rule {
  const params = change.params ?? {};
  return ruleOf({
    family: family.name,
    generator: generatorOf(family),
    params,
    ...family.ground,
    order: usualOrder(family, params),
    ...change,
  });
}

/**
 * A rule as the generator of today works with it. What an older one wrote keeps its parameters, but exercises picked by
 * their number may be others now, so the picking is undone; `anew` says that this happened.
 */
export function renewed(rule: Rule): { rule: Rule; anew: boolean } {
  const family = familyNamed(rule.family);
  if (!family || rule.generator >= generatorOf(family)) return { rule, anew: false };
  return { rule: { ...rule, generator: generatorOf(family), picked: undefined }, anew: true };
}

/**
 * Reads a rule and counts what it comes to, making none of it. Problems name the field: a path of `params` is the
 * family's.
 */
export function readyRule(json: unknown): Result<ReadyRule> {
  const read = readRule(json);
  if (!read.ok) return read;
  const rule = read.value;
  const family = familyNamed(rule.family);
  if (!family)
    return fail(
      problemAt('family', 'no-such-family', `There is no family called “${rule.family}”.`, 'Choose another.'),
    );
  if (rule.generator > generatorOf(family))
    return fail(
      problemAt(
        'generator',
        'newer-version',
        'This drill was made by a newer Mochila.',
        'Update Mochila, then open it again.',
      ),
    );
  const params = family.shape.safeParse(rule.params);
  if (!params.success) return fail(...within(['params'], problemsOf(params.error)));
  const meter = parseMeter(rule.meter);
  if (!meter.ok) return meter;
  const ostinato = rule.over ? ostinatoOf(rule.over, meter.value) : readOstinato(rule.ostinato, meter.value);
  if (!ostinato.ok) return ostinato;
  const ground = groundOf(meter.value, rule.parts, rule.reading, ostinato.value);
  const total = family.total(params.data, ground);
  if (!total.ok)
    return fail(
      ...total.problems.flatMap((one) =>
        within(one.path[0] === 'parts' || one.path[0] === 'meter' ? [] : ['params'], [one]),
      ),
    );
  return ok({ rule, family, params: params.data, ground, total: total.value });
}

/** What the chosen limbs of one bar of a groove keep repeating. */
function ostinatoOf({ groove: json, bar, limbs }: NonNullable<Rule['over']>, meter: Meter): Result<FreeStroke[]> {
  const read = readGroove(json);
  if (!read.ok) return fail(problemAt('over', read.problems[0]!.code, read.problems[0]!.say, 'Choose another groove.'));
  const one = read.value.bars[bar];
  if (!one)
    return fail(
      problemAt(
        'over',
        'no-such-bar',
        `“${read.value.title}” has no bar ${bar + 1}.`,
        `Choose a bar from 1 to ${read.value.bars.length}.`,
        { bars: read.value.bars.length },
      ),
    );
  if (!equal(barLength(one.meter), barLength(meter)))
    return fail(
      problemAt(
        'over',
        'bar-lengths-differ',
        barsDiffer(read.value, one.meter, meter),
        `Set the meter to ${formatMeter(one.meter)}, or choose another groove.`,
      ),
    );
  return ok(one.strokes.filter(({ limb }) => limbs.includes(limb)));
}

const barsDiffer = ({ title }: Groove, its: Meter, ours: Meter) =>
  `“${title}” is in ${formatMeter(its)}, the drill in ${formatMeter(ours)}.`;
