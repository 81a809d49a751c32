import { strFromU8, unzipSync } from 'fflate';
import { afterAll, afterEach, describe, expect, test } from 'vitest';
import { LIMBS, USUAL_SURFACES } from '@/core/groove/limbs';
import { EMPTY, freshClimb, grooveJson, sampleArguments } from './samples';
import { PASSWORD } from './seed';
import {
  actions,
  ACTORS,
  ask,
  call,
  fingerprint,
  Form,
  owner,
  routes,
  sessionOf,
  theCast,
  type ActorName,
  type Cast,
} from './served';

/**
 * Who may do what. Each page, route and action that is served has a row here, each kind of person a column; a new one
 * without a row fails. The student is the teacher's; the colleague teaches in the workshop and has neither student;
 * the owner manages it; whoever is foreign owns another workshop.
 */
const cast: Cast = theCast();
const tokenOf = (actor: ActorName): string | undefined => (actor === 'visitor' ? undefined : cast[actor].token);

/** What a page answers: it is shown, it is not there, or one is sent elsewhere. */
type Answer = 'shown' | 'not there' | '/sign-in' | '/today' | '/set-up' | '/takes';

const EVERYBODY = {
  visitor: '/sign-in',
  student: 'shown',
  other: 'shown',
  teacher: 'shown',
  colleague: 'shown',
  owner: 'shown',
  foreign: 'shown',
} as const;
const TEACHERS = { ...EVERYBODY, student: '/today', other: '/today' } as const;
const everybody = (answer: Answer) =>
  Object.fromEntries(ACTORS.map((actor) => [actor, answer])) as Record<ActorName, Answer>;

/** Pages without an id, and what each person is answered. */
const PAGES: Record<string, Record<ActorName, Answer>> = {
  '/': everybody('/today'),
  '/today': EVERYBODY,
  '/takes': EVERYBODY,
  '/grooves': EVERYBODY,
  '/listening': EVERYBODY,
  '/you': EVERYBODY,
  '/getting-heard': EVERYBODY,
  '/hear': EVERYBODY,
  '/lessons': TEACHERS,
  '/drills': TEACHERS,
  '/drills/at-sight': TEACHERS,
  '/people': TEACHERS,
  '/people/new': TEACHERS,
  '/paths': TEACHERS,
  '/tunes': TEACHERS,
  // A teacher chooses in the log whose charts they are.
  '/charts': { ...everybody('/takes'), visitor: '/sign-in', student: 'shown', other: 'shown' },
  '/workshop': TEACHERS,
  '/workshop/changes': TEACHERS,
  '/workshop/mail': TEACHERS,
  '/handout/blank': EVERYBODY,
  '/sign-in': { ...everybody('/today'), visitor: 'shown' },
  '/set-up': everybody('/sign-in'),
  // In development only.
  '/gallery': everybody('not there'),
  '/health': everybody('shown'),
  '/icon.svg': everybody('shown'),
};

/** Pages of one thing: whose thing it is, and what each person is answered for it. */
const PAGES_OF_ONE: Record<string, { id: () => string; answers: Record<ActorName, Answer> }> = {
  '/takes/[id]': {
    id: () => cast.take,
    answers: { ...EVERYBODY, other: 'not there', colleague: 'not there', foreign: 'not there' },
  },
  '/room/[groove]': { id: () => cast.groove, answers: { ...EVERYBODY, other: 'not there', foreign: 'not there' } },
  '/handout/[groove]': { id: () => cast.groove, answers: { ...EVERYBODY, other: 'not there', foreign: 'not there' } },
  '/handout/lesson/[id]': {
    id: () => cast.lesson,
    answers: { ...EVERYBODY, other: 'not there', colleague: 'not there', foreign: 'not there' },
  },
  '/bench/[groove]': { id: () => cast.groove, answers: { ...TEACHERS, foreign: 'not there' } },
  '/people/[id]': { id: () => cast.student.id, answers: { ...TEACHERS, colleague: 'not there', foreign: 'not there' } },
  '/tunes/[id]': { id: () => cast.tune, answers: { ...TEACHERS, foreign: 'not there' } },
  '/lessons/[id]': { id: () => cast.lesson, answers: { ...TEACHERS, colleague: 'not there', foreign: 'not there' } },
};

