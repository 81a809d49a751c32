'use client';

import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useActionState, useState } from 'react';
import { TUNE_FEELS } from '@/core/plan/tunes';
import type { Tune } from '@/server/tunes';
import { Field } from '@/ui/Field';
import { EMPTY_FORM, type FormState } from '@/ui/form';
import { keepTuneAction } from './actions';

interface TuneFormProps {
  tune?: Tune;
  grooves: readonly { id: string; title: string }[];
  onClose: () => void;
}

/** A tune: what it is called, how it goes, which grooves fit it, and what is asked of the drums. */
export function TuneForm({ tune, grooves, onClose }: TuneFormProps) {
  const [fitting, setFitting] = useState<readonly { id: string; title: string }[]>(tune?.grooves ?? []);
  const [state, action, busy] = useActionState(async (before: FormState, form: FormData) => {
    const after = await keepTuneAction(before, form);
    if (after.say) onClose();
    return after;
  }, EMPTY_FORM);
  return (
    <Box
      component="form"
      action={action}
      noValidate
      aria-label={tune ? `Change ${tune.title}` : 'A new tune'}
      sx={{
        display: 'grid',
        gap: 1.5,
        gridTemplateColumns: { xs: '1fr 1fr', md: '2fr 1fr 1fr 1.2fr' },
        maxWidth: 900,
        alignItems: 'start',
      }}
    >
      <input type="hidden" name="id" value={tune?.id ?? ''} />
      <input type="hidden" name="grooves" value={fitting.map(({ id }) => id).join('\n')} />
      <Field
        state={state}
        name="title"
        label="Title"
        defaultValue={tune?.title}
        sx={{ gridColumn: { xs: '1 / -1', md: 'auto' } }}
      />
      <Field
        state={state}
        name="tempo"
        label="Tempo"
        defaultValue={tune && String(tune.tempo)}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      />
      <Field state={state} name="meter" label="Meter" defaultValue={tune?.meter ?? '4/4'} />
      <Field state={state} name="feel" label="Feel" defaultValue={tune?.feel ?? 'straight'} options={TUNE_FEELS} />
      <Autocomplete
        multiple
        options={[...grooves]}
        value={[...fitting]}
        getOptionLabel={({ title }) => title}
        getOptionKey={({ id }) => id}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        onChange={(_, value) => setFitting(value)}
        renderInput={(params) => (
          <TextField
            {...params}
            label="Grooves that fit"
            error={Boolean(state.problems.grooves)}
            helperText={state.problems.grooves ?? 'By these a student reaches the tune.'}
          />
        )}
        sx={{ gridColumn: '1 / -1' }}
      />
      <Field
        state={state}
        name="part"
        label="Part that is asked for"
        hint="In words: where it is quiet, which fills, how it ends. May be left out."
        defaultValue={tune?.part}
        multiline
        sx={{ gridColumn: '1 / -1' }}
      />
      <Box sx={{ gridColumn: '1 / -1', display: 'flex', gap: 1 }}>
        <Button type="submit" variant="contained" loading={busy}>
          Keep the tune
        </Button>
        <Button onClick={onClose}>Close</Button>
        {state.problems.id && <Alert severity="error">{state.problems.id}</Alert>}
      </Box>
    </Box>
  );
}
