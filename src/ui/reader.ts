import { clockOf, type Clock } from '@/core/documents/settings';
import type { School } from '@/core/counting/schools';
import type { ReportWords } from '@/core/documents/verdict';

/**
 * Whoever reads a page: how they count, by which clock days and times are said, and whether in figures or plain
 * words.
 */
export interface Reader {
  school: School;
  clock: Clock;
  report: ReportWords;
}

export const readerOf = ({
  school,
  report,
  settings,
}: {
  school: School;
  report: ReportWords;
  settings: Clock;
}): Reader => ({
  school,
  report,
  clock: clockOf(settings),
});