/** Routes that are not read as pages: tried by themselves below, and files in `files.test.ts`. */
const SENT_TO = [
  '/api/lessons/running',
  '/api/lessons/[id]/live',
  '/api/takes',
  '/api/recordings/[take]',
  '/api/people/[id]/everything',
  '/api/tunes',
  '/api/people',
  '/api/log',
  '/api/calendar/[token]',
  '/api/workshop/backup',
  '/files/grooves/[id]/[format]',
  '/files/grooves',
  '/files/handouts',
  '/files/takes/[id]/[sheet]',
  '/files/charts/[id]/[format]',
  '/files/drills/[id]/[format]',
  '/join/[invitation]',
];

async function answered(path: string, actor: ActorName): Promise<string> {
  const response = await ask(path, tokenOf(actor));
  await response.arrayBuffer();
  if (response.status === 200) return 'shown';
  if (response.status === 404) return 'not there';
  if (response.status === 307) return new URL(response.headers.get('location')!, 'http://here').pathname;
  return String(response.status);
}

describe('pages', () => {
  test('each that is served has its row', () => {
    expect(routes.toSorted()).toEqual([...Object.keys(PAGES), ...Object.keys(PAGES_OF_ONE), ...SENT_TO].toSorted());
  });

  test.each(Object.keys(PAGES))('%s', async (path) => {
    for (const actor of ACTORS) expect([actor, await answered(path, actor)]).toEqual([actor, PAGES[path]![actor]]);
  });

  test.each(Object.keys(PAGES_OF_ONE))(
    '%s: of one’s own, another’s, one that is not there, and no id at all',
    async (route) => {
      const { id, answers } = PAGES_OF_ONE[route]!;
      for (const actor of ACTORS) {
        const at = (one: string) => answered(route.replace(/\[\w+\]/, one), actor);
        expect([actor, await at(id())]).toEqual([actor, answers[actor]]);
        // What is not there is answered as another's is; whoever may not see the page at all learns nothing either.
        const none = answers[actor] === 'shown' ? 'not there' : answers[actor];
        for (const one of [crypto.randomUUID(), 'x', '%20', `${id()}'--`, '..%2f..%2fetc'])
          expect([actor, one, await at(one)]).toEqual([actor, one, none]);
      }
    },
  );
});

interface ActionRow {
  /** Who brings something about by what an honest page of the first workshop sends. */
  may: readonly ActorName[];
  /** What it touches, where that is not one of the tables of the workshop. */
  touches?: string;
  /** What is put back before each tries, where the one before has used it up. */
  reset?: () => string;
}

const EVERY_SIGNED_IN = ['student', 'other', 'teacher', 'colleague', 'owner', 'foreign'] as const;
/** Grooves and drills are the whole workshop's. */
const ITS_TEACHERS = ['teacher', 'colleague', 'owner'] as const;
const ANY_TEACHERS = [...ITS_TEACHERS, 'foreign'] as const;
/** Those who have the student. */
const THEIR_TEACHERS = ['teacher', 'owner'] as const;
const SESSIONS = 'select count(*) from session';

