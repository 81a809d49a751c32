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
