import Box from '@mui/material/Box';
import { addDays } from 'date-fns';
import { clockOf } from '@/core/documents/settings';
import { onClock } from '@/core/plan/agenda';
import { LessonList } from '@/features/people/LessonList';
import { logAskedOf } from '@/features/takes/asked';
import { spanOf } from '@/features/takes/span';
import { TakeLog } from '@/features/takes/TakeLog';
import { lessonsOf } from '@/server/lessons';
import { students } from '@/server/people';
import { weeksOf } from '@/server/practice';
import { asPerson, requirePerson } from '@/server/session';
import { figuresOfStudent } from '@/server/takeFigures';
import { wordsOn } from '@/server/takeNotes';
import { MOST_LISTED, takes } from '@/server/takes';
import { askedOnce } from '@/ui/asked';
import { readerOf } from '@/ui/reader';

export const metadata = { title: 'Log' };

/** As many names as are offered when one is looked for, and weeks whose totals stand there. */
const MOST_NAMES = 12;
const WEEKS = 6;
/** Lessons whose words stand there. */
const MOST_LESSONS = 4;

interface TakesPageProps {
  searchParams: Promise<Record<string, string>>;
}

export default async function TakesPage({ searchParams }: TakesPageProps) {
  const who = await requirePerson();
  const asked = logAskedOf(await askedOnce(searchParams));
  const { timeZone, weekStart } = who.settings;
  // A teacher's own takes are among everybody's: only one player's are drawn together.
  const player = who.role === 'student' ? who.id : asked.student;
  const today = new Date();
  const span = { from: onClock(addDays(today, 7 - 7 * WEEKS), timeZone).day, to: onClock(today, timeZone).day };
  return asPerson(async (db) => {
    const listed = await takes(db, {
      playerId: player,
      words: asked.item,
      input: asked.input,
      ...spanOf(asked, timeZone),
    });
    const held = player && !asked.before ? await lessonsOf(db, player, MOST_LESSONS) : [];
    return (
      <TakeLog
        name={who.name}
        isTeacher={who.role === 'teacher'}
        found={who.role === 'teacher' ? await students(db, { words: asked.name, most: MOST_NAMES }) : undefined}
        asked={asked}
        reader={readerOf(who)}
        most={MOST_LISTED}
        figures={player && !asked.before ? await figuresOfStudent(db, player) : undefined}
        lessons={
          held.length > 0 && (
            <Box sx={{ mb: 3, maxWidth: 1000 }}>
              <LessonList lessons={held} clock={clockOf(who.settings)} canOpen={who.role === 'teacher'} />
            </Box>
          )
        }
        weeks={player ? await weeksOf(db, player, { ...span, timeZone, weekStart }) : undefined}
        takes={listed}
        notes={await wordsOn(
          db,
          listed.flatMap(({ id, notes }) => (notes ? id : [])),
        )}
      />
    );
  });
}
