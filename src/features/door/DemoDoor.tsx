import Button from '@mui/material/Button';
import Box from '@mui/material/Box';
import type { DemoPerson } from '@/server/door';
import { comeInAction } from './actions';

/** One touch a person, the teacher first. */
export function DemoDoor({ people }: { people: DemoPerson[] }) {
  return (
    <Box
      component="form"
      action={comeInAction}
      sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 1.5 }}
    >
      {people.map((person) => (
        <Button
          key={person.id}
          type="submit"
          name="person"
          value={person.id}
          variant={person.role === 'teacher' ? 'contained' : 'outlined'}
          sx={{
            justifyContent: 'flex-start',
            textAlign: 'left',
            minHeight: 60,
            gridColumn: person.role === 'teacher' ? '1 / -1' : undefined,
          }}
        >
          <span>
            <Box component="span" sx={{ display: 'block', fontSize: '1rem' }}>
              {person.name}
            </Box>
            <Box component="span" sx={{ display: 'block', fontWeight: 450, fontSize: '0.85rem', opacity: 0.85 }}>
              {aboutPerson(person)}
            </Box>
          </span>
        </Button>
      ))}
    </Box>
  );
}

function aboutPerson({ role, age, level, setup }: DemoPerson): string {
  if (role === 'teacher') return 'teacher';
  return [age, level, setup !== 'crossed' && setup].filter(Boolean).join(', ');
}
