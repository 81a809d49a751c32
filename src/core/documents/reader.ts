import type { z } from 'zod';
import { fail, ok, problemsOf, type Problem, type Result } from '../result';

/** A stored document of this program: what it is called, its version now, and how older ones become the next. */
export interface DocumentKind<T> {
  /** "groove", as in "This groove was written as version 3". */
  name: string;
  version: number;
  shape: z.ZodType<T>;
  /** By the version they read: each gives the document of the version after it. They may be handed anything. */
  migrations?: Record<number, (old: Record<string, unknown>) => unknown>;
}

/**
 * The one way a stored document is read: its version is looked at, older ones are brought up step by step, then the
 * shape is checked. Every problem says what would work; nothing is silently put in the place of what cannot be read.
 */
export function readVersioned<T>(json: unknown, { name, version, shape, migrations = {} }: DocumentKind<T>): Result<T> {
  let document = json;
  for (;;) {
    const found = (document as { version?: unknown } | null)?.version;
    if (found === version) break;
    const migrate = typeof found === 'number' ? migrations[found] : undefined;
    if (!migrate) return fail(versionProblem(name, found, version));
    try {
      document = migrate(document as Record<string, unknown>);
    } catch {
      return fail({
        code: 'unreadable',
        path: [],
        where: '',
        say: `This ${name} is not what version ${String(found)} wrote.`,
        remedy: 'Take it from a copy of the volume, or make it anew.',
      });
    }
  }
  const shaped = shape.safeParse(document);
  return shaped.success ? ok(shaped.data) : fail(...problemsOf(shaped.error));
}

function versionProblem(name: string, version: unknown, ours: number): Problem {
  const isKnown = typeof version === 'number' && Number.isInteger(version);
  const where = { path: ['version'], where: '' };
  const older = 'Open it in the Mochila that wrote it and save it again there.';
  if (!isKnown)
    return { code: 'no-version', ...where, say: `This is not a ${name}: it does not say its version.`, remedy: older };
  return {
    code: version > ours ? 'newer-version' : 'unknown-version',
    numbers: { version, ours },
    ...where,
    say: `This ${name} was written as version ${version}; this Mochila reads version ${ours}.`,
    remedy: version > ours ? 'Update Mochila, then open it again.' : older,
  };
}
