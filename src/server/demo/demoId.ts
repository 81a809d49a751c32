import { subDays } from 'date-fns';
import { idFrom } from '../idFrom';

/** A row's id made from its name, so that every demo has the same ones. */
export const demoId = (name: string): string => idFrom(`mochila demo ${name}`, '4');

/** A time of day so many days before now, in UTC. */
export function atHour(now: Date, daysAgo: number, hour: number, minute: number): Date {
  const day = subDays(now, daysAgo);
  return new Date(Date.UTC(day.getUTCFullYear(), day.getUTCMonth(), day.getUTCDate(), hour, minute));
}
