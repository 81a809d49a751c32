import { z } from 'zod';
import { textShape } from '@/core/documents/shapes';
import { parseMeter, meterInWords } from '@/core/grid/meter';
import { FASTEST, MOST_LINES_IN, MOST_REASON, MOST_TITLE, SLOWEST } from '@/core/limits';
import { TUNE_FEELS } from '@/core/plan/tunes';
import { sentence } from '@/core/result';

const wrongTempo = `Write a tempo from ${SLOWEST} to ${FASTEST}, like 96.`;
/** A tempo as it is typed. */
const tempo = z
  .string({ error: wrongTempo })
  .trim()
  .regex(/^\d{2,3}([.,]\d{1,2})?$/, wrongTempo)
  .transform((typed) => Number(typed.replace(',', '.')))
  .refine((value) => value >= SLOWEST && value <= FASTEST, wrongTempo);

/** A meter as it is typed, written as meters are. */
const meter = z
  .string()
  .trim()
  .max(40)
  .transform((typed, context) => {
    const read = parseMeter(typed);
    if (read.ok) return meterInWords(read.value);
    context.addIssue({ code: 'custom', message: sentence(read.problems[0]!) });
    return z.NEVER;
  });

const tune = {
  title: textShape(MOST_TITLE).min(1, 'Give the tune a title.'),
  tempo,
  meter,
  feel: z.enum(TUNE_FEELS, `Feels are ${TUNE_FEELS.join(', ')}.`),
  part: textShape(MOST_REASON),
};
export const tuneShape = z.object({
  ...tune,
  /** Of one that is changed. */
  id: z.union([z.literal(''), z.uuid()]).default(''),
  /** Groove ids, a line each. */
  grooves: z
    .string()
    .max(4000)
    .default('')
    .transform((lines) => lines.split('\n').filter(Boolean))
    .pipe(z.array(z.uuid('Choose grooves from the list.')).max(40, 'At most 40 grooves.')),
});
export const tuneLineShape = z.object({
  ...tune,
  feel: tune.feel.default('straight'),
  meter: meter.default('4/4'),
  part: tune.part.default(''),
});

/** What was read from a file, as it is sent. */
export const tunesShape = z
  .array(
    z.strictObject({
      ...tune,
      tempo: z.number().min(SLOWEST, wrongTempo).max(FASTEST, wrongTempo),
      grooves: z.array(z.uuid()).max(40),
    }),
  )
  .min(1, 'There is nothing to keep.')
  .max(MOST_LINES_IN);
export type TuneSent = z.input<typeof tunesShape>[number];

export const dropShape = z.object({ tune: z.uuid() });
