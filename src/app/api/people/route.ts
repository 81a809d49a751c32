import { STUDENT_COLUMNS } from '@/features/people/csv';
import { asSession } from '@/server/database';
import { studentLines } from '@/server/manyStudents';
import { person, sessionToken } from '@/server/session';
import { csvAnswer } from '@/ui/csv/answer';

/** The students one has as a file that is read in again as it was. */
export async function GET() {
  const [who, token] = await Promise.all([person(), sessionToken()]);
  if (!who || !token) return Response.json({ say: 'You are signed out. Sign in again.' }, { status: 401 });
  if (who.role !== 'teacher') return Response.json({ say: 'There is no such file here.' }, { status: 404 });
  const all = await asSession(token, studentLines);
  return csvAnswer(
    'students.csv',
    STUDENT_COLUMNS.map(({ name }) => name),
    all.map(({ name, level, setup, school, age, report, goals }) => [name, level, setup, school, age, report, goals]),
  );
}
