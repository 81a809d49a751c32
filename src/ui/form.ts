import type { z } from 'zod';

/** What a form shows after it was sent: a word at each field that is wrong, and what had been typed. */
export interface FormState {
  problems: Record<string, string>;
  typed: Record<string, string>;
  say?: string;
}

export const EMPTY_FORM: FormState = { problems: {}, typed: {} };

/** Longest text any field takes; what is longer is cut before it is shown again. */
const LONGEST_SHOWN = 20_000;

/** Reads a form by its shape. Passwords are never shown again. */
export function readForm<S extends z.ZodType>(
  shape: S,
  form: unknown,
): { ok: true; value: z.output<S> } | { ok: false; state: FormState } {
  const given = textsOf(form);
  const read = shape.safeParse(given);
  if (read.success) return { ok: true, value: read.data };
  const problems: Record<string, string> = {};
  for (const issue of read.error.issues) problems[String(issue.path[0] ?? '')] ??= issue.message;
  return { ok: false, state: { problems, typed: shownAgain(given) } };
}

/** A problem with one field that only the database could find. */
export function fieldProblem(form: unknown, field: string, say: string): FormState {
  return { problems: { [field]: say }, typed: shownAgain(textsOf(form)) };
}

/** One text of a form; undefined where there is none, or no form. */
export const textOf = (form: unknown, name: string): string | undefined => textsOf(form)[name];

/** The texts of a form without what the framework adds; NUL, which no database keeps, is dropped. */
function textsOf(form: unknown): Record<string, string> {
  // Whoever calls an action may hand it anything.
  const texts = [...(form instanceof FormData ? form : [])].filter(
    (entry): entry is [string, string] => typeof entry[1] === 'string' && !entry[0].startsWith('$'),
  );
  return Object.fromEntries(texts.map(([name, text]) => [name, text.replaceAll('\0', '')]));
}

function shownAgain(given: Record<string, string>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(given)
      .filter(([name]) => !/password/i.test(name))
      .map(([name, value]) => [name, value.slice(0, LONGEST_SHOWN)]),
  );
}
