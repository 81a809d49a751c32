import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { SCHOOLS } from '../counting/schools';
import { nextSteps, type OpenWork, type StudentNow, type Walked } from './nextStep';
import { standingOn } from './path';
import { suggestionInWords, whyInWords } from '../wording/planInWords';
import type { Recall } from './review';
import { fitOf } from './tunes';

const NOBODY: StudentNow = {
  homework: [],
  kept: [],
  paths: [],
  heat: [],
  switches: [],
  named: { swing: 0, flam: 0 },
  ears: new Map(),
  tempo: 84,
};
const open = (more: Partial<OpenWork> = {}): OpenWork => ({
  assignmentId: 'a',
  grooveId: 'g',
  subject: null,
  title: 'Six oars',
  goal: 88,
  step: 4,
  written: 96,
  passTakes: 2,
  clean: 0,
  passed: false,
  comesBack: true,
  weekAtGoal: 0,
  weekClean: 0,
  ...more,
});
const recall = (failed: number): Recall => ({
  passedOn: 10,
  lastOn: 20,
  last: failed ? 'failed' : 'good',
  gap: 1,
  dueOn: 21,
  bpm: 80,
  back: failed,
  failed,
});
const walked = (more: Partial<Walked> = {}): Walked => ({
  pathId: 'p',
  name: 'To the island',
  at: 2,
  of: 5,
  grooveId: 'h',
  title: 'Night ferry',
  goal: 72,
  ...more,
});
const keys = (now: Partial<StudentNow>, refused?: string[]) =>
  nextSteps({ ...NOBODY, ...now }, new Set(refused)).map(({ key }) => key);

describe('homework', () => {
  test('that is passed goes up a rung, up to what is written, or ends', () => {
    expect(keys({ homework: [open({ passed: true })] })).toEqual(['raise a 88', 'end a 88']);
    expect(nextSteps({ ...NOBODY, homework: [open({ passed: true })] })[0]).toMatchObject({ to: 92 });
    expect(nextSteps({ ...NOBODY, homework: [open({ passed: true, goal: 94 })] })[0]).toMatchObject({ to: 96 });
    expect(keys({ homework: [open({ passed: true, goal: 96 })] })).toEqual(['end a 96']);
  });

  test('whose goal is too far away steps back: four takes at it within a week and none clean', () => {
    expect(keys({ homework: [open({ weekAtGoal: 4 })] })).toEqual(['ease a 88']);
    expect(nextSteps({ ...NOBODY, homework: [open({ weekAtGoal: 4 })] })[0]).toMatchObject({ to: 84 });
    expect(keys({ homework: [open({ weekAtGoal: 3 })] })).toEqual([]);
    expect(keys({ homework: [open({ weekAtGoal: 9, weekClean: 1 })] })).toEqual([]);
    expect(keys({ homework: [open({ weekAtGoal: 9, goal: 20 })] })).toEqual([]);
  });
});

test('what was passed and failed twice in a row is learnt anew', () => {
  const kept = (failed: number) => ({ grooveId: 'g', title: 'Six oars', recall: recall(failed) });
  expect(keys({ kept: [kept(1)] })).toEqual([]);
  expect(keys({ kept: [kept(2)] })).toEqual(['again g']);
});

test('the next step of a path, unless it is set already or the end is reached', () => {
  expect(keys({ paths: [walked()] })).toEqual(['path p 2']);
  expect(keys({ paths: [walked()], homework: [open({ grooveId: 'h', goal: 72 })] })).toEqual([]);
  expect(keys({ paths: [walked()], homework: [open({ grooveId: 'h', goal: 70 })] })).toEqual(['path p 2']);
  expect(keys({ paths: [walked({ at: 5, grooveId: null, title: null, goal: null })] })).toEqual([]);
});

const SWING = { swing: 2, flam: 0 };
const foot = {
  limb: 'right foot',
  count: 3,
  part: 2,
  parts: 4,
  counts: 4,
  matched: 40,
  missed: 0,
  mean_error_ms: 24,
} as const;
const slip = { kind: 'switch', of: '2>3', value: 30, low: 20, high: 40, n: 6 } as const;

describe('what costs most', () => {
  test('is the weakest place, else the weakest switch, as a drill', () => {
    expect(keys({ heat: [foot], switches: [slip] })).toEqual(['drill right foot 3 2/4', 'listen which rate']);
    expect(keys({ switches: [slip] })).toEqual(['drill 2>3', 'listen which rate']);
    expect(keys({ heat: [foot], tempo: null })).toEqual(['listen where the kick is']);
  });

  test('what the hands cannot yet tell apart is heard first, unless it is set or told apart', () => {
    expect(keys({ named: { swing: 2, flam: 2 } })).toEqual(['listen straight or swung']);
    expect(keys({ named: SWING, ears: new Map([['straight or swung', 0.8]]) })).toEqual([]);
    expect(keys({ named: SWING, ears: new Map([['straight or swung', 0.79]]) })).toEqual(['listen straight or swung']);
    const set = open({ grooveId: null, subject: 'straight or swung', written: null });
    expect(keys({ named: SWING, homework: [set] })).toEqual([]);
  });
});

test('what was refused is left out, and only that', () => {
  const now = { heat: [foot], paths: [walked()], homework: [open({ passed: true })] };
  fc.assert(
    fc.property(fc.subarray(keys(now)), (refused) => {
      expect(keys(now, refused)).toEqual(keys(now).filter((key) => !refused.includes(key)));
    }),
  );
});

