import { createServer, type AddressInfo, type Server } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { invitationMail, movedMail, skippedMail, summaryMail } from '@/ui/words/mails';
import { addressesOf, mailLeaves, mails, sendMails, setAddress, wantSummaries, writeMails, type Letter } from './mail';
import { ada, bo, seed, teacher, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';

const ZURICH = { timeZone: 'Europe/Zurich', dates: 'en' } as const;

const here = throwAwayDatabase('mail');
const asTeacher = <T>(work: Parameters<typeof here.as<T>>[1]) => here.as(teacherToken, work);
const asAda = <T>(work: Parameters<typeof here.as<T>>[1]) => here.as(ada.token, work);
const letter = (more: Partial<Letter> = {}): Letter => ({
  kind: 'lesson',
  address: 'ada@example.org',
  about: ada.id,
  subject: 'Moved',
  body: 'Your lesson is moved.',
  ...more,
});
const who = () => ({ id: ada.id, workshop_id: teacher.workshop_id, age: null });

/** A mail server that takes everything and keeps what it was told, or refuses everybody. */
function mailServer(said: string[], refuses = false): Promise<Server> {
  const server = createServer((socket) => {
    let inData = false;
    socket.write('220 shed\r\n');
    socket.on('data', (bytes) => {
      for (const line of bytes.toString().split('\r\n').filter(Boolean)) {
        said.push(line);
        if (inData) {
          if (line === '.') {
            inData = false;
            socket.write('250 kept\r\n');
          }
        } else if (line === 'DATA') {
          inData = true;
          socket.write('354 go on\r\n');
        } else if (refuses && line.startsWith('RCPT')) socket.write('550 nobody here\r\n');
        else socket.write(line === 'QUIT' ? '221 bye\r\n' : '250 ok\r\n');
      }
    });
    socket.on('error', () => {});
  });
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve(server)));
}

beforeAll(() => seed(here));
afterAll(() => {
  delete process.env.MOCHILA_SMTP_URL;
  delete process.env.MOCHILA_MAIL_FROM;
});

describe('an address', () => {
  test('is one’s own to give, to change and to take back; their teacher sees it, nobody else', async () => {
    expect(await asAda((db) => setAddress(db, who(), { address: 'ada@example.org', wantsSummary: false }))).toBe(true);
    expect(await asTeacher(wantSummaries)).toEqual([]);
    expect(await asAda((db) => setAddress(db, who(), { address: 'ada@lake.example', wantsSummary: true }))).toBe(true);
    expect(await asTeacher((db) => addressesOf(db, [ada.id, bo.id]))).toEqual([
      { person_id: ada.id, name: 'Ada', address: 'ada@lake.example', wants_summary: true },
    ]);
    expect(await asTeacher(wantSummaries)).toHaveLength(1);
    expect(await here.as(bo.token, (db) => addressesOf(db, [ada.id]))).toEqual([]);
    await expect(
      here.as(bo.token, (db) => setAddress(db, who(), { address: 'bo@example.org', wantsSummary: true })),
    ).rejects.toThrow(/row-level security/);
    await asAda((db) => setAddress(db, who(), { address: '', wantsSummary: true }));
    expect(await asTeacher((db) => addressesOf(db, [ada.id]))).toEqual([]);
  });

  test('of a child is not kept, by the form and by the database', async () => {
    await here.owner.query(`update person set age = 'under 12' where id = $1`, [ada.id]);
    const given = { address: 'ada@example.org', wantsSummary: false };
    expect(await asAda((db) => setAddress(db, { ...who(), age: 'under 12' }, given))).toBe(false);
    await expect(asAda((db) => setAddress(db, who(), given))).rejects.toThrow(/row-level security/);
    await here.owner.query('update person set age = null where id = $1', [ada.id]);
  });
});