/** Every action; `may` are those for whom something changes. The rest get an answer in words or are sent away. */
const ACTIONS: Record<string, ActionRow> = {
  signInAction: { may: ACTORS, touches: SESSIONS },
  comeInAction: { may: [], touches: SESSIONS },
  setUpAction: { may: [] },
  signOutAction: { may: EVERY_SIGNED_IN, touches: SESSIONS },
  signOutEverywhereAction: { may: EVERY_SIGNED_IN, touches: SESSIONS },
  changePasswordAction: { may: EVERY_SIGNED_IN },
  keepCopyAction: { may: ANY_TEACHERS },
  keepGrooveAction: { may: ANY_TEACHERS },
  newGrooveAction: { may: ANY_TEACHERS },
  saveGrooveAction: { may: ITS_TEACHERS, reset: () => 'update groove set save_number = 1' },
  keepDrillAction: { may: ANY_TEACHERS },
  keepSightAction: { may: ANY_TEACHERS },
  practiseDrillAction: { may: ANY_TEACHERS },
  dropDrillAction: {
    may: ITS_TEACHERS,
    reset: () => `insert into drill (id, workshop_id, made_by, name, family, rule)
      values ('${cast.drill}', '${cast.workshop}', '${cast.teacher.id}', 'Planks', 'placement', '{}') on conflict do nothing`,
  },
  grooveJsonAction: { may: [] },
  contentsAction: { may: [] },
  archiveAction: { may: ITS_TEACHERS, reset: () => 'update groove set archived_at = null' },
  favouriteAction: { may: ['student', ...ITS_TEACHERS] },
  labelsAction: { may: ITS_TEACHERS },
  addStudentAction: { may: ANY_TEACHERS },
  changePersonAction: { may: THEIR_TEACHERS },
  setStudentPasswordAction: { may: THEIR_TEACHERS },
  archivePersonAction: { may: THEIR_TEACHERS, reset: () => 'update person set archived_at = null' },
  shareAction: { may: THEIR_TEACHERS, reset: () => `delete from teaching where teacher_id = '${cast.colleague.id}'` },
  addTeacherAction: { may: ['owner', 'foreign'] },
  setOwnerAction: {
    may: ['owner'],
    reset: () => `update person set is_owner = false where id = '${cast.colleague.id}'`,
  },
  keepWaysAction: { may: EVERY_SIGNED_IN },
  addTimeAction: { may: THEIR_TEACHERS },
  endTimeAction: { may: THEIR_TEACHERS },
  openLessonAction: { may: THEIR_TEACHERS },
  saveLessonPlanAction: { may: THEIR_TEACHERS, reset: () => 'update lesson_plan set save_number = 1' },
  beginLessonAction: { may: THEIR_TEACHERS, reset: () => `update lesson set state = 'planned'` },
  lessonWordsAction: { may: THEIR_TEACHERS },
  moveLessonAction: { may: THEIR_TEACHERS },
  skipLessonAction: { may: THEIR_TEACHERS, reset: () => `update lesson set state = 'planned'` },
  // Reads, and leads to the room.
  openStepAction: { may: [] },
  keepTemplateAction: { may: THEIR_TEACHERS },
  dropTemplateAction: { may: ['teacher'] },
  addHolidayAction: { may: ['owner', 'foreign'] },
  dropHolidayAction: { may: ['owner'] },
  joinAction: { may: [], touches: SESSIONS },
  inviteAction: { may: THEIR_TEACHERS },
  takeBackInvitationAction: {
    may: THEIR_TEACHERS,
    reset: () => `insert into invitation (person_id, workshop_id, token_hash)
      values ('${cast.student.id}', '${cast.workshop}', sha256('one more')) on conflict do nothing`,
  },
  // Who is not archived yet is not deleted: the archived one is, below.
  deleteStudentAction: { may: [] },
  endSessionAction: { may: [], touches: SESSIONS },
  setAssignmentAction: { may: THEIR_TEACHERS },
  changeAssignmentAction: { may: THEIR_TEACHERS },
  setAgainAction: { may: THEIR_TEACHERS, reset: () => 'update assignment set ended_at = now()' },
  undoAssignmentAction: {
    may: THEIR_TEACHERS,
    reset: () => `insert into assignment (id, workshop_id, student_id, groove_id, set_by, tempo, click, minutes, reason)
      values ('${cast.assignment}', '${cast.workshop}', '${cast.student.id}', '${cast.groove}', '${cast.teacher.id}', 72, 'counts', 10, '')
      on conflict do nothing`,
  },
  endAssignmentAction: { may: THEIR_TEACHERS, reset: () => 'update assignment set ended_at = null' },
  writeNoteAction: { may: ['student', ...THEIR_TEACHERS] },
  dropNoteAction: { may: ['student'] },
  setAsideAction: { may: ['student', ...THEIR_TEACHERS] },
  // A row that is written is another version of itself, also where it says the same.
  pinRecordingAction: { may: ['student', ...THEIR_TEACHERS], touches: 'select xmin::text from recording' },
  dropRecordingAction: { may: ['student'] },
  keepEarsAction: { may: EVERY_SIGNED_IN },
  keepLadderAction: { may: ['student', ...ITS_TEACHERS] },
  keepListeningAction: { may: EVERY_SIGNED_IN },
  saveSettingsAction: { may: ['owner', 'foreign'] },
  // This is no demo; that it is the owner's there is tested with the database.
  leaveDemoAction: { may: [] },
  keepLogAction: { may: ['student', ...ITS_TEACHERS] },
  grooveTitlesAction: { may: [] },
  addStudentsAction: { may: ANY_TEACHERS },
  takeOverAction: {
    may: ['owner'],
    reset: () => `update person set archived_at = now(), is_owner = false where id = '${cast.colleague.id}';
      insert into teaching (student_id, teacher_id, workshop_id) values ('${cast.student.id}', '${cast.colleague.id}', '${cast.workshop}') on conflict do nothing`,
  },
  inviteByMailAction: { may: THEIR_TEACHERS },
  // To one's own students: the owner has none.
  writeSummariesAction: { may: ['teacher'] },
  // No mail leaves this server.
  sendAgainAction: { may: [] },
  keepMailAction: { may: EVERY_SIGNED_IN },
  planDayAction: { may: EVERY_SIGNED_IN },
  changePlanAction: { may: EVERY_SIGNED_IN },
  doSuggestionAction: {
    may: THEIR_TEACHERS,
    reset: () => `delete from assignment where groove_id = '${cast.step}'`,
  },
  refuseAction: { may: THEIR_TEACHERS },
  keepPathAction: { may: THEIR_TEACHERS, reset: () => 'update path set save_number = 1' },
  archivePathAction: { may: THEIR_TEACHERS, reset: () => 'update path set archived_at = null' },
  walkAction: {
    may: THEIR_TEACHERS,
    reset: () => `insert into path_student (path_id, student_id, workshop_id, put_by)
      values ('${cast.path}', '${cast.student.id}', '${cast.workshop}', '${cast.teacher.id}') on conflict do nothing`,
  },
  keepTuneAction: { may: ANY_TEACHERS },
  keepTunesAction: { may: ANY_TEACHERS },
  dropTuneAction: {
    may: ITS_TEACHERS,
    reset: () => `insert into tune (id, workshop_id, title, tempo, meter, feel)
      values ('${cast.tune}', '${cast.workshop}', 'Morning ferry', 72, '4/4', 'straight') on conflict do nothing`,
  },
  keepChartAction: {
    may: ITS_TEACHERS,
    reset: () => `insert into tune (id, workshop_id, title, tempo, meter, feel)
      values ('${cast.tune}', '${cast.workshop}', 'Morning ferry', 72, '4/4', 'straight') on conflict (id) do update set chart_id = null`,
  },
  keepGroovesAction: { may: ANY_TEACHERS },
  makeFeedAction: { may: EVERY_SIGNED_IN },
  dropFeedAction: { may: EVERY_SIGNED_IN },
};