test('each says what and why', () => {
  const now = {
    ...NOBODY,
    homework: [open({ passed: true, clean: 2 }), open({ weekAtGoal: 5 })],
    kept: [{ grooveId: 'g', title: 'Six oars', recall: recall(2) }],
    paths: [walked()],
    heat: [foot],
    named: { swing: 1, flam: 2 },
  };
  expect(nextSteps(now).map((one) => suggestionInWords(one, SCHOOLS[0], 'figures'))).toEqual([
    { what: 'Set “Six oars” at 92', why: 'Passed at 88; this is the next rung.' },
    { what: 'End “Six oars”', why: 'Passed: 2 clean takes at 88. It comes back by itself as a review.' },
    { what: 'Set “Six oars” back to 84', why: '5 takes at 88 this week, none of them clean.' },
    { what: 'Set “Six oars” again at 80', why: 'It was passed, and 2 reviews in a row failed since.' },
    { what: 'Set “Night ferry” at 72', why: 'Step 3 of 5 on “To the island”: the one before is passed.' },
    {
      what: 'Make a drill for what costs most',
      why: 'The & of 3 in the right foot, 24 ms later than the rest over 40 strokes.',
    },
    { what: 'Set by ear: flam', why: 'Flams lie off: to hear one comes before playing one.' },
  ]);
  expect(suggestionInWords(nextSteps({ ...NOBODY, switches: [slip] })[0]!, SCHOOLS[0], 'figures').why).toBe(
    'The change 8ths → 8th triplets slips.',
  );
});

test('what does not come back is not said to', () => {
  const [end] = nextSteps({ ...NOBODY, homework: [open({ passed: true, comesBack: false, clean: 3, goal: 96 })] });
  expect(suggestionInWords(end!, SCHOOLS[0], 'figures').why).toBe('Passed: 3 clean takes at 96.');
  const ear = open({ grooveId: null, subject: 'flam', written: null, passed: true, comesBack: false, clean: 2 });
  expect(suggestionInWords(nextSteps({ ...NOBODY, homework: [ear] })[0]!, SCHOOLS[0], 'figures').why).toBe(
    'Passed: 2 clean sittings.',
  );
});

test('why a piece stands in a plan is a line', () => {
  expect(whyInWords({ code: 'due', since: 9, overdue: 2, last: 'failed', back: 1 })).toBe(
    '9 days since it was last asked; the last time it did not come back, so 1 rung slower, 2 days overdue.',
  );
  expect(whyInWords({ code: 'due', since: 1, overdue: 0, last: 'good', back: 0 })).toBe(
    '1 day since it was last asked; the last time it was there at once.',
  );
  const set = (dueIn: number | null) => whyInWords({ code: 'set', left: 8, dueIn });
  expect([null, 3, 0, -1].map(set)).toEqual([
    'Set by your teacher, 8 minutes of it left today.',
    'Set by your teacher, 8 minutes of it left today, due in 3 days.',
    'Set by your teacher, 8 minutes of it left today, due today.',
    'Set by your teacher, 8 minutes of it left today, due 1 day ago.',
  ]);
  expect(whyInWords({ code: 'path', path: 'To the island', place: 2, of: 5 })).toBe('Step 2 of 5 on “To the island”.');
});

describe('a path', () => {
  const steps = [
    { grooveId: 'a', goal: 60, passTakes: 2 },
    { grooveId: 'b', goal: 70, passTakes: 1 },
    { grooveId: 'a', goal: 80, passTakes: 1 },
  ];

  test('one stands on the first step that is not passed by clean takes at its goal', () => {
    expect(standingOn(steps, [])).toEqual({ clean: [0, 0, 0], at: 0 });
    const two = [
      { grooveId: 'a', bpm: 60 },
      { grooveId: 'a', bpm: 64 },
    ];
    expect(standingOn(steps, two)).toEqual({ clean: [2, 0, 0], at: 1 });
    expect(standingOn(steps, [...two, { grooveId: 'a', bpm: 80 }])).toEqual({ clean: [2, 0, 1], at: 1 });
    const all = [...two, { grooveId: 'a', bpm: 80 }, { grooveId: 'b', bpm: 70 }];
    expect(standingOn(steps, all).at).toBe(3);
    expect(standingOn(steps, [{ grooveId: 'b', bpm: 69 }]).clean).toEqual([0, 0, 0]);
  });
});

describe('a tune', () => {
  const tune = { id: 't', tempo: 100, grooveIds: ['a', 'b'] };

  test('fits now at its tempo, nearly from nine tenths on, by the groove that comes nearest', () => {
    expect(fitOf(tune, new Map())).toBeUndefined();
    expect(fitOf(tune, new Map([['c', 120]]))).toBeUndefined();
    expect(
      fitOf(
        tune,
        new Map([
          ['a', 80],
          ['b', 100],
        ]),
      ),
    ).toEqual({ fits: 'now', grooveId: 'b', reached: 100 });
    expect(fitOf(tune, new Map([['a', 90]]))).toEqual({ fits: 'nearly', grooveId: 'a', reached: 90 });
    expect(fitOf(tune, new Map([['a', 89.9]]))!.fits).toBe('not yet');
  });
});
