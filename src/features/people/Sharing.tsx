'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import { EMPTY_FORM } from '@/ui/form';
import { shareAction } from './actions';

interface SharingProps {
  student: { id: string; name: string };
  teachers: readonly { id: string; name: string; is_owner: boolean }[];
  /** Who has them now. */
  shared: readonly string[];
}

/** Which teachers have a student: these see what is played and set homework. */
export function Sharing({ student, teachers, shared }: SharingProps) {
  const [state, action, busy] = useActionState(shareAction, EMPTY_FORM);
  return (
    <section>
      <Typography variant="h2">Taught by</Typography>
      <Typography color="textSecondary">
        Who is ticked sees what {student.name} plays, gives lessons and sets homework. An owner of the workshop sees
        every student.
      </Typography>
      <Box
        component="form"
        action={action}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', mt: 1 }}
      >
        <input type="hidden" name="student" value={student.id} />
        {teachers.map(({ id, name, is_owner }) => (
          <FormControlLabel
            key={id}
            control={<Checkbox name={`teacher:${id}`} defaultChecked={shared.includes(id)} />}
            label={is_owner ? `${name} (owner)` : name}
          />
        ))}
        <Button type="submit" variant="outlined" loading={busy}>
          Share
        </Button>
        {state.problems.teachers && <Alert severity="error">{state.problems.teachers}</Alert>}
        {state.say && (
          <Alert severity="success" role="status" sx={{ py: 0 }}>
            {state.say}
          </Alert>
        )}
      </Box>
    </section>
  );
}
