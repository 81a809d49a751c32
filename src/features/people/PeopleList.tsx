import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { MOST_PEOPLE, type StudentRow } from '@/server/people';
import { EmptyState } from '@/ui/EmptyState';
import { FindByName, hrefOf, Pages } from '@/ui/FindByName';
import { Page } from '@/ui/Page';
import { plural } from '@/ui/words/text';

interface PeopleListProps {
  found: { total: number; students: StudentRow[] };
  /** What is looked for, and from which student on. */
  asked: { words: string; from: number };
  /** Whether those are shown who are archived. */
  archived: boolean;
}

/** The students of the workshop by name, a page at a time. */
export function PeopleList({ found: { total, students }, asked, archived }: PeopleListProps) {
  const isEmpty = !students.length && !asked.words && !asked.from && !archived;
  const add = (
    <Button href="/people/new" variant="contained">
      Add a student
    </Button>
  );
  return (
    <Page
      title="People"
      note={noteOf(total, archived)}
      actions={
        !isEmpty && (
          <>
            <Button component="a" href="/api/people" download>
              As a file
            </Button>
            {add}
          </>
        )
      }
    >
      {!archived && (total > MOST_PEOPLE || asked.words) && (
        <FindByName action="/people" label="Find a student" words={asked.words} />
      )}
      {!students.length && !isEmpty && (
        <Typography>{asked.words ? `Nobody is called “${asked.words}”.` : 'Nobody is archived.'}</Typography>
      )}
      {isEmpty && (
        <EmptyState title="No students yet" action={add}>
          Add one with a sign-in name and a first password. Then set a groove to practise.
        </EmptyState>
      )}
      {students.length > 0 && (
        <Box sx={{ overflowX: 'auto', maxWidth: 980 }} tabIndex={0} role="region" aria-label="Students">
          <Table>
            <TableHead>
              <TableRow>
                <TableCell>Name</TableCell>
                <TableCell>Age</TableCell>
                <TableCell>Level</TableCell>
                <TableCell>Kit</TableCell>
                <TableCell>Counting</TableCell>
                <TableCell>Signs in as</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {students.map((one) => (
                <TableRow key={one.id} hover>
                  <TableCell sx={{ overflowWrap: 'anywhere', maxWidth: 280 }}>
                    <Link href={`/people/${one.id}`} sx={{ fontWeight: 600 }}>
                      {one.name}
                    </Link>
                  </TableCell>
                  <TableCell>{one.age ?? '–'}</TableCell>
                  <TableCell>{one.level}</TableCell>
                  <TableCell>{one.setup}</TableCell>
                  <TableCell>{one.school}</TableCell>
                  <TableCell sx={{ overflowWrap: 'anywhere' }}>{one.sign_in_name}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      )}
      <Pages
        total={total}
        from={asked.from}
        most={MOST_PEOPLE}
        hrefFrom={(from) => hrefOf('/people', { words: asked.words, from, archived })}
      />
      <Box sx={{ mt: 3 }}>
        <Link href={archived ? '/people' : '/people?archived=yes'}>
          {archived ? 'Back to the students' : 'Archived students'}
        </Link>
      </Box>
    </Page>
  );
}

function noteOf(total: number, archived: boolean): string | undefined {
  if (!total) return undefined;
  return archived ? `${plural(total, 'student')}, archived` : plural(total, 'student');
}
