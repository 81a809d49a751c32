import type { Clock } from '@/core/documents/settings';
import type { AgendaEntry } from '@/server/lessonTimes';
import { dayInWords } from '@/ui/words/dates';
import type { DueChoice } from './HomeworkForm';

/** The lessons to come as what something can be due by. */
export const dueChoicesOf = (lessons: readonly AgendaEntry[], clock: Clock): DueChoice[] =>
  lessons.map(({ startsAt }) => ({
    value: startsAt.toISOString(),
    label: `the lesson on ${dayInWords(startsAt, clock)}`,
  }));
