'use client';

import type { Clock } from '@/core/documents/settings';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useActionState, useState } from 'react';
import type { TeacherRow } from '@/server/teachers';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { plural } from '@/ui/words/text';
import { addTeacherAction, archivePersonAction, setOwnerAction, takeOverAction } from './actions';
import { InviteSection } from './InviteSection';

interface TeachersSectionProps {
  teachers: readonly TeacherRow[];
  me: string;
  isOwner: boolean;
  /** When the open invitation of a teacher runs out, by their id. */
  openUntil: Readonly<Record<string, Date>>;
  clock: Clock;
}

/** Who teaches in the workshop; an owner adds teachers, invites them, and archives those who leave. */
export function TeachersSection({ teachers, me, isOwner, openUntil, clock }: TeachersSectionProps) {
  const [state, action, busy] = useActionState(addTeacherAction, EMPTY_FORM);
  return (
    <section>
      <Typography variant="h2">Teachers</Typography>
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        Each has students of their own; a student is shared on the student’s page. Grooves and drills are everybody’s
        here.
      </Typography>
      {teachers.map((one) => (
        <TeacherLine
          key={one.id}
          one={one}
          isMe={one.id === me}
          canManage={isOwner && one.id !== me}
          openUntil={openUntil[one.id]}
          clock={clock}
        />
      ))}
      {isOwner && (
        <Box
          component="form"
          action={action}
          noValidate
          sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start', mt: 2 }}
        >
          <Field state={state} name="name" label="Another teacher" size="small" sx={{ width: 260 }} />
          <Button type="submit" variant="outlined" loading={busy} sx={{ height: 40 }}>
            Add the teacher
          </Button>
          {state.say && (
            <Alert severity="success" role="status" sx={{ py: 0 }}>
              {state.say}
            </Alert>
          )}
        </Box>
      )}
    </section>
  );
}

interface TeacherLineProps {
  one: TeacherRow;
  isMe: boolean;
  canManage: boolean;
  openUntil?: Date;
  clock: Clock;
}

function TeacherLine({ one, isMe, canManage, openUntil, clock }: TeacherLineProps) {
  const [isInviting, setInviting] = useState(false);
  const { id, name, is_owner, archived, students } = one;
  return (
    <Box sx={{ py: 1, borderTop: 1, borderColor: 'divider' }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Typography sx={{ flex: '1 1 260px', overflowWrap: 'anywhere' }}>
          <strong>{name}</strong>
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {isMe && ', you'}
            {is_owner && ', owner'}
            {archived && ', archived'} · {plural(students, 'student')}
          </Box>
        </Typography>
        {canManage && !archived && (
          <>
            <Button size="small" onClick={() => setInviting(!isInviting)} aria-expanded={isInviting}>
              Link to come in
            </Button>
            <form action={setOwnerAction}>
              <input type="hidden" name="person" value={id} />
              <Button type="submit" size="small" name="owns" value={is_owner ? 'no' : 'yes'}>
                {is_owner ? 'Owner no more' : 'Make an owner'}
              </Button>
            </form>
          </>
        )}
        {canManage && archived && students > 0 && (
          <form action={takeOverAction}>
            <Button type="submit" size="small" name="person" value={id}>
              Take over their students and lessons
            </Button>
          </form>
        )}
        {canManage && !is_owner && (
          <form action={archivePersonAction}>
            <input type="hidden" name="person" value={id} />
            <Button type="submit" size="small" name="archived" value={archived ? 'no' : 'yes'}>
              {archived ? 'Bring back' : 'Archive'}
            </Button>
          </form>
        )}
      </Box>
      {isInviting && <InviteSection id={id} name={name} openUntil={openUntil} clock={clock} />}
    </Box>
  );
}
