import { beforeAll, describe, expect, test } from 'vitest';
import { FIRST_EARS, type Ears } from '@/core/documents/ears';
import { MOST_SOUNDS_KEPT } from '@/core/limits';
import { earsKept, keepEars, MOST_DEVICES } from './ears';
import { signedInPerson } from './people';
import { dropRecording, keepRecording, pinRecording, recordingOf, soundOf } from './recordings';
import { takes } from './takes';
import { ada, bo, kept, seed, sent, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('recordings');
beforeAll(() => seed(here));

const played = async () => {
  const body = sent(ada.id);
  const keeping = await kept(here, ada.token, body);
  if (!keeping.ok) throw new Error(keeping.problems[0]!.say);
  return body.id;
};
const bytes = Buffer.from([0x1a, 0x45, 0xdf, 0xa3, 1, 2, 3, 4, 5, 6]);
const keep = async (takeId: string, token = ada.token) => {
  const player = (await here.as(token, signedInPerson))!;
  return here.as(token, (db) =>
    keepRecording(db, player, { takeId, kind: 'audio/webm', lengthMs: 4321.5, zeroMs: 1234.25, sound: bytes }),
  );
};
const age = (takeId: string, days: number) =>
  here.owner.query(`update recording set kept_at = now() - make_interval(days => $2) where take_id = $1`, [
    takeId,
    days,
  ]);

describe('the sound of a take', () => {
  test('is kept once, and heard by its player and their teacher, whole or in part', async () => {
    const id = await played();
    expect(await keep(id)).toBe('kept');
    expect(await keep(id)).toBe('kept');
    for (const token of [ada.token, teacherToken]) {
      expect(await here.as(token, (db) => recordingOf(db, id))).toMatchObject({
        kind: 'audio/webm',
        bytes: 10,
        length_ms: 4322,
        zero_ms: 1234.25,
        is_pinned: false,
      });
      expect(await here.as(token, (db) => soundOf(db, id, 0, 10))).toEqual(bytes);
      expect(await here.as(token, (db) => soundOf(db, id, 4, 3))).toEqual(Buffer.from([1, 2, 3]));
    }
    expect((await here.as(teacherToken, (db) => takes(db))).find((one) => one.id === id)?.has_sound).toBe(true);
  });

  test('is nobody else’s: not to hear, to keep, to pin or to drop', async () => {
    const id = await played();
    expect(await keep(id, bo.token)).toBe('gone');
    await keep(id);
    expect(await here.as(bo.token, (db) => recordingOf(db, id))).toBeUndefined();
    expect(await here.as(bo.token, (db) => soundOf(db, id, 0, 10))).toBeUndefined();
    expect(await here.as(bo.token, (db) => pinRecording(db, id, true))).toBe(false);
    expect(await here.as(bo.token, (db) => dropRecording(db, id))).toBe(false);
    // A teacher hears and pins it; only its player drops it.
    expect(await here.as(teacherToken, (db) => pinRecording(db, id, true))).toBe(true);
    expect(await here.as(teacherToken, (db) => dropRecording(db, id))).toBe(false);
    expect(await here.as(ada.token, (db) => dropRecording(db, id))).toBe(true);
    expect(await here.as(ada.token, (db) => recordingOf(db, id))).toBeUndefined();
  });

  test('goes after 90 days, and stays where it is pinned', async () => {
    const [old, pinned, young] = [await played(), await played(), await played()];
    for (const id of [old, pinned, young]) await keep(id);
    await here.as(ada.token, (db) => pinRecording(db, pinned, true));
    await age(old, 90);
    await age(pinned, 400);
    await age(young, 89);
    const heard = async (id: string) => Boolean(await here.as(ada.token, (db) => recordingOf(db, id)));
    expect([await heard(old), await heard(pinned), await heard(young)]).toEqual([false, true, true]);
    // What nobody sees any more is let go with the next that is kept.
    await keep(await played());
    const { rows } = await here.owner.query('select take_id from recording where take_id = any($1)', [
      [old, pinned, young],
    ]);
    expect(rows.map(({ take_id }: { take_id: string }) => take_id).sort()).toEqual([pinned, young].sort());
  });

  test('there is room for so many of a player, also when several come at once', async () => {
    await here.owner.query('delete from recording');
    const ids = [];
    for (let index = 0; index < MOST_SOUNDS_KEPT + 3; index++) ids.push(await played());
    const came = await Promise.all(ids.map((id) => keep(id)));
    expect(came.filter((one) => one === 'kept')).toHaveLength(MOST_SOUNDS_KEPT);
    expect(came.filter((one) => one === 'full')).toHaveLength(3);
  });

  test('goes with its take', async () => {
    await here.owner.query('delete from recording');
    const id = await played();
    await keep(id);
    await here.owner.query('delete from take where id = $1', [id]);
    expect((await here.owner.query('select from recording where take_id = $1', [id])).rowCount).toBe(0);
  });
});

describe('what a device has learnt', () => {
  const ears = (ms: number): Ears => ({ ...FIRST_EARS, delays: { keys: { ms, spreadMs: 2 } } });
  const keepOf = async (token: string, deviceId: string, ms: number) => {
    const person = (await here.as(token, signedInPerson))!;
    await here.as(token, (db) => keepEars(db, person, { deviceId, name: 'Linux computer', ears: ears(ms) }));
    return here.as(token, (db) => earsKept(db, person));
  };

  test('is kept once a device, is one’s own, and so many devices have room', async () => {
    const device = crypto.randomUUID();
    await keepOf(ada.token, device, 10);
    expect(await keepOf(ada.token, device, 20)).toMatchObject([{ deviceId: device, ears: ears(20) }]);
    const [mine] = await keepOf(bo.token, crypto.randomUUID(), 5);
    expect(mine!.deviceId).not.toBe(device);
    for (let index = 0; index < MOST_DEVICES + 2; index++) await keepOf(ada.token, crypto.randomUUID(), index);
    const all = await keepOf(ada.token, crypto.randomUUID(), 99);
    expect(all).toHaveLength(MOST_DEVICES);
    expect(all.some(({ deviceId }) => deviceId === device)).toBe(false);
    // Not even the teacher's.
    const { rows } = await here.as(teacherToken, (db) => db.query('select from ears'));
    expect(rows).toHaveLength(0);
  });

  test('what cannot be read is left out', async () => {
    await here.owner.query(`update ears set document = '{"version": 9}'`);
    const person = (await here.as(ada.token, signedInPerson))!;
    expect(await here.as(ada.token, (db) => earsKept(db, person))).toEqual([]);
  });
});
