import type { z } from 'zod';

/**
 * What a user can get wrong. `code` names the kind for the program and never changes; `numbers` are the figures it is
 * about. `where` names the place in the user's words ("bar 1, right foot, 3/32"), `path` the place in the document,
 * `say` what is wrong and `remedy` what would work.
 */
export interface Problem {
  code: string;
  numbers?: Readonly<Record<string, number>>;
  path: (string | number)[];
  where: string;
  say: string;
  remedy: string;
}

/** The core answers with a value for what a user can get wrong, and throws only for a programmer's mistake. */
export type Result<T> = { ok: true; value: T } | Failure;
export interface Failure {
  ok: false;
  problems: Problem[];
}

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });
export const fail = (...problems: Problem[]): Failure => ({ ok: false, problems });

/** A problem of a whole document or form. */
export const problem = (code: string, say: string, remedy: string, numbers?: Problem['numbers']): Problem => ({
  code,
  ...(numbers && { numbers }),
  path: [],
  where: '',
  say,
  remedy,
});

/** A problem of a field of a form or document, which is also its place. */
export const problemAt = (
  field: string,
  code: string,
  say: string,
  remedy: string,
  numbers?: Problem['numbers'],
): Problem => ({ ...problem(code, say, remedy, numbers), path: [field], where: field });

/** The same problems, their places within a larger document. */
export const within = (path: (string | number)[], problems: readonly Problem[]): Problem[] =>
  problems.map((one) => ({ ...one, path: [...path, ...one.path] }));

/** A problem as one line to show a person. */
export function sentence({ where, say, remedy }: Problem): string {
  return [where && `${where}:`, say, remedy].filter(Boolean).join(' ');
}

/** More than these say nothing that the first did not. */
const MOST_PROBLEMS = 10;

/** What a shape found wrong, as problems; the place is counted from 1 for people and from 0 for the program. */
export const problemsOf = (error: z.ZodError): Problem[] =>
  error.issues.slice(0, MOST_PROBLEMS).map((issue) => {
    const path = issue.path.filter((key): key is string | number => typeof key !== 'symbol');
    const { minimum, maximum } = issue as { minimum?: number | bigint; maximum?: number | bigint };
    const numbers = {
      ...(minimum !== undefined && { minimum: Number(minimum) }),
      ...(maximum !== undefined && { maximum: Number(maximum) }),
    };
    return {
      code: issue.code === 'custom' ? String(issue.params?.code ?? 'wrong') : issue.code.replaceAll('_', '-'),
      ...(Object.keys(numbers).length && { numbers }),
      path,
      where: path.map((key) => (typeof key === 'number' ? key + 1 : key)).join(' '),
      say: inWords(issue),
      remedy: '',
    };
  });

/** What a checker of shapes says by itself of what it was given no words for. */
const UNWORDED = /^(?:Invalid (?:input|option|key|value|element)|Unrecognized keys?|Too (?:big|small): expected)/;

const EXPECTED: Record<string, string> = {
  array: 'a list',
  boolean: 'yes or no',
  number: 'a number',
  object: 'a record',
  record: 'a record',
  string: 'a text',
};

/** What is wrong in people's words, also where a shape has none of its own: then it is nothing that is typed. */
function inWords(issue: z.core.$ZodIssue): string {
  const { code, message } = issue;
  if (!UNWORDED.test(message)) return message;
  if (code === 'unrecognized_keys')
    return `${issue.keys.map((key) => `“${key.slice(0, 40)}”`).join(', ')} ${issue.keys.length === 1 ? 'is' : 'are'} not known here.`;
  if (code === 'invalid_type' && message.endsWith('received undefined')) return 'It is missing.';
  if (code === 'invalid_type' && EXPECTED[issue.expected]) return `It has to be ${EXPECTED[issue.expected]}.`;
  if (code === 'too_small' || code === 'too_big')
    return `It is too ${code === 'too_small' ? 'short or too low' : 'long or too high'}.`;
  return 'It is none of what can stand here.';
}

/** The first thing a shape found wrong with a value, in words; undefined when there is nothing. */
export function wrongWith(shape: z.ZodType, value: unknown): string | undefined {
  const read = shape.safeParse(value);
  return read.success ? undefined : inWords(read.error.issues[0]!);
}
