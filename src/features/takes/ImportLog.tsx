'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { ImportCsv } from '@/ui/csv/ImportCsv';
import { grooveTitlesAction, keepLogAction } from './actions';
import { LOG_COLUMNS, logLineOf, type LogOwner } from './logLines';

/** Practice away from here, from a file into one's own log: what and how long, since nothing heard it. */
export function ImportLog({ name, timeZone }: Pick<LogOwner, 'name' | 'timeZone'>) {
  const [grooves, setGrooves] = useState<Pick<LogOwner, 'grooves' | 'now'>>();
  const [busy, setBusy] = useState(false);
  if (!grooves)
    return (
      <Button
        loading={busy}
        sx={{ minHeight: 44 }}
        onClick={() => {
          setBusy(true);
          void grooveTitlesAction()
            .then((found) => setGrooves({ grooves: found, now: new Date() }))
            .finally(() => setBusy(false));
        }}
      >
        Read practice from a file
      </Button>
    );
  const owner = { name, timeZone, ...grooves };
  return (
    <ImportCsv
      one="line of practice"
      many="lines of practice"
      columns={LOG_COLUMNS}
      readLine={(line) => logLineOf(line, owner)}
      onKeep={keepLogAction}
      onClose={() => setGrooves(undefined)}
    />
  );
}
