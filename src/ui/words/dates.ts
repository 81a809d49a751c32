import { TZDate } from '@date-fns/tz';
import { differenceInCalendarDays, getISODay } from 'date-fns';
import type { Clock } from '@/core/documents/settings';
import { DATE_NAMES } from './dateNames';

const onClock = (date: Date | number, { timeZone }: Clock) => new TZDate(new Date(date), timeZone);
const two = (value: number) => String(value).padStart(2, '0');

/** A day as it is kept, "2026-11-24", wherever it is read. */
const dayKept = (day: string) => new TZDate(`${day}T12:00:00Z`, 'UTC');

function dayOfMonth(date: Date, { dates }: Pick<Clock, 'dates'>): string {
  const { months, dot } = DATE_NAMES[dates];
  return `${date.getDate()}${dot ? '.' : ''} ${months[date.getMonth()]!}`;
}

const withWeekday = (date: Date, clock: Pick<Clock, 'dates'>) =>
  `${DATE_NAMES[clock.dates].short[getISODay(date) - 1]!} ${dayOfMonth(date, clock)}`;
const weekday = (date: Date, { dates }: Pick<Clock, 'dates'>) => DATE_NAMES[dates].long[getISODay(date) - 1]!;

/** "Thu 26 Nov, 17:04", by the clock of the workshop: the same wherever it is read. */
export const dayInWords = (date: Date | number, clock: Clock): string =>
  `${withWeekday(onClock(date, clock), clock)}, ${timeInWords(date, clock)}`;

/** "Tuesday" of the last days, "3 Nov" of those before. */
export function dayNamed(date: Date | number, now: Date | number, clock: Clock): string {
  const [then, today] = [onClock(date, clock), onClock(now, clock)];
  return differenceInCalendarDays(today, then) < 7 ? weekday(then, clock) : dayOfMonth(then, clock);
}

/** "26 Nov", by the clock of the workshop. */
export const shortDayInWords = (date: Date | number, clock: Clock): string => dayOfMonth(onClock(date, clock), clock);

/** "16:00", by the clock of the workshop. */
export function timeInWords(date: Date | number, clock: Clock): string {
  const local = onClock(date, clock);
  return `${two(local.getHours())}:${two(local.getMinutes())}`;
}

/** A day as it is kept, "2026-11-24", in words: "Tue 24 Nov". */
export const dateInWords = (day: string, clock: Pick<Clock, 'dates'>): string => withWeekday(dayKept(day), clock);

/** The same without its weekday: "24 Nov". */
export const shortDateInWords = (day: string, clock: Pick<Clock, 'dates'>): string => dayOfMonth(dayKept(day), clock);

/** The weekday of a day as it is kept: "Tuesday". */
export const weekdayNamed = (day: string, clock: Pick<Clock, 'dates'>): string => weekday(dayKept(day), clock);
