import { differenceInDays } from 'date-fns';
import { plural } from '@/ui/words/text';

/** What a teacher is told of the last backup; nothing while it is young enough, or where none is wanted. */
export function backupOverdue(last: Date | null, wantedDays: number, now: Date): string | undefined {
  if (!wantedDays) return undefined;
  if (!last) return 'No backup has been made yet.';
  const days = differenceInDays(now, last);
  return days >= wantedDays ? `The last backup is ${plural(days, 'day')} old.` : undefined;
}
