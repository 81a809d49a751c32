import { TZDate } from '@date-fns/tz';
import { differenceInCalendarDays, format } from 'date-fns';

/** "Thu 26 Nov, 17:04", by the clock of the workshop: the same wherever it is read. */
export const dayInWords = (date: Date | number, timeZone: string): string =>
  format(new TZDate(new Date(date), timeZone), 'EEE d MMM, HH:mm');

/** "Tuesday" of the last days, "3 Nov" of those before. */
export function dayNamed(date: Date | number, now: Date | number, timeZone: string): string {
  const [then, today] = [new TZDate(new Date(date), timeZone), new TZDate(new Date(now), timeZone)];
  return format(then, differenceInCalendarDays(today, then) < 7 ? 'EEEE' : 'd MMM');
}

/** "26 Nov", by the clock of the workshop. */
export const shortDayInWords = (date: Date | number, timeZone: string): string =>
  format(new TZDate(new Date(date), timeZone), 'd MMM');

/** "16:00", by the clock of the workshop. */
export const timeInWords = (date: Date | number, timeZone: string): string =>
  format(new TZDate(new Date(date), timeZone), 'HH:mm');

/** A day as it is kept, "2026-11-24", in words: "Tue 24 Nov". */
export const dateInWords = (day: string): string => format(new TZDate(`${day}T12:00:00Z`, 'UTC'), 'EEE d MMM');

/** The weekday of a day as it is kept: "Tuesday". */
export const weekdayNamed = (day: string): string => format(new TZDate(`${day}T12:00:00Z`, 'UTC'), 'EEEE');
