'use server';

import { addDays } from 'date-fns';
import { revalidatePath } from 'next/cache';
import { headers } from 'next/headers';
import { z } from 'zod';
import { onClock } from '@/core/plan/agenda';
import { homework } from '@/server/assignments';
import type { Db } from '@/server/database';
import { invite } from '@/server/invitations';
import { upcoming } from '@/server/lessonTimes';
import { mails, sendMails, setAddress, wantSummaries, writeMails, type Letter, type MailAddress } from '@/server/mail';
import { student, type Person } from '@/server/people';
import { weeksOf } from '@/server/practice';
import { asPerson, requirePerson, requireTeacher } from '@/server/session';
import { EMPTY_FORM, fieldProblem, readForm, textOf, type FormState } from '@/ui/form';
import { goingInWords, setInWords } from '@/ui/words/homework';
import { invitationMail, summaryMail } from '@/ui/words/mails';
import { plural } from '@/ui/words/text';
import { addressShape, ownMailShape } from './shapes';

/** Where this server is reached, as whoever asks reached it. */
async function origin(): Promise<string> {
  const all = await headers();
  return `${all.get('x-forwarded-proto') ?? 'http'}://${all.get('host') ?? 'localhost'}`;
}

/** Invites a student by a mail to an address that is used this once. */
export async function inviteByMailAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const read = readForm(
    z.object({ person: z.uuid('This person is not there any more.'), address: addressShape }),
    form,
  );
  if (!read.ok) return read.state;
  const { person: id, address } = read.value;
  const at = await origin();
  const ids = await asPerson(async (db) => {
    const pupil = await student(db, id);
    const token = pupil && (await invite(db, teacher, id));
    if (!token) return [];
    const text = invitationMail(
      { name: pupil.name, teacher: teacher.name, workshop: teacher.workshop },
      `${at}/join/${token}`,
    );
    return writeMails(db, teacher, [{ kind: 'invitation', address, about: id, ...text }]);
  });
  if (!ids.length) return fieldProblem(form, 'address', 'This person is not there any more, or is archived.');
  await sendMails(ids, asPerson);
  revalidatePath('/', 'layout');
  return { ...EMPTY_FORM, say: 'Written: it stands under Workshop, Mail.' };
}

/** Writes what the week came to, to each student of one's own who wants to know. */
export async function writeSummariesAction(_before: FormState, _form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const ids = await asPerson(async (db) => {
    const letters: Letter[] = [];
    for (const one of await wantSummaries(db)) letters.push(await summaryOf(db, teacher, one));
    return writeMails(db, teacher, letters);
  });
  await sendMails(ids, asPerson);
  revalidatePath('/workshop/mail');
  return {
    ...EMPTY_FORM,
    say: ids.length
      ? `${plural(ids.length, 'summary', 'summaries')} written.`
      : 'None of your students has asked for a summary: it is theirs to ask, under You.',
  };
}

async function summaryOf(db: Db, teacher: Person, { person_id, name, address }: MailAddress): Promise<Letter> {
  const { timeZone, weekStart } = teacher.settings;
  const now = new Date();
  const day = (date: Date) => onClock(date, timeZone).day;
  const week = (await weeksOf(db, person_id, { from: day(addDays(now, -6)), to: day(now), timeZone, weekStart })).at(
    -1,
  );
  const set = await homework(db, [person_id], { timeZone });
  const text = summaryMail(
    { name, teacher: teacher.name, workshop: teacher.workshop },
    {
      minutes: week?.minutes ?? 0,
      goal: week?.goal ?? 0,
      takes: week?.takes ?? 0,
      homework: set.map((one) => `${one.title} ${setInWords(one)}. ${goingInWords(one)}`),
      next: (await upcoming(db, person_id, now, timeZone, 1))[0]?.startsAt,
    },
    teacher.settings,
  );
  return { kind: 'summary', address, about: person_id, ...text };
}

/** Tries to send again what did not leave. */
export async function sendAgainAction(form: FormData): Promise<void> {
  await requireTeacher();
  const id = z.uuid().safeParse(textOf(form, 'mail'));
  const known = id.success && (await asPerson(mails)).some((one) => one.id === id.data);
  if (known) await sendMails([id.data], asPerson);
  revalidatePath('/workshop/mail');
}

/** Gives one's own address, or takes it back. */
export async function keepMailAction(_before: FormState, form: FormData): Promise<FormState> {
  const who = await requirePerson();
  const read = readForm(ownMailShape, form);
  if (!read.ok) return read.state;
  const { address, summary } = read.value;
  const isKept = await asPerson((db) => setAddress(db, who, { address, wantsSummary: summary === 'yes' }));
  if (!isKept) return fieldProblem(form, 'address', 'Of a child no address is kept.');
  revalidatePath('/you');
  return { ...EMPTY_FORM, say: address ? 'Kept.' : 'Taken back.' };
}
