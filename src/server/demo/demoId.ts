import { createHash } from 'node:crypto';
import { subDays } from 'date-fns';

/** A row's id made from its name, so that every demo has the same ones. */
export function demoId(name: string): string {
  const hex = createHash('sha256').update(`mochila demo ${name}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** A time of day so many days before now, in UTC. */
export function atHour(now: Date, daysAgo: number, hour: number, minute: number): Date {
  const day = subDays(now, daysAgo);
  return new Date(Date.UTC(day.getUTCFullYear(), day.getUTCMonth(), day.getUTCDate(), hour, minute));
}
