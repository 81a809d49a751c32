import { z } from 'zod';
import { SUBJECTS, type Subject } from '@/core/documents/listening';
import { ladderShape } from '@/core/documents/climb';
import { tempoShape, textShape } from '@/core/documents/shapes';
import { MOST_BARS, MOST_IN_A_LESSON, MOST_MINUTES, MOST_REASON } from '@/core/limits';
import { wrongWith } from '@/core/result';
import { CLICK_PLAN_NAMES, type ClickPlanName } from '@/core/time/clickPlan';
import type { HowSet } from '@/server/assignments';

const asNumber = (text: string): number => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')));

const number = (say: string) =>
  z
    .string()
    .max(20, say)
    .transform((text, context) => {
      const value = asNumber(text);
      if (Number.isFinite(value)) return value;
      context.addIssue({ code: 'custom', message: say });
      return z.NEVER;
    });

/** What the value of a drill, or of a listening drill, begins with where all that can be set stands in one list. */
export const DRILL = 'drill:';
export const EAR = 'ear:';
/** Before the id of a tune: a groove that fits it is set, at its tempo. */
export const TUNE = 'tune:';

/** What is set: a groove, a drill that is to be written out for it, or a subject that is listened to. */
export type What = { what: 'groove' | 'drill' | 'tune'; id: string } | { what: 'by ear'; subject: Subject };

const what = z.string().transform((value, context): What => {
  const subject = SUBJECTS.find((one) => value === `${EAR}${one}`);
  if (subject) return { what: 'by ear', subject };
  const kind = ([DRILL, TUNE] as const).find((one) => value.startsWith(one));
  const id = value.slice(kind?.length ?? 0);
  const kinds = { [DRILL]: 'drill', [TUNE]: 'tune' } as const;
  if (z.uuid().safeParse(id).success) return { what: kind ? kinds[kind] : 'groove', id };
  context.addIssue({ code: 'custom', message: 'Choose a groove, a drill, a tune or a listening drill.' });
  return z.NEVER;
});

/** How it is practised, as it is typed; what is left empty is as usual, or not asked. */
const howShape = z
  .object({
    tempo: number('Write a tempo in beats a minute, like 72.').pipe(tempoShape),
    click: z.enum(CLICK_PLAN_NAMES as [ClickPlanName, ...ClickPlanName[]], 'Choose a click plan from the list.'),
    minutes: number('Write the minutes a day, like 15.').pipe(
      z
        .number()
        .int('Whole minutes, please.')
        .min(1, 'At least 1 minute.')
        .max(MOST_MINUTES, `At most ${MOST_MINUTES} minutes a day.`),
    ),
    reason: textShape(MOST_REASON),
    bars: z.string().max(10).default(''),
    ladderStart: z.string().max(20).default(''),
    ladderStep: z.string().max(20).default(''),
    passTakes: z.string().max(20).default(''),
    due: z.string().max(40).default(''),
  })
  .transform(({ bars, ladderStart, ladderStep, passTakes, due, ...given }, context): HowSet => {
    const wrong = (field: string, message: string) => context.addIssue({ code: 'custom', path: [field], message });
    const [, from, to = from] = /^\s*(\d{1,3})(?:\s*[-–]\s*(\d{1,3}))?\s*$/.exec(bars) ?? [];
    if (bars.trim() && !(Number(from) >= 1 && Number(to) >= Number(from) && Number(to) <= MOST_BARS))
      wrong('bars', 'Write bars like 2 or 1-4, the first one first.');
    if (!ladderStart.trim() !== !ladderStep.trim())
      wrong('ladderStep', 'Give the ladder a start and a step, or leave both empty.');
    else if (ladderStart.trim()) {
      const [badStart, badStep] = [
        wrongWith(tempoShape, asNumber(ladderStart)),
        wrongWith(ladderShape.shape.step, asNumber(ladderStep)),
      ];
      if (badStart) wrong('ladderStart', badStart);
      if (badStep) wrong('ladderStep', badStep);
    }
    const takes = passTakes.trim() ? asNumber(passTakes) : undefined;
    if (takes !== undefined && !(Number.isInteger(takes) && takes >= 1 && takes <= 10))
      wrong('passTakes', '1 to 10 clean takes, or leave it empty.');
    const dueAt = due.trim() ? z.iso.datetime().safeParse(due) : undefined;
    if (dueAt && !dueAt.success) wrong('due', 'Choose a lesson from the list.');
    return {
      ...given,
      bar_from: bars.trim() ? Number(from) - 1 : null,
      bar_to: bars.trim() ? Number(to) - 1 : null,
      ladder_start: ladderStart.trim() ? asNumber(ladderStart) : null,
      ladder_step: ladderStep.trim() ? asNumber(ladderStep) : null,
      pass_takes: takes ?? null,
      due_at: dueAt?.success ? new Date(dueAt.data) : null,
    };
  });

const STUDENT_GONE = 'This student is not there any more.';
const studentsShape = z
  .string()
  .max(400)
  .transform((text) => [...new Set(text.split(',').filter(Boolean))])
  .refine(
    (ids) => ids.length > 0 && ids.length <= MOST_IN_A_LESSON && ids.every((id) => z.uuid().safeParse(id).success),
    STUDENT_GONE,
  );

/** What is set, for whom, and how. */
export const assignmentShape = z.intersection(z.object({ students: studentsShape, what }), howShape);

/** What is set, practised another way from now on. */
export const changedShape = z.intersection(z.object({ assignment: z.uuid('This is not set any more.') }), howShape);
