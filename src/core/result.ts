/**
 * What a user can get wrong. `where` names the place in their words ("bar 1, right foot, 3/32"),
 * `path` the place in the document, `say` what is wrong and `remedy` what would work.
 */
export interface Problem {
  path: (string | number)[];
  where: string;
  say: string;
  remedy: string;
}

/** The core answers with a value for what a user can get wrong, and throws only for a programmer's mistake. */
export type Result<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });
export const fail = (...problems: Problem[]): Result<never> => ({ ok: false, problems });

/** A problem of a field of a form or document, which is also its place. */
export const problemAt = (field: string, say: string, remedy: string): Problem => ({
  path: [field],
  where: field,
  say,
  remedy,
});

/** A problem as one line to show a person. */
export function sentence({ where, say, remedy }: Problem): string {
  return [where && `${where}:`, say, remedy].filter(Boolean).join(' ');
}
