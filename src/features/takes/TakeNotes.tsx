'use client';

import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useActionState, useEffect, useRef } from 'react';
import type { TakeNote } from '@/server/takeNotes';
import { Field } from '@/ui/Field';
import { EMPTY_FORM } from '@/ui/form';
import { dayInWords } from '@/ui/words/dates';
import { dropNoteAction, writeNoteAction } from './actions';

interface TakeNotesProps {
  takeId: string;
  notes: readonly TakeNote[];
  /** Who reads: their own notes can be taken back. */
  readerId: string;
  /** How many bars were played. */
  bars: number;
  /** The bar on which a word is to be written. */
  bar?: number;
  clock: Clock;
}

/** What the student and the teacher wrote on a take, and a line to write more. */
export function TakeNotes({ takeId, notes, readerId, bars, bar: asked, clock }: TakeNotesProps) {
  const words = useRef<HTMLDivElement>(null);
  // The bar was chosen elsewhere: all that is left is to write.
  useEffect(() => {
    if (asked !== undefined) words.current?.querySelector('textarea')?.focus();
  }, [asked]);
  const [state, action, busy] = useActionState(writeNoteAction, EMPTY_FORM);
  return (
    <section aria-label="Notes">
      <Typography variant="h2" gutterBottom>
        Words on it
      </Typography>
      {notes.map(({ id, author_id, author, bar, words, written_at }) => (
        <Box key={id} sx={{ py: 1, borderTop: 1, borderColor: 'divider' }}>
          <Typography sx={{ overflowWrap: 'anywhere' }}>
            {bar !== null && <strong>Bar {bar + 1}: </strong>}
            {words}
          </Typography>
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
            <Typography variant="body2" color="textSecondary" sx={{ flex: 1 }}>
              {author}, {dayInWords(written_at, clock)}
            </Typography>
            {author_id === readerId && (
              <form action={dropNoteAction} className="no-print">
                <Button type="submit" name="note" value={id} size="small">
                  Take back
                </Button>
              </form>
            )}
          </Box>
        </Box>
      ))}
      <Box
        component="form"
        action={action}
        noValidate
        className="no-print"
        sx={{ display: 'grid', gridTemplateColumns: '110px 1fr', gap: 1.5, mt: 1.5 }}
      >
        <input type="hidden" name="take" value={takeId} />
        <Field
          state={state}
          key={asked}
          name="bar"
          label="On"
          defaultValue={asked === undefined ? '' : String(asked)}
          options={[
            { value: '', label: 'all of it' },
            ...Array.from({ length: bars }, (_, bar) => ({ value: String(bar), label: `bar ${bar + 1}` })),
          ]}
          slotProps={{ select: { displayEmpty: true } }}
        />
        <Field ref={words} state={state} name="words" label="A word on it" multiline maxRows={5} />
        <Box sx={{ gridColumn: '1 / -1' }}>
          <Button type="submit" variant="outlined" loading={busy} sx={{ minHeight: 44 }}>
            Write it down
          </Button>
        </Box>
      </Box>
    </section>
  );
}
