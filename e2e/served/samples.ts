import { usualRule } from '@/core/drill/rule';
import { familyNamed } from '@/core/drill/registry';
import { writeGroove } from '@/core/documents/groove';
import { USUAL_SETTINGS } from '@/core/documents/settings';
import { firstClimb } from '@/core/plan/ladder';
import { freshStep } from '@/core/plan/lesson';
import { STARTER_GROOVES } from '@/server/demo/grooves';
import { PASSWORD } from './seed';
import { Form, type Cast } from './served';

/** What a form's action is told of the form before. */
export const EMPTY = { problems: {}, typed: {} };
export const grooveJson = writeGroove(STARTER_GROOVES[1]!.groove);
const rule = usualRule(familyNamed('placement')!);

let number = 0;
const fresh = (word: string) => `${word} ${++number}`;
const freshTempo = () => 60 + (++number % 100);
export const freshClimb = () => firstClimb(undefined, freshTempo());

/** What an honest page of the first workshop sends to each action, new every time. */
export const sampleArguments = (cast: Cast): Record<string, unknown[]> => ({
  signInAction: [EMPTY, new Form({ name: 'bo', password: PASSWORD })],
  comeInAction: [new Form({ person: cast.student.id })],
  setUpAction: [
    EMPTY,
    new Form({
      workshop: 'Third',
      teacher: 'X',
      signInName: 'third',
      password: PASSWORD,
      school: 'x',
      timeZone: 'Etc/UTC',
    }),
  ],
  signOutAction: [],
  signOutEverywhereAction: [],
  changePasswordAction: [EMPTY, new Form({ password: PASSWORD, newPassword: PASSWORD })],
  keepCopyAction: [{ ...grooveJson, title: fresh('Copy') }, 'concert'],
  keepGrooveAction: [{ ...grooveJson, title: fresh('Kept') }],
  newGrooveAction: [new Form({})],
  saveGrooveAction: [{ id: cast.groove, from: 1, groove: { ...grooveJson, title: fresh('Saved') } }],
  keepDrillAction: [{ name: fresh('Drill'), tags: '', rule }],
  keepSightAction: [
    {
      title: fresh('Line'),
      tempo: 70,
      plan: { version: 1, kind: 'line', level: 'first year', values: ['8ths'], meter: '4/4', bars: 4, lookS: 20 },
    },
  ],
  practiseDrillAction: [{ name: fresh('Drill'), tags: '', rule }],
  dropDrillAction: [cast.drill],
  grooveJsonAction: [cast.groove],
  contentsAction: [[cast.groove]],
  archiveAction: [cast.groove, true],
  favouriteAction: [cast.groove, true],
  labelsAction: [EMPTY, new Form({ groove: cast.groove, level: 'concert', tags: fresh('tag') })],
  addStudentAction: [
    EMPTY,
    new Form({
      name: 'New',
      age: '',
      level: 'concert',
      setup: 'crossed',
      school: 'e-and-a / trip-let',
      signInName: `new-${++number}`,
      password: PASSWORD,
    }),
  ],
  changePersonAction: [
    EMPTY,
    new Form({ person: cast.student.id, level: 'advanced', setup: 'open-handed', goals: fresh('Goal') }),
  ],
  joinAction: [EMPTY, new Form({ invitation: 'x'.repeat(43), name: 'X', signInName: 'xx', password: PASSWORD })],
  inviteAction: [{}, new Form({ person: cast.student.id })],
  takeBackInvitationAction: [new Form({ person: cast.student.id })],
  deleteStudentAction: [new Form({ person: cast.other.id })],
  endSessionAction: [new Form({ session: '0'.repeat(64) })],
  setStudentPasswordAction: [EMPTY, new Form({ person: cast.student.id, password: PASSWORD })],
  archivePersonAction: [new Form({ person: cast.other.id, archived: 'yes' })],
  setAssignmentAction: [
    EMPTY,
    new Form({
      students: cast.student.id,
      what: cast.groove,
      tempo: String(freshTempo()),
      click: 'counts',
      minutes: '10',
      reason: '',
    }),
  ],
  changeAssignmentAction: [
    EMPTY,
    new Form({ assignment: cast.assignment, tempo: String(freshTempo()), click: 'counts', minutes: '10', reason: '' }),
  ],
  setAgainAction: [new Form({ assignment: cast.assignment })],
  undoAssignmentAction: [new Form({ assignment: cast.assignment })],
  shareAction: [
    EMPTY,
    new Form({ student: cast.other.id, [`teacher:${cast.teacher.id}`]: 'on', [`teacher:${cast.colleague.id}`]: 'on' }),
  ],
  addTeacherAction: [EMPTY, new Form({ name: fresh('Teacher') })],
  setOwnerAction: [new Form({ person: cast.colleague.id, owns: 'yes' })],
  keepWaysAction: [EMPTY, new Form({ setup: 'crossed', school: fresh('counted'), report: 'figures' })],
  addTimeAction: [
    EMPTY,
    new Form({
      [`student:${cast.student.id}`]: 'yes',
      day: '2026-11-24',
      at: '16:00',
      minutes: '45',
      every: '1',
      until: '',
    }),
  ],
  endTimeAction: [new Form({ time: cast.time, day: `2026-12-${10 + (++number % 20)}` })],
  openLessonAction: [
    new Form({ time: cast.time, day: new Date(Date.UTC(2027, 0, 5 + 7 * ++number)).toISOString().slice(0, 10) }),
  ],
  saveLessonPlanAction: [cast.lesson, { version: 1, steps: [freshStep('new', 1 + (++number % 200))] }, 1],
  beginLessonAction: [EMPTY, new Form({ lesson: cast.lesson })],
  lessonWordsAction: [EMPTY, new Form({ lesson: cast.lesson, words: fresh('Words') })],
  moveLessonAction: [
    EMPTY,
    new Form({ lesson: cast.lesson, day: '2027-02-03', at: '16:00', minutes: String(20 + (++number % 200)) }),
  ],
  skipLessonAction: [new Form({ lesson: cast.lesson, skipped: 'yes' })],
  openStepAction: [new Form({ lesson: cast.lesson, step: '0' })],
  keepTemplateAction: [EMPTY, new Form({ lesson: cast.lesson, name: fresh('Template') })],
  dropTemplateAction: [new Form({ template: cast.template })],
  addHolidayAction: [EMPTY, new Form({ name: fresh('Regatta'), from: '2027-05-01', to: '2027-05-08' })],
  dropHolidayAction: [new Form({ holiday: cast.holiday })],
  endAssignmentAction: [new Form({ assignment: cast.assignment })],
  keepListeningAction: [
    crypto.randomUUID(),
    { version: 1, subject: 'flam', answers: [{ rung: 0, seed: 1, right: 'flat', said: 'wide' }] },
  ],
  writeNoteAction: [EMPTY, new Form({ take: cast.take, bar: '1', words: fresh('Listen') })],
  dropNoteAction: [new Form({ note: cast.note })],
  pinRecordingAction: [new Form({ take: cast.take, pinned: 'yes' })],
  dropRecordingAction: [new Form({ take: cast.take })],
  keepEarsAction: [
    { id: crypto.randomUUID(), name: 'iPhone' },
    { version: 1, listens: ['keys'], delays: { keys: { ms: ++number % 90, spreadMs: 2 } } },
  ],
  setAsideAction: [EMPTY, new Form({ take: cast.take, why: fresh('The stool slipped') })],
  keepLadderAction: [cast.groove, freshClimb(), 0],
  keepLogAction: [
    [{ groove: cast.groove, playedAt: '2026-11-20T17:30:00.000Z', tempo: 72, playedMs: 600_000, words: 'x' }],
  ],
  grooveTitlesAction: [],
  addStudentsAction: [
    [
      {
        name: fresh('Rower'),
        level: 'concert',
        setup: 'crossed',
        school: 'e-and-a / trip-let',
        age: null,
        report: 'figures',
        goals: '',
      },
    ],
  ],
  inviteByMailAction: [EMPTY, new Form({ person: cast.student.id, address: 'ada@example.org' })],
  writeSummariesAction: [EMPTY, new Form({})],
  sendAgainAction: [new Form({ mail: crypto.randomUUID() })],
  keepMailAction: [EMPTY, new Form({ address: `ada${++number}@example.org`, summary: 'yes' })],
  takeOverAction: [new Form({ person: cast.colleague.id })],
  planDayAction: [EMPTY, new Form({ minutes: String(5 + (++number % 100)) })],
  changePlanAction: [{ leave: fresh('set') }],
  doSuggestionAction: [EMPTY, new Form({ student: cast.student.id, key: `path ${cast.path} 0` })],
  refuseAction: [EMPTY, new Form({ student: cast.student.id, key: fresh('drill'), weeks: '2' })],
  keepPathAction: [
    { id: cast.path, saveNumber: 1, name: fresh('Path'), steps: [{ grooveId: cast.step, goal: 60, passTakes: 2 }] },
  ],
  archivePathAction: [new Form({ path: cast.path, archived: 'yes' })],
  walkAction: [EMPTY, new Form({ student: cast.student.id, path: cast.path, walks: 'no' })],
  keepTuneAction: [
    EMPTY,
    new Form({ id: '', title: fresh('Tune'), tempo: '90', meter: '4/4', feel: 'straight', part: '', grooves: '' }),
  ],
  keepTunesAction: [[{ title: fresh('Tune'), tempo: 90, meter: '4/4', feel: 'swing', part: '', grooves: [] }]],
  dropTuneAction: [new Form({ tune: cast.tune })],
  keepGroovesAction: [{ grooves: [grooveJson], level: 'first year' }],
  keepChartAction: [
    {
      tune: cast.tune,
      from: 0,
      form: {
        tempo: { beat: 'quarter', bpm: '120' },
        meter: '4/4',
        feel: 'straight',
        sections: [{ name: 'A', bars: 4, at: { 4: { hits: ['1'] } } }],
      },
    },
  ],
  makeFeedAction: [],
  dropFeedAction: [],
  saveSettingsAction: [{ ...USUAL_SETTINGS, timeZone: 'Europe/Zurich' }, 1, 'Shed by the lake'],
  leaveDemoAction: [
    EMPTY,
    new Form({ workshop: 'Own shed', teacher: 'Runa', signInName: 'runa', password: 'a long password' }),
  ],
});