/** Actions that leave the cast as the others need it come last. */
const LAST = [
  'saveLessonPlanAction',
  'keepTemplateAction',
  'moveLessonAction',
  'skipLessonAction',
  'beginLessonAction',
  'lessonWordsAction',
  'endTimeAction',
  'dropTemplateAction',
  'dropHolidayAction',
  'changeAssignmentAction',
  'dropRecordingAction',
  'archiveAction',
  'dropDrillAction',
  'endAssignmentAction',
  'setAgainAction',
  'undoAssignmentAction',
  'archivePathAction',
  'walkAction',
  'dropFeedAction',
  'archivePersonAction',
  'shareAction',
  'setOwnerAction',
  'takeOverAction',
];
const IN_ORDER = Object.keys(ACTIONS).sort((a, b) => LAST.indexOf(a) - LAST.indexOf(b));

describe('actions', () => {
  // Whoever was archived for one action takes part in what comes after it; what was kept by somebody's word is
  // nobody's there.
  afterEach(() => owner.query(`update person set archived_at = null; delete from take where input = 'nothing'`));
  afterAll(async () => {
    await owner.query('delete from teaching where teacher_id = $1', [cast.colleague.id]);
    await owner.query('update person set is_owner = false where id = $1', [cast.colleague.id]);
    await owner.query('update groove set archived_at = null');
    await owner.query('update tune set chart_id = null');
    await owner.query('delete from groove where chart is not null');
  });

  test('each that is served has its row', () => {
    expect([...actions.keys()].toSorted()).toEqual(Object.keys(ACTIONS).toSorted());
  });

  test.each(IN_ORDER)('%s', async (name) => {
    const { may, touches, reset } = ACTIONS[name]!;
    const state = async () => (touches ? (await owner.query(touches)).rows : fingerprint());
    // Those who may come last, so that what they change is there to be refused to the others.
    for (const actor of ACTORS.toSorted((a, b) => Number(may.includes(a)) - Number(may.includes(b)))) {
      if (reset) await owner.query(reset());
      const before = await state();
      const token = actor === 'visitor' ? undefined : await sessionOf(cast[actor].id);
      const counted = touches ? await state() : before;
      const response = await call(actions.get(name)!, sampleArguments(cast)[name]!, token);
      await response.arrayBuffer();
      expect([actor, response.status]).toEqual([actor, expect.toSatisfy((status: number) => status < 500)]);
      const hasChanged = JSON.stringify(await state()) !== JSON.stringify(counted);
      expect([name, actor, hasChanged]).toEqual([name, actor, may.includes(actor)]);
    }
  });

  test('what is read is only one’s own: the notes of a groove', async () => {
    const notes = async (name: string, args: unknown[], actor: ActorName) => {
      const response = await call(
        actions.get(name)!,
        args,
        tokenOf(actor) && (await sessionOf(cast[actor as 'teacher'].id)),
      );
      const text = await response.text();
      // Sent elsewhere, one is answered with that page, which may show notes of one's own.
      return !response.headers.has('x-action-redirect') && text.includes('"strokes"');
    };
    for (const actor of ACTORS) {
      expect([actor, await notes('contentsAction', [[cast.groove]], actor)]).toEqual([
        actor,
        ['student', ...ITS_TEACHERS].includes(actor),
      ]);
      expect([actor, await notes('grooveJsonAction', [cast.groove], actor)]).toEqual([
        actor,
        (ITS_TEACHERS as readonly ActorName[]).includes(actor),
      ]);
    }
  });

  test('with ids that are another’s, not there, or none, nothing changes and nothing breaks', async () => {
    const before = await fingerprint();
    for (const id of [crypto.randomUUID(), 'x', '', "'; drop table take; --"])
      for (const actor of ['student', 'teacher', 'foreign'] as const) {
        const token = await sessionOf(cast[actor].id);
        for (const [name, args] of [
          ['dropDrillAction', [id]],
          ['archiveAction', [id, true]],
          ['favouriteAction', [id, true]],
          ['grooveJsonAction', [id]],
          ['contentsAction', [[id]]],
          ['saveGrooveAction', [{ id, from: 1, groove: grooveJson }]],
          ['keepLadderAction', [id, freshClimb(), 0]],
          ['endAssignmentAction', [new Form({ assignment: id })]],
          ['pinRecordingAction', [new Form({ take: id, pinned: 'yes' })]],
          ['inviteAction', [{}, new Form({ person: id })]],
          ['takeBackInvitationAction', [new Form({ person: id })]],
          ['deleteStudentAction', [new Form({ person: id })]],
          ['endSessionAction', [new Form({ session: id })]],
          ['dropRecordingAction', [new Form({ take: id })]],
          ['keepEarsAction', [{ id, name: '' }, {}]],
          ['archivePersonAction', [new Form({ person: id, archived: 'yes' })]],
          ['labelsAction', [EMPTY, new Form({ groove: id, level: 'concert', tags: '' })]],
          ['changePersonAction', [EMPTY, new Form({ person: id, level: 'concert', setup: 'crossed' })]],
          ['setStudentPasswordAction', [EMPTY, new Form({ person: id, password: PASSWORD })]],
          [
            'setAssignmentAction',
            [EMPTY, new Form({ students: id, what: id, tempo: '60', click: 'counts', minutes: '1', reason: '' })],
          ],
          [
            'changeAssignmentAction',
            [EMPTY, new Form({ assignment: id, tempo: '60', click: 'counts', minutes: '1', reason: '' })],
          ],
          ['setAgainAction', [new Form({ assignment: id })]],
          ['undoAssignmentAction', [new Form({ assignment: id })]],
          ['shareAction', [EMPTY, new Form({ student: id, [`teacher:${id}`]: 'on' })]],
          ['setOwnerAction', [new Form({ person: id, owns: 'yes' })]],
          ['takeOverAction', [new Form({ person: id })]],
          [
            'addTimeAction',
            [
              EMPTY,
              new Form({
                [`student:${id}`]: 'yes',
                day: '2026-11-24',
                at: '16:00',
                minutes: '45',
                every: '1',
                until: '',
              }),
            ],
          ],
          ['endTimeAction', [new Form({ time: id, day: '2026-11-24' })]],
          ['openLessonAction', [new Form({ time: id, day: '2026-11-24' })]],
          ['saveLessonPlanAction', [id, { version: 1, steps: [] }, 1]],
          ['beginLessonAction', [EMPTY, new Form({ lesson: id })]],
          ['lessonWordsAction', [EMPTY, new Form({ lesson: id, words: 'x' })]],
          ['moveLessonAction', [EMPTY, new Form({ lesson: id, day: '2026-11-24', at: '16:00', minutes: '45' })]],
          ['skipLessonAction', [new Form({ lesson: id, skipped: 'yes' })]],
          ['openStepAction', [new Form({ lesson: id, step: '0' })]],
          ['keepTemplateAction', [EMPTY, new Form({ lesson: id, name: 'x' })]],
          ['dropTemplateAction', [new Form({ template: id })]],
          ['dropHolidayAction', [new Form({ holiday: id })]],
          ['doSuggestionAction', [EMPTY, new Form({ student: id, key: 'end x' })]],
          ['refuseAction', [EMPTY, new Form({ student: id, key: 'end x', weeks: '2' })]],
          ['keepPathAction', [{ id, saveNumber: 1, name: 'X', steps: [{ grooveId: id, goal: 60, passTakes: 2 }] }]],
          ['archivePathAction', [new Form({ path: id, archived: 'yes' })]],
          ['walkAction', [EMPTY, new Form({ student: id, path: id, walks: 'yes' })]],
          ['dropTuneAction', [new Form({ tune: id })]],
          ['keepChartAction', [{ tune: id, from: 0, form: { nothing: id } }]],
          ['changePlanAction', [{ nothing: id }]],
          ['inviteByMailAction', [EMPTY, new Form({ person: id, address: 'ada@example.org' })]],
          ['sendAgainAction', [new Form({ mail: id })]],
        ] as const) {
          const response = await call(actions.get(name)!, args, token);
          expect([name, id, actor, response.status < 500]).toEqual([name, id, actor, true]);
        }
      }
    expect(await fingerprint()).toEqual(before);
  });
});

