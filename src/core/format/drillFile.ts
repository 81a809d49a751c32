import { z } from 'zod';
import { makeDrill } from '../drill/drill';
import { writeOut } from '../drill/written';
import { readRule, ruleShape, type Rule } from '../documents/rule';
import { textShape } from '../documents/shapes';
import type { Groove } from '../groove/groove';
import { MOST_NAME, MOST_TAG_CHARACTERS, MOST_TAGS } from '../limits';
import { fail, ok, problem, problemsOf, type Result } from '../result';

/** A drill as a file of our own: its rule, with what it is called. */
export const drillFileShape = ruleShape.extend({
  name: textShape(MOST_NAME).min(1, 'Give the drill a name.'),
  tags: z.array(z.string().max(MOST_TAG_CHARACTERS)).max(MOST_TAGS).default([]),
});

/** A drill by its name. */
export interface NamedDrill {
  name: string;
  tags: string[];
  rule: Rule;
}

/** A drill as the text of its file. */
export const drillFile = ({ name, tags, rule }: NamedDrill): string =>
  `${JSON.stringify({ name, tags, ...rule }, null, 2)}\n`;

/** A drill from its file: the rule as any version wrote it. Problems where it is none. */
export function readDrillFile(text: string): Result<NamedDrill> {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return fail(problem('no-json', 'This is no JSON.', 'Give a drill as Mochila writes it.'));
  }
  const { name, tags, ...rest } = { ...(document as Record<string, unknown> | null) };
  const called = drillFileShape.pick({ name: true, tags: true }).safeParse({ name, tags });
  const rule = readRule(rest);
  if (!rule.ok) return rule;
  if (!called.success) return fail(...problemsOf(called.error));
  return ok({ ...called.data, rule: rule.value });
}

/**
 * What a drill writes as one groove, to be had as a file of any kind; problems where it makes nothing, or too much
 * for one.
 */
export function grooveOfRule({ name, rule }: Pick<NamedDrill, 'name' | 'rule'>): Result<Groove> {
  const made = makeDrill(rule);
  if (!made.ok) return made;
  const written = writeOut(made.value, rule, name);
  return written.ok ? ok(written.value.groove) : written;
}
