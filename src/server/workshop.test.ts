import { describe, expect, test } from 'vitest';
import { throwAwayDatabase } from './testing/throwAway';
import { everything, sessionOf } from './testing/workshops';
import { leaveDemo } from './workshop';

const databases = { all: throwAwayDatabase('workshop_all', 'demo'), some: throwAwayDatabase('workshop_some', 'demo') };

describe('leaving the demo', () => {
  const begins = { workshop: 'Own shed', name: 'Runa Berg', signInName: 'Runa', password: 'a long password' };

  test.each([true, false])('all of it goes; grooves and drills stay: %s', async (keeps) => {
    const db = keeps ? databases.some : databases.all;
    await db.owner.query(`update installation set kind = 'demo'`);
    const { rows } = await db.owner.query<{ id: string; workshop: string }>(
      'select id, workshop_id as workshop from person where is_owner',
    );
    const colleague = (
      await db.owner.query<{ id: string }>(`select id from person where role = 'teacher' and not is_owner`)
    ).rows[0]!.id;
    expect(await (await sessionOf(db, colleague))((session) => leaveDemo(session, begins, keeps))).toBe(false);
    const inSession = await sessionOf(db, rows[0]!.id);
    expect(await inSession((session) => leaveDemo(session, begins, keeps))).toBe(true);
    const left = Object.entries(await everything(db, rows[0]!.workshop)).flatMap(([table, all]) =>
      all.length ? [table] : [],
    );
    expect(left).toEqual(['workshop', 'person', 'credential', ...(keeps ? ['groove', 'drill'] : []), 'event']);
    expect((await db.owner.query('select name, sign_in_name, is_owner from person')).rows).toEqual([
      { name: 'Runa Berg', sign_in_name: 'runa', is_owner: true },
    ]);
    expect((await db.owner.query('select name, is_demo, handle from workshop')).rows).toEqual([
      { name: 'Own shed', is_demo: false, handle: 'own-shed' },
    ]);
    expect((await db.owner.query('select kind from installation')).rows).toEqual([{ kind: 'own' }]);
    // A second time there is no demo to leave.
    expect(await inSession((session) => leaveDemo(session, begins, keeps))).toBe(false);
  });
});