test('the largest groove there can be is saved: 128 bars of 32nds in four limbs', async () => {
  const parts = 8;
  const strokes = Array.from({ length: 4 * parts }, (_, at) =>
    LIMBS.map((limb) => ({ limb, surface: USUAL_SURFACES[limb], at: `${at}/32`, height: 'accent' })),
  ).flat();
  const bar = { meter: { beats: 4, unit: 4 }, cells: Array.from({ length: 4 }, () => ({ counts: 1, parts })), strokes };
  const largest = { ...grooveJson, title: 'Largest', bars: Array.from({ length: 128 }, () => bar) };
  const response = await call(actions.get('keepGrooveAction')!, [largest], await sessionOf(cast.teacher.id));
  expect(response.status).toBeLessThan(400);
  expect((await owner.query(`select from groove where title = 'Largest' and bars = 128`)).rowCount).toBe(1);
});

describe('takes that are sent', () => {
  test('each person keeps only their own', async () => {
    for (const actor of ACTORS) {
      const token = actor === 'visitor' ? undefined : await sessionOf(cast[actor].id);
      const body = JSON.stringify({ id: crypto.randomUUID(), playerId: cast.student.id, grooveId: cast.groove });
      const response = await ask('/api/takes', token, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
      });
      expect([actor, response.status]).toEqual([actor, actor === 'visitor' ? 401 : 422]);
    }
  });
});

