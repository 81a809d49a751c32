import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { FiguresOfMany } from '@/core/plan/studentFigures';
import type { LessonRow } from '@/server/lessons';
import type { ListeningProgress } from '@/server/listening';
import type { StudentNews } from '@/server/news';
import type { Person } from '@/server/people';
import type { TakeRow } from '@/server/takes';
import { StudentFigures } from '@/ui/student/StudentFigures';
import { Page } from '@/ui/Page';
import type { Reader } from '@/ui/reader';
import { TakeTable } from '@/ui/take/TakeTable';
import { AtOneLook } from './AtOneLook';
import { LessonList } from './LessonList';
import { Listening } from './Listening';
import { LeavingSection } from './LeavingSection';
import { PersonForm } from './PersonForm';
import { ProgressChart } from './ProgressChart';
import { SignInSection } from './SignInSection';

/** How many takes stand on the page itself; the log has the rest. */
const LISTED = 12;

interface StudentPageProps {
  student: Person;
  reader: Reader;
  /** What was played last, and how often of late. */
  news: StudentNews | undefined;
  /** When they come next. */
  next?: Date;
  lessons: readonly LessonRow[];
  /** What is set, to be looked at, changed and set. */
  homework: ReactNode;
  /** What the takes suggest, the paths they walk, and the tunes that fit. */
  comesNext: ReactNode;
  /** Who teaches them, where there are several teachers. */
  sharing: ReactNode;
  takes: TakeRow[];
  figures: FiguresOfMany;
  listening: readonly ListeningProgress[];
  /** When an invitation that is open runs out. */
  openUntil?: Date;
  /** The invitation sent by mail. */
  byMail: ReactNode;
}

/** One student for the teacher: what is set, how it goes, and every take. */
export function StudentPage({
  reader,
  student,
  news,
  next,
  lessons,
  homework,
  comesNext,
  sharing,
  takes,
  figures,
  listening,
  openUntil,
  byMail,
}: StudentPageProps) {
  const heard = takes.filter((take) => take.sd_error_ms !== null && take.struck_by === 'player' && !take.set_aside_why);
  return (
    <Page
      title={student.name}
      note={[student.archived && 'archived', student.age, student.level, student.setup, student.school.name]
        .filter(Boolean)
        .join(' · ')}
    >
      <Box sx={{ display: 'grid', gap: 4, maxWidth: 1180 }}>
        {news && <AtOneLook student={student} news={news} next={next} reader={reader} />}
        {homework}
        {comesNext}
        {lessons.length > 0 && <LessonList lessons={lessons} clock={reader.clock} />}
        {heard.length > 1 && (
          <section>
            <Typography variant="h2" gutterBottom>
              How it goes
            </Typography>
            <ProgressChart
              clock={reader.clock}
              points={heard.toReversed().map((take) => ({
                at: take.played_at.getTime(),
                mean: take.mean_error_ms!,
                spread: take.sd_error_ms!,
                title: take.title,
              }))}
            />
          </section>
        )}
        <StudentFigures figures={figures} reader={reader} canDrill />
        <section>
          <Typography variant="h2" gutterBottom>
            Takes
          </Typography>
          {takes.length ? (
            <>
              <TakeTable takes={takes.slice(0, LISTED)} reader={reader} />
              {takes.length > LISTED && (
                <Box sx={{ mt: 1.5 }}>
                  <Link href={`/takes?student=${student.id}`}>All takes of {student.name}</Link>
                </Box>
              )}
            </>
          ) : (
            <Typography color="textSecondary">
              None yet. They appear here with their figures as soon as {student.name} has played. You can try a groove
              yourself <Link href="/grooves">in the room</Link>.
            </Typography>
          )}
        </section>
        {listening.length > 0 && (
          <section>
            <Typography variant="h2" gutterBottom>
              By ear
            </Typography>
            <Listening progress={listening} reader={reader} />
          </section>
        )}
        <section>
          <Typography variant="h2" sx={{ mb: 1.5 }}>
            Name, level, kit and counting
          </Typography>
          <PersonForm person={student} />
        </section>
        {sharing}
        {!student.archived && (
          <SignInSection student={student} openUntil={openUntil} clock={reader.clock} byMail={byMail} />
        )}
        <LeavingSection id={student.id} name={student.name} archived={student.archived} />
      </Box>
    </Page>
  );
}
