import { writeTake, type Take } from '@/core/documents/take';
import type { Result } from '@/core/result';
import { emptyTake, playedTake } from '@/core/testing/takes';
import { setAssignment } from '../assignments';
import { STARTER_GROOVES } from '../demo/grooves';
import { openSession, setUpWorkshop } from '../door';
import { addGroove } from '../grooves';
import { addStudent, signedInPerson, type Person } from '../people';
import { judgeSent } from '../judging/judged';
import { keepTake } from '../keepTake';
import type { ThrowAway } from './throwAway';

export const NOW = new Date('2026-11-20T17:00:00Z');
export const school = 'e-and-a / trip-let';

export let teacher: Person;
export let teacherToken: string;
export let ada: { id: string; token: string };
export let bo: { id: string; token: string };
export let grooveId: string;
export let assignmentId: string;

/** A take as the kit plays it, two rounds of the first groove. */
export const anyTake = (change: Partial<Take> = {}): Take => {
  const empty = emptyTake(STARTER_GROOVES[0]!.groove, { bpm: 72, rounds: 2, playedMs: 0 });
  const whole = playedTake({ spreadMs: 12 }, empty, 5);
  return { ...whole, playedMs: Math.round(whole.playedMs), ...change };
};
/** A take as the room sends it. */
export const sent = (playerId: string, change: Record<string, unknown> = {}) => ({
  id: crypto.randomUUID(),
  playerId,
  grooveId,
  assignmentId,
  playedAt: NOW.toISOString(),
  take: JSON.parse(JSON.stringify(writeTake(anyTake()))) as unknown,
  ...change,
});

/** Keeps what was sent, as the person of a session; judged in the test's own thread. */
export async function kept(here: ThrowAway, token: string, body: unknown, now = NOW): Promise<Result<{ id: string }>> {
  const player = (await here.as(token, signedInPerson))!;
  return keepTake(body, { player, inSession: (work) => here.as(token, work), now, judging: judgeSent });
}

/** A workshop with a teacher, two students, one groove and one thing set, in the database of the test that asks. */
export async function seed(here: ThrowAway) {
  teacherToken = (await setUpWorkshop({
    workshop: 'Test shed',
    teacher: 'Tova Lind',
    signInName: 'Tova',
    password: 'a long password',
    school,
  }))!;
  await here.as(teacherToken, async (db) => {
    teacher = (await signedInPerson(db))!;
    grooveId = await addGroove(db, teacher, STARTER_GROOVES[0]!);
  });
  const addAs = async (name: string) => {
    const id = await here.as(teacherToken, (db) =>
      addStudent(db, teacher, {
        name,
        signInName: name,
        password: `${name} has a password`,
        level: 'second year',
        setup: 'crossed',
        school,
      }),
    );
    return { id, token: await openSession(id) };
  };
  [ada, bo] = [await addAs('Ada'), await addAs('Bo')];
  assignmentId = await here.as(teacherToken, (db) =>
    setAssignment(db, teacher, {
      student_id: ada.id,
      groove_id: grooveId,
      tempo: 72,
      click: 'counts',
      minutes: 10,
      reason: 'The & of 3.',
      setAt: new Date(NOW.getTime() - 86_400_000),
    }),
  );
}