describe('the sound of a take', () => {
  const at = (id: string, more = '') => `/api/recordings/${id}${more}`;
  const wav = new TextEncoder().encode('RIFF of a lake');

  test('is heard by its player and their teacher, and by nobody else', async () => {
    const wanted = { visitor: 401, student: 200, other: 404, teacher: 200, colleague: 404, owner: 200, foreign: 404 };
    await owner.query(
      `insert into recording (take_id, workshop_id, player_id, kind, length_ms, zero_ms, sound)
       select id, workshop_id, player_id, 'audio/wav', 1000, 0, 'RIFF of a lake' from take where id = $1 on conflict do nothing`,
      [cast.take],
    );
    for (const actor of ACTORS) {
      const token = actor === 'visitor' ? undefined : await sessionOf(cast[actor].id);
      const response = await ask(at(cast.take), token);
      const text = await response.text();
      expect([actor, response.status, text === 'RIFF of a lake']).toEqual([
        actor,
        wanted[actor],
        wanted[actor] === 200,
      ]);
      for (const none of [crypto.randomUUID(), 'x', '%27--'])
        expect((await ask(at(none), token)).status).toBe(actor === 'visitor' ? 401 : 404);
    }
  });

  test('is given in parts', async () => {
    const token = await sessionOf(cast.teacher.id);
    const part = async (range: string) => {
      const response = await ask(at(cast.take), token, { headers: { range } });
      return [response.status, response.headers.get('content-range'), await response.text()];
    };
    expect(await part('bytes=5-6')).toEqual([206, 'bytes 5-6/14', 'of']);
    expect(await part('bytes=-4')).toEqual([206, 'bytes 10-13/14', 'lake']);
    expect(await part('bytes=14-')).toEqual([416, 'bytes */14', '']);
    expect(await part('bytes=9-1')).toEqual([200, null, 'RIFF of a lake']);
  });

  test('is kept by its player alone, where it is sound, of a length, and not too large', async () => {
    await owner.query('delete from recording');
    const { rows } = await owner.query<{ player_id: string }>('select player_id from take where id = $1', [cast.take]);
    const put = async (
      actor: ActorName,
      { body = wav, kind = 'audio/wav', length = '1000', player = rows[0]!.player_id } = {},
    ) => {
      const token = actor === 'visitor' ? undefined : await sessionOf(cast[actor].id);
      const about = new URLSearchParams({ player, length, zero: '0' });
      const init = { method: 'PUT', headers: { 'content-type': kind }, body };
      return (await ask(at(cast.take, `?${about}`), token, init)).status;
    };
    expect(await put('visitor')).toBe(401);
    for (const actor of ['other', 'teacher', 'colleague', 'owner', 'foreign'] as const) {
      expect([actor, await put(actor)]).toEqual([actor, 422]);
      expect([actor, await put(actor, { player: cast[actor].id })]).toEqual([actor, 404]);
    }
    expect(await put('student', { kind: 'text/html' })).toBe(415);
    expect(await put('student', { body: new TextEncoder().encode('<script>') })).toBe(415);
    expect(await put('student', { body: new Uint8Array(0) })).toBe(415);
    expect(await put('student', { length: '900000' })).toBe(422);
    expect(await put('student', { length: 'x' })).toBe(422);
    const large = new Uint8Array(10_000_001);
    large.set(wav);
    expect(await put('student', { body: large })).toBe(413);
    expect((await owner.query('select from recording')).rowCount).toBe(0);
    expect(await put('student')).toBe(200);
    expect(await put('student')).toBe(200);
    expect((await owner.query('select from recording')).rowCount).toBe(1);
  });
});

