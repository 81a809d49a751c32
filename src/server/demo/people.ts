import type { SchoolName } from '@/core/counting/schools';
import type { StepKind } from '@/core/documents/lesson';
import type { Setup } from '@/core/groove/limbs';
import type { Level } from '@/core/limits';
import type { Playing } from '@/core/simulate/simulatedKit';
import type { ClickPlanName } from '@/core/time/clickPlan';

/** The demo's people are made up, and so is the landing. */
export const DEMO_WORKSHOP = {
  name: 'Boathouse Percussion',
  place: 'at the Lindmark ferry landing',
  timeZone: 'Europe/Zurich',
};
export const DEMO_TEACHER = {
  name: 'Oda Ferrant',
  signInName: 'oda',
  age: 44,
  school: 'e-and-a / trip-let' as SchoolName,
};

/** Who teaches beside the owner, and the student they share. */
export const DEMO_COLLEAGUE = {
  name: 'Runa Halvard',
  signInName: 'runa',
  age: 31,
  school: 'takadimi' as SchoolName,
  shares: 'Noor Tavish',
};

/** Who comes when: so many days after the demo is made, and on that weekday ever since. */
export interface DemoTime {
  students: string[];
  inDays: number;
  at: string;
  minutes: number;
  /** What they took home a week before, where one was held. */
  words?: string;
  /** What was noted in it, by step. */
  notes?: Partial<Record<StepKind, string>>;
}
export const DEMO_TIMES: DemoTime[] = [
  {
    students: ['Pim Aldersey'],
    inDays: 0,
    at: '15:00',
    minutes: 30,
    words: 'Slow crossing: say the & of 3 aloud, the foot comes with it.\nTen minutes a day are enough.',
    notes: { recall: 'The & of 3 is there when he says it.', new: 'Count aloud.' },
  },
  {
    students: ['Jonte Brackwater'],
    inDays: 0,
    at: '16:00',
    minutes: 45,
    words:
      'Lantern ghosts: ghosts low and close to the head, on the hat, not behind it.\nRope and pulley: hear the grace before the stroke.',
    notes: { recall: 'Ghosts still late. Watch the shoulders.', new: 'Flams open at 70. A notch faster.' },
  },
  {
    students: ['Ilse Marrowby', 'Wendla Osterby'],
    inDays: 0,
    at: '17:30',
    minutes: 60,
    words: 'Together: one plays the hat, the other the foot, then change.',
    notes: { 'to music': 'They listen to one another. Once more next time.' },
  },
  {
    students: ['Noor Tavish'],
    inDays: 1,
    at: '16:00',
    minutes: 45,
    words: 'Ferry ramp: let 4 wait for you.',
    notes: { recall: 'Clean.' },
  },
  { students: ['Bertil Quayle'], inDays: 3, at: '10:30', minutes: 45 },
];

/** What was set, how many days ago, and how it stands. */
export interface DemoAssignment {
  groove: string;
  daysAgo: number;
  endedDaysAgo?: number;
  tempo: number;
  click: ClickPlanName;
  minutes: number;
  reason: string;
  /** So many clean takes at the goal pass it. */
  pass?: number;
  /** Due by the next lesson. */
  due?: boolean;
  ladder?: { start: number; step: number };
}

/** Something learnt before the demo's weeks: passed on the first day, heard again on the others. */
export interface DemoLearnt {
  groove: string;
  tempo: number;
  daysAgo: number[];
}

export interface DemoStudent {
  name: string;
  signInName: string;
  age: number;
  level: Level;
  setup: Setup;
  school: SchoolName;
  /** How many of ten days there is practice. */
  daysInTen: number;
  /** How this student plays three weeks ago, and yesterday; what lies between is the way there. */
  from: Playing;
  to: Playing;
  assignments: DemoAssignment[];
  learnt?: DemoLearnt[];
}

