import { z } from 'zod';
import { MOST_CHART_BARS, MOST_SECTIONS } from '../limits';
import { NOTE_VALUES, type NoteValue } from '../time/noteValue';
import { textShape } from './shapes';

/**
 * The form of a tune as it is written: sections of bars with what stands over each bar, repeats and endings, signs
 * and jumps. What is played of it is worked out by `chart/unroll`.
 */

/** How a bar is felt. A shuffle and a half-time shuffle swing the 8ths as swing does; they say how it is played. */
export const CHART_FEELS = ['straight', 'swing 8ths', 'shuffle', 'half-time shuffle', 'swing 16ths'] as const;
export type ChartFeel = (typeof CHART_FEELS)[number];

export const SIGNS = ['segno', 'coda', 'to coda', 'fine'] as const;
export type Sign = (typeof SIGNS)[number];

export const JUMPS = ['D.C.', 'D.S.', 'D.C. al Fine', 'D.S. al Fine', 'D.C. al Coda', 'D.S. al Coda'] as const;
export type Jump = (typeof JUMPS)[number];

export const DYNAMICS = ['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff'] as const;
export type Dynamic = (typeof DYNAMICS)[number];

/** Bars in which time is not kept: a solo or a fill of one's own, or bars without a pulse. */
export const FREE_KINDS = ['solo', 'fill', 'free'] as const;
export type FreeKind = (typeof FREE_KINDS)[number];

const noteValue = z.enum(Object.keys(NOTE_VALUES) as [NoteValue, ...NoteValue[]]);
const fractionText = z
  .string()
  .max(20)
  .regex(/^\d{1,6}(\/[1-9]\d{0,5})?$/, 'Write a number, or a fraction like 189/2.');
const manyBars = z.number().int().min(1).max(MOST_CHART_BARS);

const tempoMark = z.strictObject({
  beat: noteValue,
  bpm: fractionText.refine((text) => !/^0+(?:\/|$)/.test(text), 'A tempo is more than 0.'),
});

/** What stands over a bar. */
const marksShape = z.strictObject({
  meter: z.string().max(40).optional(),
  tempo: tempoMark.optional(),
  /** A note of the old time lasts as long as a note of the new. */
  change: z.strictObject({ old: noteValue, new: noteValue }).optional(),
  feel: z.enum(CHART_FEELS).optional(),
  signs: z.array(z.enum(SIGNS)).max(SIGNS.length).optional(),
  jump: z.enum(JUMPS).optional(),
  /** The jump is made each time, and not once. */
  every: z.boolean().optional(),
  /** This bar and the next, so many in all, are rested. */
  rest: manyBars.optional(),
  /** This bar and the next, so many in all, repeat the hits of as many bars before. */
  same: manyBars.optional(),
  /** This bar and the next, so many in all, are the player's own. */
  free: z.strictObject({ as: z.enum(FREE_KINDS), bars: manyBars }).optional(),
  /** Named counts that are caught with the band. */
  hits: z.array(z.string().max(40)).max(32).optional(),
  dynamic: z.enum(DYNAMICS).optional(),
  swell: z.strictObject({ to: z.enum(DYNAMICS), bars: manyBars }).optional(),
  /** A count that is held so much longer, in whole notes. */
  fermata: z.strictObject({ on: z.string().max(40), more: fractionText }).optional(),
  /** What is said to whoever plays. */
  say: textShape(200).optional(),
});
export type Marks = z.infer<typeof marksShape>;

/** Marks by the number of their bar, from 1. */
const marksByBar = z.record(z.string().regex(/^[1-9]\d{0,3}$/), marksShape);

const endingShape = z.strictObject({
  /** The times it is played. */
  for: z.array(z.number().int().min(1).max(99)).min(1).max(99),
  bars: manyBars,
  at: marksByBar.optional(),
});

/** A section: so many bars, or sections within it. */
export interface ChartSection {
  name: string;
  bars?: number;
  parts?: ChartSection[];
  /** How often it is played in all; once when left out. */
  times?: number;
  endings?: z.infer<typeof endingShape>[];
  at?: Record<string, Marks>;
  /** The groove that is played in it, by its id. */
  groove?: string;
}

const sectionShape: z.ZodType<ChartSection> = z.lazy(() =>
  z
    .strictObject({
      name: textShape(60).min(1, 'Give the section a name.'),
      bars: manyBars.optional(),
      parts: z.array(sectionShape).min(1).max(MOST_SECTIONS).optional(),
      // What is no number of times is told with its place when it is unrolled.
      times: z.number().optional(),
      endings: z.array(endingShape).min(1).max(20).optional(),
      at: marksByBar.optional(),
      groove: z.uuid().optional(),
    })
    .refine(({ bars, parts }) => (bars === undefined) !== (parts === undefined), {
      path: ['bars'],
      error: 'A section has bars, or sections within it.',
    }),
);

/** The form of a tune as it is written; whether it can be played is `unroll`'s to say. */
export const chartFormShape = z.strictObject({
  tempo: tempoMark,
  meter: z.string().max(40),
  feel: z.enum(CHART_FEELS),
  /** The first bar is a pick-up and has the number 0. */
  pickup: z.boolean().optional(),
  /** The other school: after a jump repeats are taken again. */
  repeatsAfterJump: z.boolean().optional(),
  sections: z.array(sectionShape).min(1, 'A chart has a section.').max(MOST_SECTIONS),
});
export type ChartForm = z.infer<typeof chartFormShape>;
