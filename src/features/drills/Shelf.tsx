'use client';

import DeleteOutlineRounded from '@mui/icons-material/DeleteOutlineRounded';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import Drawer from '@mui/material/Drawer';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { usualRule } from '@/core/drill/rule';
import { type Rule } from '@/core/documents/rule';
import { familyNamed } from '@/core/drill/registry';
import { PATHS, SHELF } from '@/core/drill/shelf';
import { sentence } from '@/core/result';
import type { KeptDrill } from '@/server/drills';
import { opening } from '@/ui/words/text';

interface ShelfProps {
  kept: readonly KeptDrill[];
  /** `own` is the workshop's drill, where it is one. */
  onChoose: (name: string, rule: Rule, own?: KeptDrill) => void;
  onDrop: (id: string) => void;
  onClose: () => void;
}

/** Drills that are ready: the workshop's own, and those that ship, path by path. */
export function Shelf({ kept, onChoose, onDrop, onClose }: ShelfProps) {
  const [tag, setTag] = useState<string>();
  const tags = [...new Set(kept.flatMap((one) => one.tags))].sort();
  const shown = tag && tags.includes(tag) ? kept.filter((one) => one.tags.includes(tag)) : kept;
  return (
    <Drawer
      anchor="right"
      open
      onClose={onClose}
      slotProps={{
        paper: { role: 'dialog', 'aria-label': 'Shelf of drills', sx: { width: { xs: 1, sm: 420 }, p: 2.5 } },
      }}
    >
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', mb: 1 }}>
        <Typography variant="h2">Shelf</Typography>
        <Button onClick={onClose}>Close</Button>
      </Box>
      <Part title="Your own">
        {!kept.length && <Typography color="textSecondary">What you keep under a name stands here.</Typography>}
        {tags.length > 1 && (
          <Box role="group" aria-label="Tags" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, my: 1 }}>
            {tags.map((one) => (
              <Chip
                key={one}
                label={one}
                size="small"
                variant={one === tag ? 'filled' : 'outlined'}
                aria-pressed={one === tag}
                onClick={() => setTag(one === tag ? undefined : one)}
              />
            ))}
          </Box>
        )}
        {shown.map((own) => (
          <Box key={own.id} sx={{ display: 'flex', alignItems: 'center' }}>
            {own.rule.ok ? (
              <OwnEntry own={own} rule={own.rule.value} onChoose={onChoose} />
            ) : (
              <Typography variant="body2" color="error" sx={{ flex: 1, px: 1, overflowWrap: 'anywhere' }}>
                {own.name} cannot be read. {sentence({ ...own.rule.problems[0]!, where: '' })}
              </Typography>
            )}
            <IconButton
              aria-label={`Take ${own.name} off the shelf`}
              onClick={() => onDrop(own.id)}
              sx={{ width: 44, height: 44 }}
            >
              <DeleteOutlineRounded />
            </IconButton>
          </Box>
        ))}
      </Part>
      {PATHS.map((path) => (
        <Part key={path} title={opening(path)}>
          {SHELF.filter((one) => one.path === path).map(({ name, family, change }) => (
            <Entry key={name} name={name} onChoose={() => onChoose(name, usualRule(familyNamed(family)!, change))} />
          ))}
        </Part>
      ))}
    </Drawer>
  );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box role="group" aria-label={title} sx={{ mt: 2 }}>
      <Typography variant="h3">{title}</Typography>
      {children}
    </Box>
  );
}

interface OwnEntryProps {
  own: KeptDrill;
  rule: Rule;
  onChoose: ShelfProps['onChoose'];
}

const OwnEntry = ({ own, rule, onChoose }: OwnEntryProps) => (
  <Entry name={own.name} note={own.tags.join(', ')} onChoose={() => onChoose(own.name, rule, own)} />
);

function Entry({ name, note, onChoose }: { name: string; note?: string; onChoose: () => void }) {
  return (
    <Button
      onClick={onChoose}
      sx={{
        justifyContent: 'flex-start',
        textAlign: 'left',
        width: 1,
        minHeight: 44,
        fontWeight: 450,
        overflowWrap: 'anywhere',
        color: 'text.primary',
      }}
    >
      <span>
        {name}
        {note && (
          <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
            {note}
          </Typography>
        )}
      </span>
    </Button>
  );
}
