import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns';

/** "Thu 26 Nov, 17:04", by the clock of the workshop: the same wherever it is read. */
export const dayInWords = (date: Date | number, timeZone: string): string =>
  format(new TZDate(new Date(date), timeZone), 'EEE d MMM, HH:mm');

/** "26 Nov", by the clock of the workshop. */
export const shortDayInWords = (date: Date | number, timeZone: string): string =>
  format(new TZDate(new Date(date), timeZone), 'd MMM');
