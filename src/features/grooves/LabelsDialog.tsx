'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useActionState } from 'react';
import { LEVELS } from '@/core/limits';
import type { GrooveRow } from '@/server/grooves';
import { Field } from '@/ui/Field';
import { EMPTY_FORM, type FormState } from '@/ui/form';
import { labelsAction } from './actions';

/** Level and tags of a groove. */
export function LabelsDialog({ one, onClose }: { one: GrooveRow; onClose: () => void }) {
  const [state, action, busy] = useActionState(async (before: FormState, form: FormData) => {
    const after = await labelsAction(before, form);
    if (after.say) onClose();
    return after;
  }, EMPTY_FORM);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="labels-title">
      <Box component="form" action={action} noValidate>
        <DialogTitle id="labels-title" sx={{ overflowWrap: 'anywhere' }}>
          {one.title}
        </DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2.5, pt: '8px !important' }}>
          <input type="hidden" name="groove" value={one.id} />
          <Field state={state} name="level" label="Level" options={LEVELS} defaultValue={one.level} />
          <Field
            state={state}
            name="tags"
            label="Tags"
            defaultValue={one.tags.join(', ')}
            hint="Parted by commas, like: backbeat, 16ths"
            autoComplete="off"
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Leave it</Button>
          <Button type="submit" variant="contained" loading={busy}>
            Keep
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