test('everything of a person’s is given to them and to their teacher', async () => {
  const wanted = { visitor: 401, student: 200, other: 404, teacher: 200, colleague: 404, owner: 200, foreign: 404 };
  for (const actor of ACTORS) {
    const token = actor === 'visitor' ? undefined : await sessionOf(cast[actor].id);
    const response = await ask(`/api/people/${cast.student.id}/everything`, token);
    const bytes = new Uint8Array(await response.arrayBuffer());
    expect([actor, response.status]).toEqual([actor, wanted[actor]]);
    if (wanted[actor] !== 200) continue;
    const files = unzipSync(bytes);
    expect(Object.keys(files)).toEqual(expect.arrayContaining(['person.json', 'takes/0001.json', 'notes.json']));
    expect(JSON.parse(strFromU8(files['person.json']!))).toMatchObject([{ name: cast.student.name }]);
    for (const none of [crypto.randomUUID(), 'x'])
      expect((await ask(`/api/people/${none}/everything`, token)).status).toBe(404);
  }
});

test('charts are of one’s own, or of a student one has', async () => {
  const of = async (actor: Exclude<ActorName, 'visitor'>) =>
    (await ask(`/charts?student=${cast.student.id}&weeks=4&beside=yes`, await sessionOf(cast[actor].id))).status;
  const wanted = { student: 200, other: 200, teacher: 200, colleague: 404, owner: 200, foreign: 404 };
  for (const [actor, answer] of Object.entries(wanted))
    expect([actor, await of(actor as Exclude<ActorName, 'visitor'>)]).toEqual([actor, answer]);
  // Whose they are says the session, whatever the address says.
  const others = await ask(`/charts?student=${cast.student.id}`, await sessionOf(cast.other.id));
  expect(await others.text()).toContain('Nothing was played in these weeks');
});

