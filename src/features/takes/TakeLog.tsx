import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { Person } from '@/server/people';
import type { TakeRow } from '@/server/takes';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import { TakeTable } from '@/ui/take/TakeTable';
import { plural } from '@/ui/words';

interface TakeLogProps {
  teacher: boolean;
  students: Person[];
  chosen?: string;
  takes: TakeRow[];
}

/** Every take one may see, the newest first; a teacher's can be narrowed to one student. */
export function TakeLog({ teacher, students, chosen, takes }: TakeLogProps) {
  return (
    <Page
      title="Log"
      note={takes.length ? `${plural(takes.length, 'take')}${takes.length === 100 ? ', the newest' : ''}` : undefined}
    >
      {students.length > 0 && (
        <Stack
          direction="row"
          useFlexGap
          component="nav"
          aria-label="Students"
          sx={{ flexWrap: 'wrap', gap: 1, mb: 2.5 }}
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
        </Stack>
      )}
      {takes.length ? (
        <TakeTable takes={takes} withPlayer={teacher} />
      ) : (
        <EmptyState
          title="No takes yet"
          action={
            <Button href={teacher ? '/grooves' : '/today'} variant="contained">
              {teacher ? 'Choose a groove' : 'Go to Today'}
            </Button>
          }
        >
          Play a groove in the room. When you stop, the take is judged and stands here with its figures.
        </EmptyState>
      )}
    </Page>
  );
}
