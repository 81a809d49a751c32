import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { FiguresOfMany } from '@/core/plan/studentFigures';
import type { StudentRow } from '@/server/people';
import type { WeekOfPractice } from '@/server/practice';
import type { TakeRow } from '@/server/takes';
import { StudentFigures } from '@/ui/student/StudentFigures';
import { EmptyState } from '@/ui/EmptyState';
import { FindByName } from '@/ui/FindByName';
import { Page } from '@/ui/Page';
import type { Reader } from '@/ui/reader';
import { TakeTable } from '@/ui/take/TakeTable';
import { plural } from '@/ui/words/text';
import { isNarrowed, queryOf, type AskedOfLog } from './asked';
import { blocksInWords } from './blocksInWords';
import { ImportLog } from './ImportLog';
import { LogFilters } from './LogFilters';
import { WeekTotals } from './WeekTotals';

interface TakeLogProps {
  /** Whose session it is: practice from a file goes into their log. */
  name: string;
  isTeacher: boolean;
  /** Students by the name that is looked for, the first of them. */
  found?: { total: number; students: StudentRow[] };
  asked: AskedOfLog;
  reader: Reader;
  takes: TakeRow[];
  /** What people wrote on these takes. */
  notes: ReadonlyMap<string, readonly string[]>;
  /** Of one player: the lessons of late with what was taken home. */
  lessons?: ReactNode;
  /** Of one player: the weeks of late against what was set. */
  weeks?: readonly WeekOfPractice[];
  /** Of one player: what the takes of late come to. */
  figures?: FiguresOfMany;
  /** How many are listed at most, and whether these are the newest. */
  most: number;
}

/**
 * Every take one may see in blocks of practice, the newest first; narrowed to one student, an item, days, or what
 * heard it.
 */
export function TakeLog({
  name,
  isTeacher,
  found,
  asked,
  reader,
  takes,
  notes,
  lessons,
  weeks,
  figures,
  most,
}: TakeLogProps) {
  const { student: chosen, name: words } = asked;
  const isNewest = !asked.before;
  const older = queryOf({ ...asked, before: takes.at(-1)?.played_at.toISOString() });
  const charts = isTeacher ? chosen && `/charts?student=${chosen}` : '/charts';
  return (
    <Page
      title="Log"
      note={noteOf(takes.length, most, isNewest)}
      actions={
        <>
          {charts && (
            <Button href={charts} sx={{ minHeight: 44 }}>
              Charts
            </Button>
          )}
          {takes.length > 0 && (
            <Button
              component="a"
              href={`/api/log?${queryOf({ ...asked, before: undefined })}`}
              download
              sx={{ minHeight: 44 }}
            >
              As a file
            </Button>
          )}
          <Button href="/hear" variant="outlined" sx={{ minHeight: 44 }}>
            Hear a file
          </Button>
        </>
      }
    >
      {found && (found.total > 0 || words) && <Narrow found={found} words={words} chosen={chosen} />}
      {(takes.length > 0 || isNarrowed(asked)) && <LogFilters asked={asked} />}
      {isNewest && !isNarrowed(asked) && (
        <>
          {weeks && <WeekTotals weeks={weeks} clock={reader.clock} />}
          {lessons}
        </>
      )}
      {takes.length ? (
        <>
          <TakeTable
            takes={takes}
            groups={blocksInWords(takes, reader.clock, isTeacher)}
            words={notes}
            reader={reader}
            withPlayer={isTeacher}
          />
          {takes.length === most && (
            <Button href={`/takes?${older}`} variant="outlined" sx={{ mt: 2, minHeight: 44 }}>
              Older takes
            </Button>
          )}
          {figures && (
            <Box sx={{ mt: 5, maxWidth: 1180 }}>
              <StudentFigures figures={figures} reader={reader} canDrill={isTeacher} />
            </Box>
          )}
        </>
      ) : (
        <EmptyState
          title={emptyTitle(asked)}
          action={
            <Button href={isTeacher ? '/grooves' : '/today'} variant="contained">
              {isTeacher ? 'Choose a groove' : 'Go to Today'}
            </Button>
          }
        >
          {isNarrowed(asked)
            ? 'No take is of these days, of that name and heard that way.'
            : 'Play a groove in the room. When you stop, the take is judged and stands here with its figures.'}
        </EmptyState>
      )}
      <Box sx={{ mt: 4 }}>
        <ImportLog name={name} timeZone={reader.clock.timeZone} />
      </Box>
    </Page>
  );
}

function emptyTitle(asked: AskedOfLog): string {
  if (isNarrowed(asked)) return 'Nothing like that';
  return asked.before ? 'Nothing older' : 'No takes yet';
}

function noteOf(listed: number, most: number, isNewest: boolean): string | undefined {
  if (!listed) return undefined;
  if (!isNewest) return `${plural(listed, 'older take')}`;
  return listed === most ? `the newest ${plural(listed, 'take')}` : plural(listed, 'take');
}

interface NarrowProps {
  found: { total: number; students: StudentRow[] };
  words: string;
  chosen?: string;
}

function Narrow({ found: { total, students }, words, chosen }: NarrowProps) {
  const isMany = total > students.length || words;
  return (
    <>
      {isMany && <FindByName action="/takes" label="Find a student" words={words} />}
      <Box
        component="nav"
        aria-label="Students"
        sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, mb: 2.5 }}
      >
        <Button href="/takes" size="small" variant={chosen ? 'outlined' : 'contained'} aria-current={!chosen}>
          All
        </Button>
        {students.map(({ id, name }) => (
          <Button
            key={id}
            href={`/takes?student=${id}`}
            size="small"
            variant={chosen === id ? 'contained' : 'outlined'}
            aria-current={chosen === id}
          >
            {name}
          </Button>
        ))}
        {total > students.length && <span>and {total - students.length} more: look for a name</span>}
        {words && !total && <span>Nobody is called “{words}”.</span>}
      </Box>
    </>
  );
}
