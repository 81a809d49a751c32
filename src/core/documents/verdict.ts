import { z } from 'zod';
import type { CountedPlace } from '../counting/placeInWords';
import { LIMBS, type Limb } from '../groove/limbs';
import type { Result } from '../result';
import { CLICK_PLAN_NAMES, type ClickPlanName } from '../time/clickPlan';
import { readVersioned } from './reader';
import { tempoShape } from './shapes';

/** What a verdict can be about; the heaviest is the one thing to fix first. */
export const FAULTS = [
  'nothing heard',
  'not heard',
  'missed',
  'extra',
  'drift',
  'off-beats',
  'limb',
  'place',
  'behind or ahead',
  'spread',
  'clean',
  'limb uneven',
  'swing',
  'switch',
  'phrase',
  'doubles',
  'shifted',
  'bars left out',
  'displaced',
  'flam',
  'accents',
  'apart',
  'loudness',
] as const;
export type FaultName = (typeof FAULTS)[number];

/** Why something is to be practised next. */
const NEXT_STEPS = ['listen', 'all limbs', 'up to tempo', 'thinner click', 'faster'] as const;

const limb = z.enum(LIMBS);
const whole = z.number().int().min(0).max(1000);

const aboutShape = z.strictObject({
  about: z.enum(FAULTS),
  limb: limb.optional(),
  place: z
    .strictObject({
      limb,
      bar: whole,
      /** How many bars the groove has: where it is one, the bar is not said. */
      bars: whole,
      exercise: whole.optional(),
      /** Of a chart: the section. */
      section: z.string().max(60).optional(),
      count: whole,
      part: whole,
      parts: whole,
      counts: whole,
    })
    .optional(),
  /** The figures it rests on, by name: strokes, milliseconds, percent. */
  numbers: z.record(z.string(), z.number()),
});

const verdictShape = aboutShape.extend({
  version: z.literal(2),
  /** What comes after it, where two faults were heard. */
  next: aboutShape.optional(),
  practise: z.strictObject({
    step: z.enum(NEXT_STEPS),
    bpm: tempoShape,
    click: z.enum(CLICK_PLAN_NAMES as [ClickPlanName, ...ClickPlanName[]]),
    limbs: z.array(limb).max(4),
    /** Whether these are all limbs of the task. */
    isWholeTask: z.boolean(),
  }),
});

/** Where a stroke is written, as it is counted. */
export interface PlaceJudged extends CountedPlace {
  limb: Limb;
  bar: number;
  bars: number;
  exercise?: number;
  section?: string;
}

/** The one thing to fix first, its figures, and what trains it: no words, those are for whoever reads it. */
export type Verdict = z.infer<typeof verdictShape>;
export type FaultFound = z.infer<typeof aboutShape>;
export type Practice = Verdict['practise'];

export const readVerdict = (json: unknown): Result<Verdict> =>
  readVersioned(json, {
    name: 'verdict',
    version: 2,
    shape: verdictShape,
    // The kinds that version 1 had are the same; it named one fault only.
    migrations: { 1: (old) => ({ ...old, version: 2 }) },
  });

/** How somebody reads of what was heard: with milliseconds and decibels, or as children do. */
export const REPORT_WORDS = ['figures', 'plain words'] as const;
export type ReportWords = (typeof REPORT_WORDS)[number];
