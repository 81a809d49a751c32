import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import { ACTORS, ask, owner, sessionOf, theCast, type ActorName, type Cast } from './served';

const cast: Cast = theCast();

describe('two screens of a lesson', () => {
  const screen = () => ({
    version: 1,
    grooveId: cast.groove,
    bpm: 70,
    click: CLICK_PLANS.counts,
    task: ['right hand'],
  });
  const bead = { limb: 'right hand', bar: 0, round: 0, percent: 10, kind: 'near', title: 'on the dot' };
  const told = () => ({ tells: 'beads', grooveId: cast.groove, beads: [bead] });
  const tokenFor = (actor: ActorName) => (actor === 'visitor' ? undefined : sessionOf(cast[actor].id));
  const at = (id: string) => `/api/lessons/${id}/live`;
  const post = async (actor: ActorName, id: string, body: unknown, beside = false) => {
    const init = {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      beside,
    };
    return (await ask(at(id), await tokenFor(actor), init)).status;
  };
  beforeAll(() => owner.query(`update lesson set state = 'running', began_at = now() where id = $1`, [cast.lesson]));
  afterAll(() => owner.query(`update lesson set state = 'planned'`));

  test('which lesson runs is told to who is in it', async () => {
    for (const actor of ACTORS) {
      const response = await ask('/api/lessons/running', await tokenFor(actor));
      const answer = (await response.json()) as { lesson?: string | null };
      const isIn = actor === 'student' || actor === 'teacher';
      expect([actor, response.status, answer.lesson ?? null]).toEqual([
        actor,
        actor === 'visitor' ? 401 : 200,
        isIn ? cast.lesson : null,
      ]);
    }
  });

  test('the screen is shown by those who have the student, and told by who is in the lesson', async () => {
    const shows = { visitor: 401, student: 404, other: 404, teacher: 200, colleague: 404, owner: 200, foreign: 404 };
    const tells = { visitor: 401, student: 200, other: 404, teacher: 200, colleague: 404, owner: 200, foreign: 404 };
    for (const actor of ACTORS) {
      expect([actor, await post(actor, cast.lesson, { screen: screen() })]).toEqual([actor, shows[actor]]);
      expect([actor, await post(actor, cast.lesson, { screen: null })]).toEqual([actor, shows[actor]]);
      expect([actor, await post(actor, cast.lesson, { told: told() })]).toEqual([actor, tells[actor]]);
      for (const none of [crypto.randomUUID(), 'x'])
        expect(await post(actor, none, { told: told() })).toBe(actor === 'visitor' ? 401 : 404);
    }
    for (const wrong of [{}, { told: { tells: 'x' } }, { screen: { ...screen(), bpm: 9000 } }, { screen: 'x' }, []])
      expect([wrong, await post('teacher', cast.lesson, wrong)]).toEqual([wrong, 422]);
    expect(await post('teacher', cast.lesson, { screen: { ...screen(), grooveId: crypto.randomUUID() } })).toBe(404);
  });

  test('the stream is heard by who is in the lesson, on whichever web server they are', async () => {
    const hears = { visitor: 401, student: 200, other: 404, teacher: 200, colleague: 404, owner: 200, foreign: 404 };
    for (const actor of ACTORS) {
      const controller = new AbortController();
      const response = await ask(at(cast.lesson), await tokenFor(actor), { signal: controller.signal });
      expect([actor, response.status]).toEqual([actor, hears[actor]]);
      controller.abort();
    }
    // The student hears one server, the teacher's device sends to the other.
    const student = await hearing('student', false);
    const teacher = await hearing('teacher', true);
    expect(await post('teacher', cast.lesson, { screen: screen() }, true)).toBe(200);
    await student.until((event, data) => event === 'screen' && (data.screen as { bpm?: number } | null)?.bpm === 70);
    expect(await post('student', cast.lesson, { told: told() })).toBe(200);
    await teacher.until((event, data) => event === 'told' && data.by === cast.student.id);
    // What a student plays is no other student's to hear.
    expect(await post('teacher', cast.lesson, { screen: null }, true)).toBe(200);
    await student.until((event, data) => event === 'screen' && data.screen === null);
    expect(student.seen.includes('told')).toBe(false);
    await owner.query(`update lesson set state = 'held', ended_at = now() where id = $1`, [cast.lesson]);
    await student.until((event) => event === 'over');
    await teacher.until((event) => event === 'over');
    expect(await post('student', cast.lesson, { told: told() })).toBe(404);
    expect((await ask(at(cast.lesson), await tokenFor('teacher'))).status).toBe(404);
  });

  /** Hears a lesson; `until` waits for the first event that is meant. */
  async function hearing(actor: ActorName, beside: boolean) {
    const response = await ask(at(cast.lesson), await tokenFor(actor), { beside });
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    const seen: string[] = [];
    let text = '';
    return {
      seen,
      async until(isMeant: (event: string, data: Record<string, unknown>) => boolean) {
        for (;;) {
          const end = text.indexOf('\n\n');
          if (end < 0) {
            const { value, done } = await reader.read();
            if (done) throw new Error(`The stream ended after ${seen.join(', ')}`);
            text += value;
            continue;
          }
          const [, event = '', data = ''] = /^event: (.*)\ndata: (.*)$/.exec(text.slice(0, end))!;
          text = text.slice(end + 2);
          seen.push(event);
          if (isMeant(event, JSON.parse(data) as Record<string, unknown>)) return;
        }
      },
    };
  }
});
