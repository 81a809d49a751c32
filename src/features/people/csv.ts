import { z } from 'zod';
import { SETUPS } from '@/core/groove/limbs';
import { textShape } from '@/core/documents/shapes';
import { AGE_BANDS, LEVELS, MOST_GOALS, MOST_LINES_IN } from '@/core/limits';
import { REPORT_WORDS } from '@/core/documents/verdict';
import { problemsOf } from '@/core/result';
import type { CsvColumn } from '@/ui/csv/ImportCsv';
import type { CsvLine } from '@/ui/csv/table';
import { nameShape, schoolShape } from '@/ui/fields';

/** What a file of students has: what is written out, and what is read in. */
export const STUDENT_COLUMNS: readonly CsvColumn[] = [
  { name: 'name', isWanted: true, hint: 'who is called so already is left out' },
  { name: 'level', hint: LEVELS.join(', ') },
  { name: 'kit', hint: SETUPS.join(', ') },
  { name: 'counting', hint: 'a school of counting' },
  { name: 'age', hint: AGE_BANDS.join(', ') },
  { name: 'reports in', hint: REPORT_WORDS.join(' or ') },
  { name: 'goals', hint: 'what they are after' },
];

const oneOf = <T extends string>(values: readonly [T, ...T[]]) => z.enum(values, `It is one of ${values.join(', ')}.`);
const line = {
  name: nameShape,
  level: oneOf(LEVELS),
  setup: oneOf(SETUPS),
  school: schoolShape,
  age: oneOf(AGE_BANDS).nullable(),
  report: oneOf(REPORT_WORDS),
  goals: textShape(MOST_GOALS),
};

/** What was read from a file, as it is sent. */
export const studentsShape = z.array(z.strictObject(line)).min(1, 'There is nobody to keep.').max(MOST_LINES_IN);
export type StudentSent = z.input<typeof studentsShape>[number];

const shape = z.object(line);
/** Whose column a field is, as it is called in the file. */
const COLUMN: Record<string, string> = { setup: 'kit', school: 'counting', report: 'reports in' };

/** A line of a file as a student, counting as is usual where it says nothing; or what is wrong with it. */
export function studentOfLine({ cells }: CsvLine, school: string): { value: StudentSent } | { say: string } {
  const of = (name: string, usual: string) => cells[name] || usual;
  const read = shape.safeParse({
    name: cells.name,
    level: of('level', LEVELS[0]).toLowerCase(),
    setup: of('kit', SETUPS[0]).toLowerCase(),
    school: of('counting', school),
    age: cells.age ? cells.age.toLowerCase() : null,
    report: of('reports in', REPORT_WORDS[0]).toLowerCase(),
    goals: of('goals', ''),
  });
  if (read.success) return { value: read.data };
  const { path, say } = problemsOf(read.error)[0]!;
  const field = String(path[0]);
  return { say: `${COLUMN[field] ?? field}: ${say}` };
}
