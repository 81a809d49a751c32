import type { ReportWords } from '@/core/documents/verdict';
import type { Subject } from '@/core/documents/listening';
import type { Bpm, Ms } from '@/core/time/units';
import { tempoInWords } from './figures';
import { plural } from './text';

/** What is set, and how it goes, as far as it is said in words. */
interface Homework {
  subject: Subject | null;
  tempo: Bpm;
  click: string;
  minutes: number;
  bar_from: number | null;
  bar_to: number | null;
  ladder_start: Bpm | null;
  ladder_step: Bpm | null;
  pass_takes: number | null;
  passed: boolean;
  clean: number;
  takes: number;
  days: number;
  today_ms: Ms;
  week_ms: Ms;
  last_tempo: Bpm | null;
  first_sd_ms: Ms | null;
  last_sd_ms: Ms | null;
}

/** "bars 1 to 4" of what is set, counted from 1; nothing where all of them are. */
function barsInWords({ bar_from, bar_to }: Pick<Homework, 'bar_from' | 'bar_to'>): string | undefined {
  if (bar_from === null || bar_to === null) return undefined;
  return bar_from === bar_to ? `bar ${bar_from + 1}` : `bars ${bar_from + 1} to ${bar_to + 1}`;
}

type Set = Pick<
  Homework,
  'subject' | 'tempo' | 'click' | 'minutes' | 'bar_from' | 'bar_to' | 'ladder_start' | 'ladder_step'
>;

/** How something is set: "bars 1 to 4, from 60 to 76 in steps of 4, click on counts, 15 minutes a day". */
export function setInWords(one: Set): string {
  const minutes = `${plural(one.minutes, 'minute')} a day`;
  if (one.subject) return minutes;
  const tempo =
    one.ladder_start !== null && one.ladder_step !== null
      ? `from ${tempoInWords(one.ladder_start)} to ${tempoInWords(one.tempo)} in steps of ${one.ladder_step}`
      : `at ${tempoInWords(one.tempo)}`;
  return [barsInWords(one), tempo, `click on ${one.click}`, minutes].filter(Boolean).join(', ');
}

/** Sounding time in whole minutes; what is under one is said too. */
const minutesInWords = (ms: number): string =>
  ms > 0 && ms < 60_000 ? 'under a minute' : `${Math.floor(ms / 60_000)} min`;

/**
 * When something that is set is passed, and how far that is: "2 of 3 clean takes at the goal"; nothing where nothing
 * was said.
 */
export function goalInWords(one: Pick<Homework, 'subject' | 'clean' | 'pass_takes' | 'passed'>): string {
  if (one.pass_takes === null) return '';
  const unit = one.subject ? 'clean sitting' : 'clean take';
  if (one.passed) return `Passed: ${plural(one.clean, unit)}.`;
  return `${one.clean} of ${plural(one.pass_takes, unit)}${one.subject ? '' : ' at the goal'}.`;
}

/** How something that is set goes: "3 of 7 days, 42 min this week, last at 72. 2 of 3 clean takes at the goal." */
export function goingInWords(one: Homework): string {
  if (!one.takes) return one.subject ? 'Not listened to yet.' : 'Not played yet.';
  const parts = [
    `${one.days} of 7 days`,
    one.subject ? plural(one.takes, 'sitting') : `${minutesInWords(one.week_ms)} this week`,
    one.last_tempo !== null && `last at ${tempoInWords(one.last_tempo)}`,
  ].filter(Boolean);
  return `${parts.join(', ')}. ${goalInWords(one)}`.trim();
}

/** What a day's practice came to, as a fact, once the minutes are done. */
export function dayDoneInWords(
  { today_ms, first_sd_ms, last_sd_ms, takes }: Pick<Homework, 'today_ms' | 'first_sd_ms' | 'last_sd_ms' | 'takes'>,
  report: ReportWords,
): string {
  const done = `${minutesInWords(today_ms)} done today.`;
  if (first_sd_ms === null || last_sd_ms === null || takes < 2) return done;
  const [first, last] = [Math.round(first_sd_ms), Math.round(last_sd_ms)];
  if (report === 'plain words')
    return last < first ? `${done} The strokes lie closer to the click than at the first take.` : done;
  return first === last
    ? `${done} The spread is ${last} ms, as at the first take.`
    : `${done} The spread went from ${first} to ${last} ms since the first take.`;
}
