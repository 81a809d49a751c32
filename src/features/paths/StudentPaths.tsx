'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useActionState } from 'react';
import type { WalkedPath } from '@/server/paths';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { walkAction } from './actions';
import { PathSteps } from './PathSteps';

interface StudentPathsProps {
  studentId: string;
  walked: readonly WalkedPath[];
  /** Every path of the workshop that is not put away. */
  all: readonly { id: string; name: string }[];
}

/** Where a student stands on each path, and which others there are to put them on. */
export function StudentPaths({ studentId, walked, all }: StudentPathsProps) {
  const [state, action, busy] = useActionState(walkAction, EMPTY_FORM);
  const others = all.filter(({ id }) => !walked.some((one) => one.id === id));
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        Paths
      </Typography>
      {walked.map(({ id, name, steps, at }) => (
        <Box key={id} component="article" aria-label={name} sx={{ py: 1.25, borderTop: 1, borderColor: 'divider' }}>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', mb: 1 }}>
            <Typography sx={{ fontWeight: 650, overflowWrap: 'anywhere' }}>{name}</Typography>
            <Typography color="textSecondary">
              {at < steps.length ? `on step ${at + 1} of ${steps.length}` : `all ${steps.length} steps passed`}
            </Typography>
            <Box component="form" action={action} sx={{ ml: 'auto' }}>
              <input type="hidden" name="student" value={studentId} />
              <input type="hidden" name="path" value={id} />
              <Button
                type="submit"
                name="walks"
                value="no"
                size="small"
                disabled={busy}
                aria-label={`Take off ${name}`}
              >
                Take off
              </Button>
            </Box>
          </Box>
          <PathSteps steps={steps} at={at} />
        </Box>
      ))}
      {others.length > 0 && (
        <Box
          component="form"
          action={action}
          sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', mt: 1.5, maxWidth: 480 }}
        >
          <input type="hidden" name="student" value={studentId} />
          <input type="hidden" name="walks" value="yes" />
          <Field
            state={state}
            name="path"
            label="Path"
            size="small"
            fullWidth
            defaultValue={others[0]!.id}
            options={others.map(({ id, name }) => ({ value: id, label: name }))}
          />
          <Button type="submit" variant="outlined" loading={busy} sx={{ whiteSpace: 'nowrap', minHeight: 40 }}>
            Put on it
          </Button>
        </Box>
      )}
      {!walked.length && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          On no path yet. {all.length ? '' : 'There is none in the workshop: '}
          <Link href="/paths">{all.length ? 'All paths' : 'make the first'}</Link>
        </Typography>
      )}
    </section>
  );
}