export const DEMO_STUDENTS: DemoStudent[] = [
  {
    name: 'Pim Aldersey',
    signInName: 'pim',
    age: 9,
    level: 'first year',
    setup: 'crossed',
    school: 'e-and-a / trip-let',
    daysInTen: 5,
    from: { spreadMs: 60, offsetMs: 14, missedShare: 0.12 },
    to: { spreadMs: 34, offsetMs: 6, missedShare: 0.02 },
    assignments: [
      {
        groove: 'Slow crossing',
        daysAgo: 20,
        tempo: 66,
        click: '8ths',
        minutes: 10,
        reason: 'The right foot on the & of 3 gets lost. Say the & aloud while you play it.',
        due: true,
      },
    ],
  },
  {
    name: 'Noor Tavish',
    signInName: 'noor',
    age: 14,
    level: 'second year',
    setup: 'left-handed',
    school: 'e-and-a / trip-let',
    daysInTen: 7,
    from: { spreadMs: 20, driftPercent: 0.7, switchMs: -45 },
    to: { spreadMs: 13, driftPercent: 0.16, switchMs: -36 },
    assignments: [
      {
        groove: 'Ferry ramp',
        daysAgo: 9,
        tempo: 76,
        click: 'counts',
        minutes: 15,
        reason: 'The triplet on 3 pushes the tempo. Let 4 wait for you.',
        pass: 2,
        due: true,
      },
      {
        groove: 'Slow crossing',
        daysAgo: 21,
        endedDaysAgo: 9,
        tempo: 84,
        click: '2 and 4',
        minutes: 10,
        reason: 'Steady without the click on 1 and 3.',
      },
    ],
  },
  {
    name: 'Jonte Brackwater',
    signInName: 'jonte',
    age: 23,
    level: 'advanced',
    setup: 'crossed',
    school: 'takadimi',
    daysInTen: 8,
    from: { spreadMs: 12, offCountMs: 30 },
    to: { spreadMs: 7, offCountMs: 12 },
    assignments: [
      {
        groove: 'Lantern ghosts',
        daysAgo: 12,
        tempo: 92,
        click: '2 and 4',
        minutes: 25,
        reason: 'Ghosts late against the hat. Keep them low and close, click on 2 and 4.',
        pass: 3,
        due: true,
        ladder: { start: 72, step: 4 },
      },
      {
        groove: 'Rope and pulley',
        daysAgo: 5,
        tempo: 70,
        click: 'counts',
        minutes: 10,
        reason: 'Flams open: grace near, not on the stroke.',
        pass: 3,
      },
    ],
    learnt: [
      { groove: 'Sixteen ropes', tempo: 80, daysAgo: [58, 54, 43] },
      { groove: 'Towline', tempo: 96, daysAgo: [47, 40, 24] },
      { groove: 'Half-time tide', tempo: 72, daysAgo: [33] },
      { groove: 'Ghost ferry', tempo: 84, daysAgo: [52, 49, 40] },
    ],
  },
  {
    name: 'Ilse Marrowby',
    signInName: 'ilse',
    age: 35,
    level: 'second year',
    setup: 'open-handed',
    school: 'te / la-li',
    daysInTen: 6,
    from: { spreadMs: 9, limbMs: { 'right foot': 42 } },
    to: { spreadMs: 8, limbMs: { 'right foot': 16 } },
    assignments: [
      {
        groove: 'Gangway shuffle',
        daysAgo: 13,
        tempo: 88,
        click: 'counts',
        minutes: 20,
        reason: 'The foot lands after the hands. Listen for one sound on 1 and 3.',
      },
      {
        groove: 'Seven planks',
        daysAgo: 4,
        tempo: 152,
        click: 'counts',
        minutes: 10,
        reason: 'Hear the 3 at the end of the bar: 1 2, 1 2, 1 2 3.',
      },
    ],
  },
  {
    name: 'Wendla Osterby',
    signInName: 'wendla',
    age: 52,
    level: 'first year',
    setup: 'crossed',
    school: 'e-and-a / and-a',
    daysInTen: 6,
    from: { spreadMs: 30, offsetMs: -62 },
    to: { spreadMs: 24, offsetMs: -26 },
    assignments: [
      {
        groove: 'Reed beds',
        daysAgo: 16,
        tempo: 78,
        click: 'counts',
        minutes: 15,
        reason: 'Everything comes a little early. Breathe out on 1 and let the click come to you.',
      },
    ],
  },
  {
    name: 'Bertil Quayle',
    signInName: 'bertil',
    age: 67,
    level: 'concert',
    setup: 'crossed',
    school: 'konnakol',
    daysInTen: 7,
    from: { spreadMs: 10, driftPercent: -0.22 },
    to: { spreadMs: 6, driftPercent: -0.04 },
    assignments: [
      {
        groove: 'Night mooring',
        daysAgo: 18,
        tempo: 56,
        click: '1 only',
        minutes: 20,
        reason: 'With one click a bar the tempo sinks. Keep the hat notes full.',
      },
    ],
  },
];
