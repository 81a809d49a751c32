import { readGroove, writeGroove } from '../../documents/groove';
import type { Groove, Stroke } from '../../groove/groove';
import { isHand, otherHand, type Limb } from '../../groove/limbs';
import type { Result } from '../../result';
import { equal, type WholeNotes } from '../../time/fraction';

/** A groove that was read from a file of another kind, and in words what of the file is not in it. */
export interface GrooveRead {
  groove: Groove;
  left: string[];
  /** What the file leaves open; none where it says everything. */
  questions?: Question[];
}

/** Something a file leaves open: what it may be, and what it was taken for. */
export interface Question {
  id: string;
  ask: string;
  choices: (readonly [answer: string, words: string])[];
  taken: string;
}

/** What was answered, by the ids of questions; what is not, or has no such choice, is taken as usual. */
export type Answers = Readonly<Partial<Record<string, string>>>;

/** Asks what a file leaves open, and goes by what was answered. */
export class Asker {
  readonly questions: Question[] = [];
  readonly #answers: Answers;

  constructor(answers: Answers) {
    this.#answers = answers;
  }

  ask<T extends string>(id: string, ask: string, choices: (readonly [T, string])[], usual: NoInfer<T>): T {
    const answer = this.#answers[id];
    const taken = choices.find(([one]) => one === answer)?.[0] ?? usual;
    this.questions.push({ id, ask, choices, taken });
    return taken;
  }
}

/** The title of a groove whose file says none. */
export const UNTITLED = 'From a file';

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
export function asRead(groove: Groove, left: LeftOut, questions: Question[] = []): Result<GrooveRead> {
  const read = readGroove(JSON.parse(JSON.stringify(writeGroove(groove))));
  return read.ok ? { ok: true, value: { groove: read.value, left: left.words, questions } } : read;
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
