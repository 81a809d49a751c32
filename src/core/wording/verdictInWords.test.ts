import { describe, expect, test } from 'vitest';
import { type Take } from '../documents/take';
import { backbeat } from '../testing/kitFaultsShown';
import { emptyTake as takeOf, playedTake } from '../testing/takes';
import { verdictInWords } from './verdictInWords';
import { REPORT_WORDS } from '../documents/verdict';
import {
  FAULTS,
  readVerdict,
  type FaultName,
  type PlaceJudged,
  type Practice,
  type Verdict,
} from '../documents/verdict';
import type { Limb } from '../groove/limbs';
import { schoolNamed, SCHOOLS } from '../counting/schools';
import { CLICK_PLAN_NAMES, CLICK_PLANS } from '../time/clickPlan';
import { judge } from '../judging/verdict/judge';
import { type Playing } from '../simulate/simulatedKit';

const emptyTake = (groove = backbeat, more: Partial<Take> = {}) => takeOf(groove, more);

const played = (playing: Playing, take = emptyTake()) => playedTake(playing, take);

const said = (verdict: Verdict) => verdictInWords(verdict, SCHOOLS[0]);

test('hits too many of which no limb is known are nobody’s', () => {
  const { hits, ...take } = played({ spreadMs: 4, extraShare: 0.2 });
  const { verdict } = judge({ ...take, hits: hits.map(({ ms }) => ({ ms })) }, 'advanced');
  for (const say of [said(verdict), verdictInWords(verdict, SCHOOLS[0], 'plain words')])
    expect(Object.values(say).join(' ')).not.toContain('undefined');
});

describe('the verdict as it is read', () => {
  const late = played({ spreadMs: 4 });
  const verdict = judge({ ...late, hits: late.hits.map((hit) => ({ ...hit, ms: hit.ms + 45 })) }, 'advanced').verdict;

  test('is data, and says the same after it was kept', () => {
    expect(readVerdict(JSON.parse(JSON.stringify(verdict)))).toEqual({ ok: true, value: verdict });
    expect(JSON.stringify(verdict)).not.toMatch(/click\.|the whole/i);
  });

  test('says its place in the school of whoever reads it', () => {
    const place = { limb: 'right hand', bar: 0, bars: 1, count: 4, part: 1, parts: 4, counts: 1 } as const;
    const one: Verdict = { ...verdict, about: 'place', limb: 'right hand', place };
    const inSchool = (name: string) => verdictInWords(one, schoolNamed(name)).say;
    expect(inSchool('1 e & a')).toMatch(/^The e of 4 in the right hand/);
    expect(inSchool('takadimi')).toMatch(/^The ka of 4 in the right hand/);
    expect(verdictInWords({ ...one, place: { ...place, bars: 4, bar: 1 } }, SCHOOLS[0]).say).toMatch(/in bar 2 in the/);
  });

  test('calls an offset steady only where the spread would pass', () => {
    expect(said(verdict).evidence).toMatch(/so it is steady/);
    const uneven = { ...verdict, numbers: { ...verdict.numbers, spreadMs: 77 } };
    expect(said(uneven).evidence).not.toMatch(/so it is steady/);
  });

  test('after a clean take first the limbs come back, then the tempo, then the click thins, then it goes faster', () => {
    const next = (change: Partial<Take>) => judge(played({}, emptyTake(backbeat, change)), 'advanced').verdict.practise;
    const feet = { task: ['right foot' as const] };
    expect(next(feet)).toMatchObject({ step: 'all limbs', limbs: ['right hand', 'left hand', 'right foot'], bpm: 80 });
    expect(next({ bpm: 69 })).toMatchObject({ step: 'up to tempo', bpm: 80 });
    expect(next({ bpm: 69, goal: 69 })).toMatchObject({ step: 'thinner click', click: '2 and 4', bpm: 69 });
    expect(next({ click: CLICK_PLANS['2 and 4'] })).toMatchObject({ step: 'faster', bpm: 84, click: 'counts' });
  });
});

/** Every sentence that a verdict can be. */
const PLACE: PlaceJudged = { limb: 'left hand', bar: 1, bars: 2, count: 2, part: 3, parts: 4, counts: 1 };
const PRACTISE: Practice = { step: 'faster', bpm: 84, click: 'counts', limbs: ['left hand'], isWholeTask: false };

