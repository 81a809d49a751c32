'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import type { ReactNode } from 'react';
import { MOST_REASON } from '@/core/limits';
import { Pick } from '@/ui/Pick';
import { PrintButton } from '@/ui/PrintButton';
import { PictureMenu } from './PictureMenu';
import { optionsAsked, PAPERS, type HandoutOptions } from './options';

/** What is on the sheet, as switches: each kind of sheet has those that matter to it. */
const SWITCHES = [
  ['sticking', 'Sticking'],
  ['strip', 'Strip'],
  ['tempos', 'Tempos to tick'],
  ['large', 'Large print'],
  ['black', 'Black only'],
] as const;

/** Over a handout, and not on paper: what is on it, and how it is had. */
export function HandoutBar({ options, hasPdf }: { options: HandoutOptions; hasPdf: boolean }) {
  const [router, path, query] = [useRouter(), usePathname(), useSearchParams()];
  const set = (change: Partial<HandoutOptions>) => {
    const asked = new URLSearchParams(query);
    for (const name of Object.keys(options)) asked.delete(name);
    for (const [name, value] of Object.entries(optionsAsked({ ...options, ...change }))) asked.set(name, value);
    router.replace(`${path}?${asked}`, { scroll: false });
  };
  return (
    <SheetBar paper={options.paper} hasPdf={hasPdf} onPaper={(paper) => set({ paper })}>
      <Pick
        label="Counts"
        value={options.counts}
        options={[
          ['below', 'under the notes'],
          ['above', 'over the notes'],
          ['off', 'none'],
        ]}
        onPick={(counts) => set({ counts })}
        sx={{ width: 160 }}
      />
      {SWITCHES.map(([name, label]) => (
        <FormControlLabel
          key={name}
          control={<Switch checked={options[name]} onChange={(_, on) => set({ [name]: on })} />}
          label={label}
        />
      ))}
      <TextField
        label="Words on the sheet"
        defaultValue={options.words}
        onBlur={({ target }) => target.value !== options.words && set({ words: target.value })}
        slotProps={{ htmlInput: { maxLength: MOST_REASON } }}
        sx={{ width: 260 }}
      />
    </SheetBar>
  );
}

interface SheetBarProps {
  paper: HandoutOptions['paper'];
  hasPdf: boolean;
  onPaper: (paper: HandoutOptions['paper']) => void;
  children: ReactNode;
}

/** The paper and the ways to have it, beside what else can be chosen of a sheet. */
export function SheetBar({ paper, hasPdf, onPaper, children }: SheetBarProps) {
  const [path, query] = [usePathname(), useSearchParams()];
  const pdf = new URLSearchParams({ page: `${path}?${query}` });
  return (
    <Box
      component="header"
      className="no-print"
      aria-label="Handout"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: 1.5,
        px: 2,
        py: 1.5,
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Pick label="Paper" value={paper} options={PAPERS} onPick={onPaper} sx={{ width: 100 }} />
      {children}
      <Box sx={{ ml: 'auto', display: 'flex', gap: 1 }}>
        <PictureMenu />
        <PrintButton />
        {hasPdf && (
          <Button component="a" href={`/files/handouts?${pdf}`} download variant="contained">
            PDF
          </Button>
        )}
      </Box>
    </Box>
  );
}
