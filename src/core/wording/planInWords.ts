import type { Why } from '../documents/dayPlan';
import { placeOfManyInWords } from '../plan/studentFigures';
import type { School } from '../counting/schools';
import type { ReportWords } from '../documents/verdict';
import { switchInWords } from './figuresInWords';
import type { Bpm } from '../time/units';
import type { OpenWork, Suggestion } from '../plan/nextStep';

const bpmInWords = (bpm: Bpm) => String(Math.round(bpm * 10) / 10);
const many = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;

const LAST_TIME = {
  failed: 'the last time it did not come back',
  hard: 'the last time it took more than one try',
  good: 'the last time it was there at once',
  easy: 'the last time it was easy',
};

/** Why a piece stands in a plan, in a line. */
export function whyInWords(why: Why): string {
  switch (why.code) {
    case 'warm':
      return `${why.isKnown ? 'Known, and slow' : 'Slowly'}: hands that are cold begin at ${bpmInWords(why.bpm)}.`;
    case 'due':
      return [
        why.since === 0 ? 'Passed today' : `${many(why.since, 'day')} since it was last asked; ${LAST_TIME[why.last]}`,
        why.back > 0 && `so ${many(why.back, 'rung')} slower`,
        why.overdue > 0 && `${many(why.overdue, 'day')} overdue`,
      ]
        .filter(Boolean)
        .join(', ')
        .concat('.');
    case 'set':
      return [
        `Set by your teacher, ${many(why.left, 'minute')} of it left today`,
        why.dueIn !== null && dueInWords(why.dueIn),
      ]
        .filter(Boolean)
        .join(', ')
        .concat('.');
    case 'path':
      return `Step ${why.place} of ${why.of} on “${why.path}”.`;
    case 'ear':
      return 'Set by your teacher, and your hands rest meanwhile.';
    case 'fits':
      return `You have played its groove clean at ${bpmInWords(why.reached)}: its ${bpmInWords(why.bpm)} is yours.`;
    case 'goes well':
      return 'It goes well: end with it.';
  }
}

function dueInWords(days: number): string {
  if (days < 0) return `due ${many(-days, 'day')} ago`;
  return ['due today', 'due tomorrow'][days] ?? `due in ${days} days`;
}

/** What is suggested, and why, in a line each. */
export function suggestionInWords(one: Suggestion, school: School, report: ReportWords): { what: string; why: string } {
  switch (one.does) {
    case 'end':
      return {
        what: `End “${one.work.title}”`,
        why: passedInWords(one.work),
      };
    case 'raise':
      return {
        what: `Set “${one.work.title}” at ${bpmInWords(one.to)}`,
        why: `Passed at ${bpmInWords(one.work.goal)}; this is the next rung.`,
      };
    case 'ease':
      return {
        what: `Set “${one.work.title}” back to ${bpmInWords(one.to)}`,
        why: `${many(one.work.weekAtGoal, 'take')} at ${bpmInWords(one.work.goal)} this week, none of them clean.`,
      };
    case 'again':
      return {
        what: `Set “${one.kept.title}” again at ${bpmInWords(one.kept.recall.bpm)}`,
        why: `It was passed, and ${many(one.kept.recall.failed, 'review')} in a row failed since.`,
      };
    case 'path':
      return {
        what: `Set “${one.path.title}” at ${bpmInWords(one.path.goal)}`,
        why: `Step ${one.path.at + 1} of ${one.path.of} on “${one.path.name}”${one.path.at > 0 ? ': the one before is passed' : ''}.`,
      };
    case 'drill':
      return {
        what: 'Make a drill for what costs most',
        why: one.place
          ? sentence(placeOfManyInWords(one.place, school, report))
          : `The change ${switchInWords(one.slip!.of)} slips.`,
      };
    case 'listen':
      return { what: `Set by ear: ${one.subject}`, why: HEAR_FIRST[one.because] };
  }
}

function passedInWords({ subject, clean, goal, comesBack }: OpenWork): string {
  if (subject) return `Passed: ${many(clean, 'clean sitting')}.`;
  const passed = `Passed: ${many(clean, 'clean take')} at ${bpmInWords(goal)}.`;
  return comesBack ? `${passed} It comes back by itself as a review.` : passed;
}

const sentence = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;

const HEAR_FIRST = {
  rate: 'Changes of rate slip: to tell rates apart by ear comes before the hands.',
  place: 'The foot misses its place: to hear where it is comes before playing it.',
  swing: 'The swing lies off: to hear how long the long note is comes first.',
  flams: 'Flams lie off: to hear one comes before playing one.',
};
