import { createTransport } from 'nodemailer';
import type { Db } from './database';
import type { Person } from './people';

/** What a mail is about. */
export type MailKind = 'invitation' | 'lesson' | 'summary';

/** A mail as it is written. */
export interface Letter {
  kind: MailKind;
  address: string;
  /** Whom it is about. */
  about: string | null;
  subject: string;
  body: string;
}

/** A mail as the mailbox shows it. */
export interface MailRow extends Letter {
  id: string;
  written_at: Date;
  sent_at: Date | null;
  failed: string | null;
}

/** How long mails are kept, and how many a page shows. */
const KEPT_DAYS = 30;
const MOST_SHOWN = 100;
/** Characters of a subject and of a text. */
const MOST_SUBJECT = 200;
const MOST_BODY = 8000;
/** A server that does not answer within this is as good as none. */
const TIMEOUT_MS = 8000;
/** What stands in place of a link once it was sent: a copy of it opens the door. */
const LINK = /https?:\/\/\S+\/join\/\S+/g;

/** Whether mail leaves this server: then by SMTP, else it only lies in the simulated mailbox. */
export const mailLeaves = (): boolean => Boolean(process.env.MOCHILA_SMTP_URL && process.env.MOCHILA_MAIL_FROM);

/** Writes mails down, in the name of the teacher, and lets go of those that are old. Gives their ids. */
export async function writeMails(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  letters: readonly Letter[],
): Promise<string[]> {
  await db.query(`delete from mail where written_at < now() - interval '${KEPT_DAYS} days'`);
  const ids = letters.map(() => crypto.randomUUID());
  for (const [index, { kind, address, about, subject, body }] of letters.entries())
    await db.query(
      `insert into mail (id, workshop_id, written_by, kind, address, about, subject, body)
       values ($1, $2, $3, $4, $5, $6, $7, $8)`,
      [
        ids[index],
        teacher.workshop_id,
        teacher.id,
        kind,
        address,
        about,
        subject.slice(0, MOST_SUBJECT),
        body.slice(0, MOST_BODY),
      ],
    );
  return ids;
}

/** Hands mails to the server that is set, and notes what became of each; does nothing where none is set. */
export async function sendMails(
  ids: readonly string[],
  inSession: <T>(work: (db: Db) => Promise<T>) => Promise<T>,
): Promise<void> {
  if (!mailLeaves() || !ids.length) return;
  const { rows } = await inSession((db) =>
    db.query<MailRow>('select * from mail where id = any ($1::uuid[]) and sent_at is null', [ids]),
  );
  const server = createTransport(process.env.MOCHILA_SMTP_URL, {
    connectionTimeout: TIMEOUT_MS,
    greetingTimeout: TIMEOUT_MS,
    socketTimeout: TIMEOUT_MS,
  } as object);
  for (const { id, address, subject, body } of rows) {
    const failed = await server
      .sendMail({ from: process.env.MOCHILA_MAIL_FROM, to: address, subject, text: body })
      .then(
        () => null,
        (error: Error) => error.message.slice(0, 400),
      );
    await inSession((db) =>
      failed === null
        ? db.query('update mail set sent_at = now(), failed = null, body = $2 where id = $1', [
            id,
            body.replace(LINK, '(the link)'),
          ])
        : db.query('update mail set failed = $2 where id = $1', [id, failed]),
    );
  }
}

/** The mails one may see, the newest first. */
export async function mails(db: Db): Promise<MailRow[]> {
  const { rows } = await db.query<MailRow>(
    `select id, kind, address, about, subject, body, written_at, sent_at, failed from mail
     where workshop_id = (select signed_in_workshop()) order by written_at desc, id limit ${MOST_SHOWN}`,
  );
  return rows;
}

/** A person's address, where they gave one. */
export interface MailAddress {
  person_id: string;
  name: string;
  address: string;
  wants_summary: boolean;
}

/** The addresses of these people, as far as they gave one and one may see it. */
export async function addressesOf(db: Db, personIds: readonly string[]): Promise<MailAddress[]> {
  const { rows } = await db.query<MailAddress>(
    `select m.person_id, p.name, m.address, m.wants_summary from mail_address m join person p on p.id = m.person_id
     where m.person_id = any ($1::uuid[]) and p.archived_at is null order by p.name`,
    [personIds],
  );
  return rows;
}

/** The addresses of the teacher's own students who want to hear of their week. */
export async function wantSummaries(db: Db): Promise<MailAddress[]> {
  const { rows } = await db.query<MailAddress>(
    `select m.person_id, p.name, m.address, m.wants_summary from mail_address m join person p on p.id = m.person_id
     where m.wants_summary and p.archived_at is null and p.id in (select student_id from teaching
       where teacher_id = (select signed_in_person()))
     order by p.name, p.id limit 500`,
  );
  return rows;
}

/** Gives one's address, changes it, or takes it back where it is empty. False for a child, of whom none is kept. */
export async function setAddress(
  db: Db,
  person: Pick<Person, 'id' | 'workshop_id' | 'age'>,
  { address, wantsSummary }: { address: string; wantsSummary: boolean },
): Promise<boolean> {
  if (!address) {
    await db.query('delete from mail_address where person_id = $1', [person.id]);
    return true;
  }
  if (person.age === 'under 12') return false;
  await db.query(
    `insert into mail_address (person_id, workshop_id, address, wants_summary) values ($1, $2, $3, $4)
     on conflict (person_id) do update set address = excluded.address, wants_summary = excluded.wants_summary`,
    [person.id, person.workshop_id, address, wantsSummary],
  );
  return true;
}
