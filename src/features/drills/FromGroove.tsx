'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useState } from 'react';
import { drillOf, MADE_OF_GROOVE, type MadeOfGroove } from '@/core/drill/fromGroove';
import { readyRule } from '@/core/drill/rule';
import { type Rule } from '@/core/documents/rule';
import type { Groove } from '@/core/groove/groove';
import { sentence } from '@/core/result';
import { opening, plural } from '@/ui/words/text';
import { grooveOf } from './grooveOf';
import { GroovePick, type Pickable } from './GroovePick';

interface FromGrooveProps {
  grooves: readonly Pickable[];
  /** The one that was asked for, if any. */
  groove: Groove | undefined;
  onChoose: (name: string, rule: Rule) => void;
  onClose: () => void;
}

/** What can be made of a groove, each with what it comes to before it is made. */
export function FromGroove({ grooves, groove: asked, onChoose, onClose }: FromGrooveProps) {
  const [groove, setGroove] = useState(asked);
  // Without one that was asked for, the first stands there.
  const first = asked ? undefined : grooves[0]?.id;
  useEffect(() => {
    if (first) void grooveOf(first).then((one) => setGroove((before) => before ?? one));
  }, [first]);
  const offers = useMemo(
    () =>
      groove
        ? Object.keys(MADE_OF_GROOVE).map((what: MadeOfGroove) => {
            const rule = drillOf(groove, what);
            return { what, rule, read: readyRule(rule) };
          })
        : [],
    [groove],
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="from-groove">
      <DialogTitle id="from-groove">Make a drill of a groove</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1, pt: '8px !important' }}>
        <GroovePick label="Groove" grooves={grooves} title={groove?.title} none="choose one" onPick={setGroove} />
        {offers.map(({ what, rule, read }) => (
          <Button
            key={what}
            disabled={!read.ok}
            onClick={() => onChoose(`${groove!.title.slice(0, 90)}: ${what}`, rule)}
            sx={{
              justifyContent: 'flex-start',
              textAlign: 'left',
              minHeight: 52,
              color: 'text.primary',
              px: 1.5,
              border: 1,
              borderColor: 'divider',
            }}
          >
            <Box>
              <Typography sx={{ fontWeight: 650 }}>{opening(what)}</Typography>
              <Typography variant="body2" color="textSecondary">
                {read.ok ? plural(read.value.total, 'exercise') : sentence({ ...read.problems[0]!, where: '' })}
              </Typography>
            </Box>
          </Button>
        ))}
        {!grooves.length && (
          <Typography color="textSecondary">There is no groove yet. Make one on the bench first.</Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
