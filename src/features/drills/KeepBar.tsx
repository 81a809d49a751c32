'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { Rule } from '@/core/documents/rule';
import type { Problem } from '@/core/result';
import { PlayArrowRounded } from '@/ui/icons';
import { keepDrillAction, practiseDrillAction } from './actions';

interface KeepBarProps {
  name: string;
  tags: string;
  rule: Rule;
  /** Whether the rule makes anything. */
  makes: boolean;
  /** Why it cannot be played in one go. */
  unplayable?: Problem;
  students: readonly { id: string; name: string }[];
  /** Another drill has this name already. */
  taken: boolean;
  onKept: (name: string) => void;
  onName: (name: string) => void;
  onTags: (tags: string) => void;
}

/** What is done with the drill as a whole: kept under a name, practised, set for a student. */
export function KeepBar({
  name,
  tags,
  rule,
  makes,
  unplayable,
  students,
  taken,
  onKept,
  onName,
  onTags,
}: KeepBarProps) {
  const [said, setSaid] = useState<{ ok: boolean; words: string }>();
  /** What is done once the drill of the same name may be replaced. */
  const [asking, setAsking] = useState<{ name: string; then: (id: string) => void }>();
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const [busy, start] = useTransition();
  const router = useRouter();
  const keep = (then: (id: string) => void, replace = false) => {
    setSaid(undefined);
    if (taken && !replace) return setAsking({ name, then });
    setAsking(undefined);
    act(keepDrillAction, (id) => {
      onKept(name.trim());
      then(id);
    });
  };
  const act = (ask: typeof keepDrillAction, then: (id: string) => void) =>
    start(async () => {
      try {
        const answer = await ask({ name, tags, rule });
        if (answer.ok) then(answer.id);
        else setSaid({ ok: false, words: answer.say });
      } catch {
        setSaid({ ok: false, words: 'The server cannot be reached. Nothing here is lost: try again in a moment.' });
      }
    });
  return (
    <Box
      component="form"
      aria-label="Keep"
      onSubmit={(event) => event.preventDefault()}
      sx={{ display: 'grid', gap: 1, mb: 2 }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25, '& .MuiButton-root': { minHeight: 40 } }}>
        <TextField
          label="Name"
          value={name}
          onChange={({ target }) => onName(target.value.slice(0, 120))}
          sx={{ flex: '2 1 200px' }}
        />
        <TextField
          label="Tags"
          value={tags}
          placeholder="backbeat, 16ths"
          onChange={({ target }) => onTags(target.value.slice(0, 400))}
          sx={{ flex: '1 1 140px' }}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <Button
          variant="outlined"
          disabled={!makes || busy}
          onClick={() => keep(() => setSaid({ ok: true, words: `“${name.trim()}” is on the shelf.` }))}
        >
          Keep
        </Button>
        <Button
          variant="outlined"
          disabled={!makes || Boolean(unplayable) || busy}
          aria-haspopup="menu"
          onClick={({ currentTarget }) => setMenu(currentTarget)}
        >
          Set for …
        </Button>
        <Button
          variant="contained"
          startIcon={<PlayArrowRounded />}
          disabled={!makes || Boolean(unplayable) || busy}
          onClick={() => act(practiseDrillAction, (id) => router.push(`/room/${id}`))}
        >
          Practise
        </Button>
      </Box>
      <Menu anchorEl={menu} open={Boolean(menu)} onClose={() => setMenu(null)}>
        {!students.length && <MenuItem disabled>No students yet</MenuItem>}
        {students.map((student) => (
          <MenuItem
            key={student.id}
            onClick={() => {
              setMenu(null);
              keep((id) => router.push(`/people/${student.id}?drill=${id}#set`));
            }}
          >
            {student.name}
          </MenuItem>
        ))}
      </Menu>
      {unplayable && makes && (
        <Typography variant="body2" color="textSecondary">
          {unplayable.say} {unplayable.remedy}
        </Typography>
      )}
      {asking?.name === name && (
        <Alert
          severity="warning"
          role="alert"
          action={
            <Button color="inherit" onClick={() => keep(asking.then, true)} sx={{ whiteSpace: 'nowrap' }}>
              Replace it
            </Button>
          }
        >
          There is a drill called “{name.trim()}” already. Give this one another name, or replace that one; what was set
          of it stays.
        </Alert>
      )}
      {said && (
        <Alert severity={said.ok ? 'success' : 'warning'} role="status" sx={{ py: 0 }}>
          {said.words}
        </Alert>
      )}
    </Box>
  );
}