type Case = [numbers: Record<string, number>, limb?: Limb, place?: PlaceJudged];
const passing = { strokes: 24, toleranceMs: 20 };
const late = { ...passing, byMs: 31.4, meanMs: 31.4, spreadMs: 12.2 };
const early = { ...passing, byMs: -31.4, meanMs: -31.4, spreadMs: 22.4 };
/** What each kind of verdict can come with: late and early, one and many, with and without a limb. */
const CASES: Record<FaultName, Case[]> = {
  'not heard': [[{}]],
  'nothing heard': [[{ due: 40, extra: 0 }], [{ due: 40, extra: 3 }]],
  missed: [
    [{ missedOfLimb: 6, dueOfLimb: 24, missed: 7, due: 96 }, 'left hand', PLACE],
    [{ missedOfLimb: 6, dueOfLimb: 24, missed: 7, due: 96 }, 'left hand'],
    [{ missed: 7, due: 96 }],
  ],
  extra: [[{ extraOfLimb: 5, extra: 8, due: 96 }, 'right foot'], [{ extraOfLimb: 5, extra: 8, due: 96 }]],
  drift: [
    [{ percent: 1.24, overMs: 310, spreadMs: 9 }],
    [{ percent: -0.06, overMs: 31, spreadMs: 9 }],
    [{ percent: -0.1, overMs: 31, spreadMs: 9 }],
  ],
  'off-beats': [[late], [early]],
  limb: [
    [late, 'right foot'],
    [early, 'left hand'],
  ],
  place: [
    [late, 'left hand', PLACE],
    [early, 'left hand', { ...PLACE, exercise: 4 }],
    [early, 'left hand', { ...PLACE, section: 'B' }],
    [late, 'left hand', { ...PLACE, bars: 1 }],
    [late, 'left hand'],
  ],
  'behind or ahead': [[late], [early]],
  spread: [[{ ...late, spreadOfLimbMs: 33 }, 'left foot'], [late]],
  clean: [[{ ...passing, meanMs: 2.2, spreadMs: 6.7 }], [{ ...passing, meanMs: -2.2, spreadMs: 6.7 }]],
  'limb uneven': [[late, 'left hand']],
  swing: [[late], [early]],
  switch: [[{ ...late, moments: 1 }], [{ ...early, moments: 2 }]],
  phrase: [[{ ...late, bars: 4 }], [{ ...early, bars: 8 }]],
  doubles: [[late], [early], [{ ...passing, weakDb: 6.24, passesDb: 3 }]],
  shifted: [
    [{ ...late, counts: 0.5 }],
    [{ ...early, counts: -0.5 }],
    [{ ...late, counts: 0.57, ambiguous: 1 }],
    [{ ...late, counts: 0.98 }],
    [{ ...early, counts: -1.62 }],
  ],
  'bars left out': [
    [{ bars: 1, from: 4, strokes: 13 }],
    [{ bars: 2, from: 4, strokes: 26 }],
    [{ bars: 0, from: 5, later: 1 }],
    [{ bars: 0, from: 5, later: -2 }],
  ],
  displaced: [
    [{ bar: 3, slots: 1, strokes: 5 }, 'right foot'],
    [{ bar: 3, slots: -2, strokes: 5 }, 'right foot'],
  ],
  flam: [[{ gapMs: 4.4, flams: 9, leastMs: 12, mostMs: 45 }], [{ gapMs: 71, flams: 9, leastMs: 12, mostMs: 45 }]],
  accents: [
    [{ distanceDb: 2.26, accents: 12, wantedDb: 6 }, 'right hand'],
    [{ distanceDb: 2, accents: 6, wantedDb: 6 }],
  ],
  apart: [
    [late, 'right foot'],
    [early, 'right foot'],
    [{ ...passing, spreadMs: 31 }, 'right foot'],
  ],
  loudness: [[{ spreadDb: 4.32, strokes: 40, passesDb: 3 }, 'left hand'], [{ spreadDb: 4, strokes: 40, passesDb: 3 }]],
};

const told = (verdict: Verdict, report: (typeof REPORT_WORDS)[number]) =>
  Object.values(verdictInWords(verdict, SCHOOLS[0], report)).join(' | ');

describe.each(REPORT_WORDS)('verdicts, %s', (report) => {
  test.each(FAULTS)('%s', (about) => {
    const all = CASES[about].map(([numbers, limb, place]) =>
      told({ version: 2, about, numbers, ...(limb && { limb }), ...(place && { place }), practise: PRACTISE }, report),
    );
    expect(all.join('\n')).toMatchSnapshot();
    expect(all.join('\n')).not.toMatch(/undefined|NaN|\b1 (bars|counts|slots|hits|strokes)\b/);
    // What is told apart in figures may be the same to a child.
    if (report === 'figures') expect(new Set(all).size).toBe(all.length);
  });

  test('how far something is off, against what passes', () => {
    const far = [23.9, 24, 49.9, 50, -90].map((byMs) =>
      told({ version: 2, about: 'off-beats', numbers: { ...passing, byMs }, practise: PRACTISE }, report),
    );
    expect(far.join('\n')).toMatchSnapshot();
  });
});

test('what is to be practised, and what comes next', () => {
  const practise = (more: Partial<Practice>) =>
    told({ version: 2, about: 'clean', numbers: passing, practise: { ...PRACTISE, ...more } }, 'figures');
  const all = [
    ...CLICK_PLAN_NAMES.map((click) => practise({ click })),
    ...(['listen', 'all limbs', 'up to tempo', 'thinner click', 'faster'] as const).map((step) => practise({ step })),
    practise({ limbs: ['left hand', 'right foot'] }),
    practise({ isWholeTask: true }),
  ];
  expect(all.join('\n')).toMatchSnapshot();
  const next = { about: 'limb', limb: 'left hand', numbers: late } as const;
  const both = { version: 2, about: 'drift', numbers: { percent: 2, overMs: 90 }, next, practise: PRACTISE } as const;
  expect(told(both, 'figures')).toMatchSnapshot();
});
