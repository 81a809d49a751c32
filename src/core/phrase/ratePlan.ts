import type { RateSpan } from '../groove/place';
import { fail, ok, problem, type Result } from '../result';
import { valuesInWords } from '../time/noteValue';
import { tokensOf } from './tokens';
import type { Token } from './words';

/**
 * The plan of a re-rate as it is said: "quarter triplets"; "3 quarter triplets, 4 8ths, the rest in 16ths". A value
 * without a number takes the notes that are left; where every value has one and notes are left, the plan begins again.
 * Problems point at the word.
 */
export function readRatePlan(text: string, moments: number): Result<RateSpan[]> {
  const spans: (Omit<RateSpan, 'notes'> & { notes?: number })[] = [];
  let number: Token | undefined;
  for (const token of tokensOf(text)) {
    if (token.kind === 'value') {
      if (spans.at(-1)?.notes === undefined && spans.length) return wrong(token, 'has no note left');
      spans.push({ value: token.value, ...(number?.kind === 'number' && { notes: number.value }) });
      number = undefined;
    } else if (token.kind === 'number' && !number) number = token;
    else if (!LINKS.has(token.text.toLowerCase())) return wrong(token, 'is no number of notes and no note value');
  }
  if (number) return wrong(number, 'has no note value after it');
  if (!spans.length)
    return fail(problem('no-value', 'No note value is named.', 'Say it like “3 quarter triplets, 4 8ths”.'));
  if (spans.some(({ notes }) => notes === 0))
    return fail(problem('none', 'A value has no notes.', 'Give it one, or leave it out.'));
  return filled(spans, moments);
}

/** Words that only link the values of a plan. */
const LINKS = new Set([
  ',',
  ';',
  '.',
  'and',
  '&',
  'then',
  'in',
  'of',
  'the',
  'rest',
  'all',
  'notes',
  'as',
  'first',
  'after',
]);

const wrong = ({ text }: Token, what: string) =>
  fail(problem('not-understood', `“${text}” ${what}.`, 'Say it like “3 quarter triplets, 4 8ths, the rest in 16ths”.'));

function filled(spans: readonly (Omit<RateSpan, 'notes'> & { notes?: number })[], moments: number): Result<RateSpan[]> {
  const named = spans.reduce((total, { notes = 0 }) => total + notes, 0);
  const open = spans.at(-1)!.notes === undefined;
  if (named > moments || (open && named === moments))
    return fail(
      problem(
        'notes-differ',
        `The plan has ${open ? `${named} notes and more` : `${named} notes`}, the phrase ${moments}.`,
        `Let its notes add up to ${moments}.`,
        { notes: named, moments },
      ),
    );
  const plan: RateSpan[] = [];
  for (let left = moments, index = 0; left > 0; index++) {
    const { value, notes = left } = spans[index % spans.length]!;
    plan.push({ value, notes: Math.min(notes, left) });
    left -= notes;
  }
  return ok(plan);
}

/** "3 quarter triplets, 4 8ths". */
export const ratePlanInWords = (plan: readonly RateSpan[]): string =>
  plan.map(({ value, notes }) => `${notes} ${notes === 1 ? value : valuesInWords(value)}`).join(', ');
