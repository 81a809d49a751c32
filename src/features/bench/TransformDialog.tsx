'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import List from '@mui/material/List';
import ListItemButton from '@mui/material/ListItemButton';
import ListSubheader from '@mui/material/ListSubheader';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { endMoved } from '@/core/counting/endMoved';
import type { School } from '@/core/counting/schools';
import type { Groove } from '@/core/groove/groove';
import type { Place } from '@/core/groove/edit';
import type { Region } from '@/core/groove/region';
import { Strip, type StripHandle } from '@/ui/strip/Strip';
import { factsOf, grooveInWords } from '@/ui/words/grooves';
import { tempoInWords } from '@/ui/words/figures';
import { compared } from './loop';
import { TransformFields } from './TransformFields';
import { transformed, TRANSFORMS, usualChoices, type Choices } from './transforms';
import type { Hearing } from './useHearing';

interface TransformDialogProps {
  groove: Groove;
  cursor: Place;
  selection: Region | undefined;
  school: School;
  hearing: Hearing;
  onTake: (groove: Groove, say: string) => void;
  onClose: () => void;
}

const GROUPS = [...new Set(TRANSFORMS.map(({ group }) => group))];

/** Choose what to do to the groove, see and hear it beside the original, then take it or leave it. */
export function TransformDialog({ groove, cursor, selection, school, hearing, onTake, onClose }: TransformDialogProps) {
  const [kind, setKind] = useState(TRANSFORMS[0]!);
  const [choices, setChoices] = useState<Choices>(() => usualChoices(cursor));
  const [before, after] = [useRef<StripHandle>(null), useRef<StripHandle>(null)];
  const [only, setOnly] = useState(true);
  const answer = transformed(kind, groove, choices, cursor, only ? selection : undefined);
  const close = () => {
    hearing.stop();
    onClose();
  };
  return (
    <Dialog open onClose={close} fullWidth maxWidth="lg" aria-labelledby="transform-title">
      <DialogTitle id="transform-title">Transform</DialogTitle>
      <DialogContent
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', md: '290px minmax(0, 1fr)' },
          gap: 3,
          minHeight: { md: 480 },
        }}
      >
        <List dense disablePadding sx={{ overflow: 'auto', maxHeight: { xs: 180, md: 520 } }} aria-label="What to do">
          {GROUPS.map((group) => (
            <li key={group}>
              <Box component="ul" sx={{ p: 0, listStyle: 'none' }}>
                <ListSubheader disableGutters disableSticky sx={{ lineHeight: '30px', bgcolor: 'transparent' }}>
                  {group}
                </ListSubheader>
                {TRANSFORMS.filter((one) => one.group === group).map((one) => (
                  <li key={one.name}>
                    <ListItemButton
                      selected={one === kind}
                      aria-current={one === kind}
                      onClick={() => {
                        hearing.stop();
                        setKind(one);
                      }}
                      sx={{ borderRadius: 1 }}
                    >
                      {one.name}
                    </ListItemButton>
                  </li>
                ))}
              </Box>
            </li>
          ))}
        </List>
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start', minWidth: 0 }}>
          <TransformFields
            uses={kind.uses}
            choices={choices}
            onChange={(change) => setChoices({ ...choices, ...change })}
          />
          {selection && (
            <FormControlLabel
              control={
                <Checkbox
                  checked={only && kind.selected !== undefined}
                  disabled={!kind.selected}
                  onChange={(_, on) => setOnly(on)}
                />
              }
              label={kind.selected ? 'Only what is selected' : 'This one is for the whole groove'}
            />
          )}
          <Box role="status">
            {answer.ok ? (
              <Typography>
                {answer.value.say} {endMoved(groove, answer.value.groove, school)}
              </Typography>
            ) : (
              <Alert severity="warning">
                {answer.problems[0]!.say} {answer.problems[0]!.remedy}
              </Alert>
            )}
          </Box>
          <Shown title="Now" groove={groove} school={school} handle={before} />
          {answer.ok && <Shown title="Then" groove={answer.value.groove} school={school} handle={after} />}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Leave it</Button>
        <Button
          variant="outlined"
          disabled={!answer.ok}
          onClick={() =>
            hearing.playing
              ? hearing.stop()
              : answer.ok && void hearing.play(compared(groove, answer.value.groove), [before, after])
          }
        >
          {hearing.playing ? 'Stop' : 'Hear both in turn'}
        </Button>
        <Button
          variant="contained"
          disabled={!answer.ok}
          onClick={() => {
            hearing.stop();
            if (answer.ok) onTake(answer.value.groove, answer.value.say);
          }}
        >
          Take it
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function Shown({
  title,
  groove,
  school,
  handle,
}: {
  title: string;
  groove: Groove;
  school: School;
  handle: React.RefObject<StripHandle | null>;
}) {
  return (
    <Box component="section" sx={{ minWidth: 0 }}>
      <Typography variant="body2" sx={{ mb: 0.5 }}>
        <strong>{title}</strong> · {grooveInWords(factsOf(groove))} · the click counts {tempoInWords(groove.tempo)} a
        minute
      </Typography>
      <Strip groove={groove} school={school} size="glance" handle={handle} />
    </Box>
  );
}
