import { RUNGS, type Answered, type ListeningTake, type Subject } from '../documents/listening';
import { randomFrom } from '../random';
import type { Schedule } from '../schedule/timed';
import { SUBJECT_OF } from './subjects';

/** How many questions make a sitting. */
export const SITTING = 10;
/**
 * Up a rung after so many right answers in a row, down after one that is not: it settles where 71 in 100 are right
 * (Levitt 1971, J. Acoust. Soc. Am. 49).
 */
const UP_AFTER = 2;
/** How much more often what was taken for something else comes again, for each time. */
const AGAIN = 2;

/** A question: what may be answered, and which of it is right. */
export interface Question {
  subject: Subject;
  rung: number;
  seed: number;
  choices: readonly string[];
  right: string;
}

/** The rung the next question is on, from where a sitting begins. */
export function rungAfter(answers: readonly Answered[], from: number): number {
  let [rung, inRow] = [from, 0];
  for (const { right, said } of answers) {
    inRow = right === said ? inRow + 1 : 0;
    if (right !== said) rung = Math.max(0, rung - 1);
    else if (inRow === UP_AFTER) [rung, inRow] = [Math.min(RUNGS - 1, rung + 1), 0];
  }
  return rung;
}

/**
 * The next question of a sitting that begins on a rung. What was missed, and what it was taken for, comes more often
 * than the rest. The same seed and answers give the same question.
 */
export function nextQuestion(
  subject: Subject,
  { answers, from, seed }: { answers: readonly Answered[]; from: number; seed: number },
): Question {
  const rung = rungAfter(answers, from);
  const { choices } = SUBJECT_OF[subject].on(rung);
  const missed = answers.filter(({ right, said }) => right !== said);
  const weights = choices.map(
    (choice) => 1 + AGAIN * missed.filter(({ right, said }) => right === choice || said === choice).length,
  );
  let left = randomFrom(seed)() * weights.reduce((total, weight) => total + weight, 0);
  const right = choices.find((_, index) => (left -= weights[index]!) < 0) ?? choices.at(-1)!;
  return { subject, rung, seed, choices, right };
}

/** What sounds where an answer is what was asked: the question itself, or what it was taken for. */
export const soundOf = ({ subject, rung, seed }: Omit<Question, 'choices' | 'right'>, choice: string): Schedule =>
  SUBJECT_OF[subject].on(rung).sound(choice, randomFrom(seed ^ 0x9e3779b9)());

/** What a sitting came to. */
export interface ListeningFigures {
  asked: number;
  right: number;
  /** The rung that was stood on at its end. */
  rung: number;
  /** What was taken for what, the most frequent first. */
  confused: { right: string; said: string; times: number }[];
}

/** Figures of answers, of one sitting or of several of the same subject. */
export function listeningFigures({ answers }: Pick<ListeningTake, 'answers'>): ListeningFigures {
  const confused: ListeningFigures['confused'] = [];
  for (const { right, said } of answers) {
    if (right === said) continue;
    const known = confused.find((one) => one.right === right && one.said === said);
    if (known) known.times++;
    else confused.push({ right, said, times: 1 });
  }
  return {
    asked: answers.length,
    right: answers.filter(({ right, said }) => right === said).length,
    rung: answers.length ? rungAfter(answers, answers[0]!.rung) : 0,
    confused: confused.sort((a, b) => b.times - a.times),
  };
}
