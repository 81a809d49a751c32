import type { Clock } from '@/core/documents/settings';
import { dayInWords } from './dates';
import { plural } from './text';

/** Subject and text of a mail. */
export interface MailText {
  subject: string;
  body: string;
}

/** A text with its greeting and who wrote it. */
const letter = (name: string, lines: readonly string[], teacher: string, workshop: string): string =>
  [`Hello ${name},`, '', ...lines, '', teacher, workshop].join('\n');

interface Between {
  name: string;
  teacher: string;
  workshop: string;
}

export const invitationMail = ({ name, teacher, workshop }: Between, link: string): MailText => ({
  subject: `${workshop}: come in`,
  body: letter(
    name,
    [
      `${teacher} invites you to ${workshop}. The link opens the door once, within seven days; you choose a name and a password:`,
      '',
      link,
      '',
      'If you expected none of this, let it lie: nothing happens.',
    ],
    teacher,
    workshop,
  ),
});

export const movedMail = ({ name, teacher, workshop }: Between, from: Date, to: Date, clock: Clock): MailText => ({
  subject: `Your lesson of ${dayInWords(from, clock)} is moved`,
  body: letter(
    name,
    [`your lesson of ${dayInWords(from, clock)} is moved. It begins on ${dayInWords(to, clock)}.`],
    teacher,
    workshop,
  ),
});

export const skippedMail = ({ name, teacher, workshop }: Between, at: Date, clock: Clock): MailText => ({
  subject: `No lesson on ${dayInWords(at, clock)}`,
  body: letter(name, [`your lesson of ${dayInWords(at, clock)} does not take place.`], teacher, workshop),
});

/** What a week came to: facts, and what is next. */
export interface WeekTold {
  minutes: number;
  goal: number;
  takes: number;
  /** Each thing that is set, with how it goes, as a line. */
  homework: readonly string[];
  next?: Date;
}

export const summaryMail = ({ name, teacher, workshop }: Between, week: WeekTold, clock: Clock): MailText => ({
  subject: `${workshop}: your week`,
  body: letter(
    name,
    [
      week.takes
        ? `this week ${plural(week.minutes, 'minute')} sounded${week.goal ? ` of ${week.goal} that were set` : ''}, in ${plural(week.takes, 'take')}.`
        : 'this week nothing was played.',
      ...(week.homework.length ? ['', 'Set for you:', ...week.homework.map((line) => `– ${line}`)] : []),
      ...(week.next ? ['', `Your next lesson is on ${dayInWords(week.next, clock)}.`] : []),
    ],
    teacher,
    workshop,
  ),
});
