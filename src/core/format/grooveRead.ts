import { readGroove, writeGroove } from '../documents/groove';
import type { Groove, Stroke } from '../groove/groove';
import { isHand, otherHand, type Limb } from '../groove/limbs';
import type { Result } from '../result';
import { equal, type WholeNotes } from '../time/fraction';

/** A groove that was read from a file of another kind, and in words what of the file is not in it. */
export interface GrooveRead {
  groove: Groove;
  left: string[];
}

/** What of a file is left out or changed, each kind with how often. */
export class LeftOut {
  readonly #kinds = new Map<string, number>();

  leave(what: string, many = 1): void {
    this.#kinds.set(what, (this.#kinds.get(what) ?? 0) + many);
  }

  get words(): string[] {
    return [...this.#kinds].map(([what, many]) => (many === 1 ? what : `${many} times: ${what}`));
  }
}

/** A groove as every document is read, so that nothing comes in by a file that could not be kept. */
export function asRead(groove: Groove, left: LeftOut): Result<GrooveRead> {
  const read = readGroove(JSON.parse(JSON.stringify(writeGroove(groove))));
  return read.ok ? { ok: true, value: { groove: read.value, left: left.words } } : read;
}

/**
 * The limb that is wanted, or the other hand where that one strikes something at the same time; undefined where
 * neither is free.
 */
export function limbFor(
  wanted: Limb,
  at: WholeNotes,
  strokes: readonly Pick<Stroke, 'limb' | 'at'>[],
): Limb | undefined {
  const isFree = (limb: Limb) => !strokes.some((one) => one.limb === limb && equal(one.at, at));
  if (isFree(wanted)) return wanted;
  return isHand(wanted) && isFree(otherHand(wanted)) ? otherHand(wanted) : undefined;
}