test('the log as a file has what one may see, and tunes are the teachers’', async () => {
  const lines = async (path: string, actor: ActorName) => {
    const response = await ask(path, actor === 'visitor' ? undefined : await sessionOf(cast[actor].id));
    const text = await response.text();
    return response.status === 200 ? text.trim().split('\r\n').length - 1 : response.status;
  };
  const log = { visitor: 401, student: 1, other: 0, teacher: 1, colleague: 0, owner: 1, foreign: 0 };
  for (const [actor, count] of Object.entries(log))
    expect([actor, await lines('/api/log', actor as ActorName)]).toEqual([actor, count]);
  expect(await lines(`/api/log?student=${cast.student.id}`, 'colleague')).toBe(0);
  expect(await lines('/api/log?from=2099-01-01&input=keys&item=%27--', 'teacher')).toBe(0);
  expect(await lines('/api/people', 'visitor')).toBe(401);
  expect(await lines('/api/people', 'student')).toBe(404);
  const students = async (actor: 'teacher' | 'foreign') =>
    (await ask('/api/people', await sessionOf(cast[actor].id))).text();
  expect(await students('teacher')).toContain(cast.student.name);
  expect(await students('foreign')).not.toContain(cast.student.name);
  const { rowCount } = await owner.query('select from tune where workshop_id = $1', [cast.workshop]);
  for (const actor of ['visitor', 'student', 'other'] as const)
    expect([actor, await lines('/api/tunes', actor)]).toEqual([actor, actor === 'visitor' ? 401 : 404]);
  for (const actor of ['teacher', 'colleague', 'owner'] as const)
    expect([actor, await lines('/api/tunes', actor)]).toEqual([actor, rowCount]);
});

test('a calendar is read by whoever has its address, and by no other', async () => {
  await owner.query(
    `insert into feed (person_id, workshop_id, token_hash) values ($1, $2, sha256(convert_to($3, 'UTF8')))
     on conflict (person_id) do update set token_hash = excluded.token_hash`,
    [cast.student.id, cast.workshop, 'c'.repeat(43)],
  );
  const response = await ask(`/api/calendar/${'c'.repeat(43)}.ics`, undefined);
  expect([response.status, response.headers.get('content-type')]).toEqual([200, 'text/calendar; charset=utf-8']);
  expect(await response.text()).toContain('BEGIN:VCALENDAR');
  for (const none of ['x', 'd'.repeat(43), `${'c'.repeat(43)}'--`, '..%2f..%2fetc'])
    for (const actor of ['visitor', 'student', 'owner'] as const)
      expect([none, actor, (await ask(`/api/calendar/${none}`, tokenOf(actor))).status]).toEqual([none, actor, 404]);
});

test('an invitation that holds is shown to whoever has its link, and using it up takes a form', async () => {
  const token = 'y'.repeat(43);
  await owner.query(
    `update invitation set token_hash = sha256(convert_to($1, 'UTF8')), expires_at = now() + interval '1 day' where person_id = $2`,
    [token, cast.other.id],
  );
  await owner.query(
    `insert into invitation (person_id, workshop_id, token_hash) values ($1, $2, sha256(convert_to($3, 'UTF8')))
     on conflict (person_id) do update set token_hash = excluded.token_hash`,
    [cast.other.id, cast.workshop, token],
  );
  for (const actor of ACTORS) {
    const session = actor === 'visitor' ? undefined : await sessionOf(cast[actor].id);
    expect(await (await ask(`/join/${token}`, session)).text()).toContain('A new password');
    for (const none of ['x', 'z'.repeat(43), `${token}'--`])
      expect(await (await ask(`/join/${encodeURIComponent(none)}`, session)).text()).toContain('holds no more');
  }
  const body = [EMPTY, new Form({ invitation: token, password: 'a quite new one' })];
  expect((await call(actions.get('joinAction')!, body, undefined)).status).toBeLessThan(400);
  expect(await (await ask(`/join/${token}`, undefined)).text()).toContain('holds no more');
});
