'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import Drawer from '@mui/material/Drawer';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { School } from '@/core/counting/schools';
import { readyRule, usualRule } from '@/core/drill/rule';
import { type Rule } from '@/core/documents/rule';
import { familyNamed } from '@/core/drill/registry';
import { PATHS, SHELF } from '@/core/drill/shelf';
import { LEVELS, type Level } from '@/core/limits';
import type { KeptDrill } from '@/server/drills';
import { Pick as Choice } from '@/ui/Pick';
import { opening } from '@/ui/words/text';
import { OwnDrill } from './OwnDrill';
import { ReadDrill } from './ReadDrill';
import { ShelfEntry } from './ShelfEntry';
import type { OwnRule } from './useRule';

interface ShelfProps {
  kept: readonly KeptDrill[];
  school: School;
  onChoose: (name: string, rule: Rule, own?: OwnRule) => void;
  onDrop: (id: string) => void;
  onClose: () => void;
}

/** Drills that are ready: the workshop's own, and those that ship, path by path; looked through by words and level. */
export function Shelf({ kept, school, onChoose, onDrop, onClose }: ShelfProps) {
  const [tag, setTag] = useState<string>();
  const [words, setWords] = useState('');
  const [level, setLevel] = useState<Level>();
  const tags = [...new Set(kept.flatMap((one) => one.tags))].sort();
  const has = (...texts: string[]) => found(words, texts);
  const own = kept.filter((one) => (!tag || one.tags.includes(tag)) && has(one.name, ...one.tags));
  const ready = READY.filter((one) => (!level || one.level === level) && has(one.name, one.path, one.wish, one.trains));
  return (
    <Drawer
      anchor="right"
      open
      onClose={onClose}
      slotProps={{
        paper: {
          role: 'dialog',
          'aria-label': 'Shelf of drills',
          // It belongs to the page, in either scheme.
          sx: { width: { xs: 1, sm: 560 }, p: 2.5, bgcolor: 'background.default', backgroundImage: 'none' },
        },
      }}
    >
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', mb: 1.5 }}>
        <Typography variant="h2">Shelf</Typography>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', justifyContent: 'end' }}>
          <ReadDrill onRead={({ name, tags, rule }) => onChoose(name, rule, { tags, isKept: false })} />
          <Button onClick={onClose}>Close</Button>
        </Box>
      </Box>
      <Box role="search" sx={{ display: 'flex', gap: 1.5 }}>
        <TextField
          label="Find by name, or what it trains"
          value={words}
          onChange={({ target }) => setWords(target.value.slice(0, 60))}
          sx={{ flex: 1 }}
        />
        <Choice
          label="Level"
          value={level ?? 'any'}
          options={['any', ...LEVELS]}
          onPick={(wanted) => setLevel(LEVELS.find((one) => one === wanted))}
          sx={{ width: 150 }}
        />
      </Box>
      {!level && (
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
          {own.map((one) => (
            <OwnDrill
              key={one.id}
              drill={one}
              school={school}
              onChoose={(rule) => onChoose(one.name, rule, { tags: one.tags, isKept: true })}
              onDrop={() => onDrop(one.id)}
            />
          ))}
        </Part>
      )}
      {PATHS.filter((path) => ready.some((one) => one.path === path)).map((path) => (
        <Part key={path} title={opening(path)}>
          {ready
            .filter((one) => one.path === path)
            .map(({ name, level: forWhom, rule, trains }) => (
              <ShelfEntry
                key={name}
                name={name}
                note={`${opening(forWhom)}. ${trains}`}
                rule={rule}
                school={school}
                onChoose={(chosen) => onChoose(name, chosen)}
              />
            ))}
        </Part>
      ))}
      {!ready.length && !own.length && (
        <Typography color="textSecondary" sx={{ mt: 3 }}>
          Nothing here goes by these words. Names, paths and what a drill trains are looked through.
        </Typography>
      )}
    </Drawer>
  );
}

/** What ships, with its rule and what it trains. */
const READY = SHELF.map(({ family: named, change, ...one }) => {
  const family = familyNamed(named)!;
  const rule = usualRule(family, change);
  const readied = readyRule(rule);
  const trains = readied.ok ? family.trains(readied.value.params, readied.value.ground) : '';
  return { ...one, wish: family.wish, rule, trains };
});

/** Whether every word is in one of the texts. */
const found = (words: string, texts: readonly string[]): boolean => {
  const all = texts.join(' ').toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
};

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box role="group" aria-label={title} sx={{ mt: 2.5 }}>
      <Typography variant="h3" gutterBottom>
        {title}
      </Typography>
      {children}
    </Box>
  );
}
