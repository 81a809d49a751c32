import { z } from 'zod';
import { LIMBS } from '../groove/limbs';
import { LONGEST_PRACTICE, MOST_PIECES, MOST_TITLE, SHORTEST_PRACTICE } from '../limits';
import type { Result } from '../result';
import { SUBJECTS } from './listening';
import { readVersioned } from './reader';
import { tempoShape, textShape } from './shapes';

/** What a piece of a practice is for, in the order a practice usually goes. */
export const WORK_KINDS = ['warm-up', 'review', 'new', 'by ear', 'to enjoy'] as const;
export type WorkKind = (typeof WORK_KINDS)[number];

const days = z.number().int().min(0).max(100_000);
/** Why something is suggested, as data: worded when it is shown. */
const whyShape = z.discriminatedUnion('code', [
  /** Hands that are cold begin slow, with what they know where there is something. */
  z.strictObject({ code: z.literal('warm'), bpm: tempoShape, isKnown: z.boolean() }),
  /** A review that is due, and what the last one said. */
  z.strictObject({
    code: z.literal('due'),
    since: days,
    overdue: days,
    last: z.enum(['failed', 'hard', 'good', 'easy']),
    back: z.number().int().min(0).max(10),
  }),
  /** Set by the teacher: so many of its minutes are left today, due in so many days where it is. */
  z.strictObject({ code: z.literal('set'), left: days, dueIn: z.number().int().min(-1000).max(1000).nullable() }),
  /** The step of a path one stands on. */
  z.strictObject({
    code: z.literal('path'),
    path: textShape(MOST_TITLE),
    place: z.number().int().min(1).max(1000),
    of: z.number().int().min(1).max(1000),
  }),
  /** Set to be listened to. */
  z.strictObject({ code: z.literal('ear') }),
  /** A tune whose tempo is reached. */
  z.strictObject({ code: z.literal('fits'), reached: tempoShape, bpm: tempoShape }),
  /** Nothing new: what goes best. */
  z.strictObject({ code: z.literal('goes well') }),
]);
export type Why = z.infer<typeof whyShape>;

/** What a piece opens: a groove in the room, or what is listened to. */
const opensShape = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('groove'), id: z.uuid(), bpm: tempoShape, assignment: z.uuid().optional() }),
  z.strictObject({ what: z.literal('by ear'), subject: z.enum(SUBJECTS) }),
]);

const pieceShape = z.strictObject({
  /** One thing for good, such as "review <groove>": by it a piece is refused, and found again. */
  key: z.string().min(1).max(120),
  kind: z.enum(WORK_KINDS),
  title: textShape(MOST_TITLE),
  minutes: z
    .number({ error: 'Write the minutes, like 5.' })
    .int('Whole minutes, please.')
    .min(1, 'At least 1 minute.')
    .max(LONGEST_PRACTICE, `At most ${LONGEST_PRACTICE} minutes.`),
  opens: opensShape,
  why: whyShape,
  /** Strokes a second by limb; none where it is listened to. */
  load: z.partialRecord(z.enum(LIMBS), z.number().min(0).max(1000)),
});
export type Piece = z.infer<typeof pieceShape>;

const dayPlanShape = z
  .strictObject({
    version: z.literal(1),
    /** The time there is. */
    minutes: z
      .number({ error: 'Write the minutes there are, like 20.' })
      .int('Whole minutes, please.')
      .min(SHORTEST_PRACTICE, `At least ${SHORTEST_PRACTICE} minutes.`)
      .max(LONGEST_PRACTICE, `At most ${LONGEST_PRACTICE} minutes.`),
    pieces: z.array(pieceShape).max(MOST_PIECES, `At most ${MOST_PIECES} pieces.`),
    /** What the player left out of it by hand, so that it is not offered again today. */
    left: z.array(z.string().min(1).max(120)).max(100),
  })
  .refine(({ pieces }) => new Set(pieces.map(({ key }) => key)).size === pieces.length, {
    path: ['pieces'],
    message: 'A piece stands in a plan once.',
  });
/** A day's practice as it was planned and changed. */
export type DayPlan = z.infer<typeof dayPlanShape>;

export const readDayPlan = (json: unknown): Result<DayPlan> =>
  readVersioned(json, { name: 'plan of a day', version: 1, shape: dayPlanShape });
