import { beforeAll, describe, expect, test } from 'vitest';
import { MOST_TAKES_A_DAY } from '@/core/limits';
import { keepListening, listeningOf } from './listening';
import { signedInPerson } from './people';
import { ada, bo, seed, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('listening');
beforeAll(() => seed(here));

const answer = (right: string, said: string) => ({ rung: 0, seed: 1, right, said });
const sitting = (...answers: ReturnType<typeof answer>[]) => ({ version: 1, subject: 'flam', answers });
const keep = (token: string, json: unknown, id: string = crypto.randomUUID()) =>
  here.as(token, async (db) => keepListening(db, (await signedInPerson(db))!, id, json));

describe('what was listened to', () => {
  test('is kept once, with its figures; the newest first', async () => {
    const id = crypto.randomUUID();
    const first = sitting(answer('flat', 'flat'), answer('flat', 'right'));
    for (let time = 0; time < 2; time++) expect(await keep(ada.token, first, id)).toEqual({ ok: true, value: { id } });
    await keep(ada.token, sitting(answer('wide', 'wide'), answer('wide', 'wide')));
    const [progress, ...more] = await here.as(ada.token, (db) => listeningOf(db, ada.id));
    expect(more).toEqual([]);
    expect(progress!.sittings.map(({ asked, answered, rung }) => [asked, answered, rung])).toEqual([
      [2, 2, 1],
      [2, 1, 0],
    ]);
    expect(progress!.answers).toHaveLength(4);
  });

  test('is a person’s own: the teacher sees it, another student does not, and nobody keeps it for somebody else', async () => {
    expect(await here.as(teacherToken, (db) => listeningOf(db, ada.id))).toHaveLength(1);
    expect(await here.as(bo.token, (db) => listeningOf(db, ada.id))).toEqual([]);
    await expect(
      here.as(bo.token, async (db) => {
        const { workshop_id } = (await signedInPerson(db))!;
        return keepListening(db, { id: ada.id, workshop_id }, crypto.randomUUID(), sitting(answer('flat', 'flat')));
      }),
    ).rejects.toThrow(/row-level security/);
  });

  test('what is none is refused in words, and so is more than a day holds', async () => {
    expect(await keep(ada.token, { version: 1, subject: 'rowing', answers: [] })).toMatchObject({ ok: false });
    await here.owner.query(
      `insert into listening (id, workshop_id, player_id, subject, asked, answered, rung, document)
       select gen_random_uuid(), workshop_id, id, 'flam', 1, 1, 0, '{}' from person, generate_series(1, $2)
         where id = $1`,
      [bo.id, MOST_TAKES_A_DAY],
    );
    expect(await keep(bo.token, sitting(answer('flat', 'flat')))).toMatchObject({
      ok: false,
      problems: [{ code: 'too-many-today' }],
    });
    // What cannot be read counts, and brings no answers.
    const [progress] = await here.as(bo.token, (db) => listeningOf(db, bo.id));
    expect([progress!.sittings.length, progress!.answers]).toEqual([8, []]);
  });
});
