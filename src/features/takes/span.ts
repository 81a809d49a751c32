import { addDays } from 'date-fns';
import { instantOf } from '@/core/plan/agenda';
import type { AskedOfLog } from './asked';

/** The moments between which the asked days lie, by the workshop's clock; a page of older takes ends sooner. */
export function spanOf({ from, to, before }: AskedOfLog, timeZone: string): { from?: Date; before?: Date } {
  const end =
    to &&
    instantOf(
      addDays(new Date(`${to}T12:00:00Z`), 1)
        .toISOString()
        .slice(0, 10),
      '00:00',
      timeZone,
    );
  const ends = [end, before && new Date(before)].filter((one): one is Date => one instanceof Date);
  return {
    ...(from && { from: instantOf(from, '00:00', timeZone) }),
    ...(ends.length && { before: new Date(Math.min(...ends.map((one) => one.getTime()))) }),
  };
}
