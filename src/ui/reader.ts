import type { School } from '@/core/count/schools';

/** Whoever reads a page: how they count, and by which clock days and times are said. */
export interface Reader {
  school: School;
  timeZone: string;
}

export const readerOf = ({ school, settings }: { school: School; settings: { timeZone: string } }): Reader => ({
  school,
  timeZone: settings.timeZone,
});
