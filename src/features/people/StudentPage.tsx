import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { FiguresOfMany } from '@/core/plan/studentFigures';
import type { Assignment } from '@/server/assignments';
import type { DrillChoice } from '@/server/drills';
import type { GrooveRow } from '@/server/grooves';
import type { ListeningProgress } from '@/server/listening';
import type { Person } from '@/server/people';
import type { TakeRow } from '@/server/takes';
import { StudentFigures } from '@/ui/student/StudentFigures';
import { Page } from '@/ui/Page';
import type { Reader } from '@/ui/reader';
import { TakeTable } from '@/ui/take/TakeTable';
import { dayInWords } from '@/ui/words/dates';
import { plural } from '@/ui/words/text';
import { tempoInWords } from '@/ui/words/figures';
import { endAssignmentAction } from './actions';
import { AssignmentForm } from './AssignmentForm';
import { Listening } from './Listening';
import { LeavingSection } from './LeavingSection';
import { DRILL } from './shapes';
import { PersonForm } from './PersonForm';
import { ProgressChart } from './ProgressChart';
import { SignInSection } from './SignInSection';

/** How many takes stand on the page itself; the log has the rest. */
const LISTED = 12;

interface StudentPageProps {
  student: Person;
  reader: Reader;
  assignments: Assignment[];
  grooves: readonly GrooveRow[];
  drills: readonly DrillChoice[];
  takes: TakeRow[];
  figures: FiguresOfMany;
  listening: readonly ListeningProgress[];
  /** When an invitation that is open runs out. */
  openUntil?: Date;
  /** A drill that is to be set next. */
  drill?: string;
}

/** One student for the teacher: what is set, how it goes, and every take. */
export function StudentPage({
  reader,
  student,
  assignments,
  grooves,
  drills,
  takes,
  figures,
  listening,
  openUntil,
  drill,
}: StudentPageProps) {
  const choices = [
    ...grooves
      .filter((one) => !one.archived)
      .map(({ id, title, tempo }) => ({
        value: id,
        label: `${title} (${tempoInWords(tempo)})`,
        tempo,
        click: 'counts' as const,
      })),
    ...drills.map(({ id, name, goal, click }) => ({
      value: `${DRILL}${id}`,
      label: `Drill: ${name} (${tempoInWords(goal)})`,
      tempo: goal,
      click,
    })),
  ];
  const heard = takes.filter((take) => take.sd_error_ms !== null && take.struck_by === 'player' && !take.set_aside_why);
  return (
    <Page
      title={student.name}
      note={[student.archived && 'archived', student.age, student.level, student.setup, student.school.name]
        .filter(Boolean)
        .join(' · ')}
    >
      <Box sx={{ display: 'grid', gap: 4, maxWidth: 1180 }}>
        <section>
          <Typography variant="h2" gutterBottom>
            Set to practise
          </Typography>
          {!assignments.length && (
            <Typography color="textSecondary" sx={{ mb: 2 }}>
              Nothing is set. Choose a groove below; it stands on {student.name}’s Today at once.
            </Typography>
          )}
          {assignments.map((one) => (
            <Box
              key={one.id}
              sx={{
                display: 'flex',
                flexWrap: 'wrap',
                gap: 2,
                alignItems: 'center',
                py: 1.25,
                borderTop: 1,
                borderColor: 'divider',
              }}
            >
              <Box sx={{ flex: '1 1 360px', minWidth: 0 }}>
                <Typography>
                  <strong>{one.title}</strong> at {tempoInWords(one.tempo)}, click on {one.click},{' '}
                  {plural(one.minutes, 'minute')} a day
                </Typography>
                <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
                  {one.reason} Since {dayInWords(one.set_at, reader.timeZone)}.
                </Typography>
              </Box>
              <form action={endAssignmentAction}>
                <Button
                  type="submit"
                  name="assignment"
                  value={one.id}
                  variant="outlined"
                  size="small"
                  aria-label={`End ${one.title}`}
                >
                  End it
                </Button>
              </form>
            </Box>
          ))}
          {!student.archived && (
            <Box id="set" sx={{ mt: 3 }}>
              <Typography variant="h3" sx={{ mb: 1.5 }}>
                Set another groove or drill
              </Typography>
              <AssignmentForm key={drill} student={student.id} choices={choices} chosen={drill && `${DRILL}${drill}`} />
            </Box>
          )}
        </section>
        <section>
          <Typography variant="h2" sx={{ mb: 1.5 }}>
            Name, level, kit and counting
          </Typography>
          <PersonForm person={student} />
        </section>
        {heard.length > 1 && (
          <section>
            <Typography variant="h2" gutterBottom>
              How it goes
            </Typography>
            <ProgressChart
              timeZone={reader.timeZone}
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
        {!student.archived && <SignInSection student={student} openUntil={openUntil} timeZone={reader.timeZone} />}
        <LeavingSection id={student.id} name={student.name} archived={student.archived} />
      </Box>
    </Page>
  );
}