describe('a mail', () => {
  test('lies in the mailbox of who wrote it; what is older than thirty days goes with the next', async () => {
    const [first] = await asTeacher((db) => writeMails(db, teacher, [letter({ subject: 'S'.repeat(300) })]));
    const [shown] = await asTeacher(mails);
    expect(shown).toMatchObject({ id: first, sent_at: null, failed: null, body: 'Your lesson is moved.' });
    expect(shown!.subject).toHaveLength(200);
    expect(await asAda(mails)).toEqual([]);
    await here.owner.query(`update mail set written_at = now() - interval '31 days'`);
    await asTeacher((db) => writeMails(db, teacher, [letter()]));
    expect(await asTeacher(mails)).toHaveLength(1);
  });

  test('leaves by no server where none is set', async () => {
    expect(mailLeaves()).toBe(false);
    const ids = await asTeacher((db) => writeMails(db, teacher, [letter()]));
    await sendMails(ids, asTeacher);
    expect((await asTeacher(mails)).every(({ sent_at }) => sent_at === null)).toBe(true);
  });

  test('leaves by the server that is set, once, and its link is kept no longer', async () => {
    const said: string[] = [];
    const server = await mailServer(said);
    process.env.MOCHILA_SMTP_URL = `smtp://127.0.0.1:${(server.address() as AddressInfo).port}?ignoreTLS=true`;
    process.env.MOCHILA_MAIL_FROM = 'shed@example.org';
    const text = invitationMail({ name: 'Ada', teacher: 'Tova', workshop: 'Shed' }, 'http://shed.example/join/secret');
    const ids = await asTeacher((db) => writeMails(db, teacher, [letter({ kind: 'invitation', ...text })]));
    await sendMails(ids, asTeacher);
    await sendMails(ids, asTeacher);
    server.close();
    expect(said.filter((line) => line.startsWith('RCPT TO:'))).toEqual(['RCPT TO:<ada@example.org>']);
    // Lines are cut as mail does (quoted-printable).
    expect(said.join('\n').replaceAll('=\n', '')).toContain('http://shed.example/join/secret');
    const sent = (await asTeacher(mails)).find(({ id }) => id === ids[0])!;
    expect(sent.sent_at).toBeInstanceOf(Date);
    expect(sent.body).toContain('(the link)');
    expect(sent.body).not.toContain('secret');
  });

  test('that does not leave says why, and leaves when it is tried again', async () => {
    const refusing = await mailServer([], true);
    process.env.MOCHILA_SMTP_URL = `smtp://127.0.0.1:${(refusing.address() as AddressInfo).port}?ignoreTLS=true`;
    const ids = await asTeacher((db) => writeMails(db, teacher, [letter()]));
    const kept = async () => (await asTeacher(mails)).find(({ id }) => id === ids[0])!;
    await sendMails(ids, asTeacher);
    refusing.close();
    expect(await kept()).toMatchObject({ sent_at: null, failed: expect.stringContaining('nobody here') as string });
    const server = await mailServer([]);
    process.env.MOCHILA_SMTP_URL = `smtp://127.0.0.1:${(server.address() as AddressInfo).port}?ignoreTLS=true`;
    await sendMails(ids, asTeacher);
    server.close();
    expect(await kept()).toMatchObject({ sent_at: expect.any(Date) as Date, failed: null });
  });
});

test('mails say what there is to say', () => {
  const between = { name: 'Ada', teacher: 'Tova', workshop: 'Shed' };
  const [from, to] = [new Date('2026-11-24T15:00Z'), new Date('2026-11-26T16:00Z')];
  expect(movedMail(between, from, to, ZURICH)).toEqual({
    subject: 'Your lesson of Tue 24 Nov, 16:00 is moved',
    body: 'Hello Ada,\n\nyour lesson of Tue 24 Nov, 16:00 is moved. It begins on Thu 26 Nov, 17:00.\n\nTova\nShed',
  });
  expect(skippedMail(between, from, ZURICH).subject).toBe('No lesson on Tue 24 Nov, 16:00');
  const week = { minutes: 42, goal: 70, takes: 9, homework: ['Ferry ramp at 76.'], next: to };
  expect(summaryMail(between, week, ZURICH).body).toBe(
    'Hello Ada,\n\nthis week 42 minutes sounded of 70 that were set, in 9 takes.\n\nSet for you:\n– Ferry ramp at 76.\n\nYour next lesson is on Thu 26 Nov, 17:00.\n\nTova\nShed',
  );
  const quiet = { minutes: 0, goal: 0, takes: 0, homework: [] };
  expect(summaryMail(between, quiet, ZURICH).body).toContain('this week nothing was played.');
});
