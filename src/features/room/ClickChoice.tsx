'use client';

import dynamic from 'next/dynamic';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Groove } from '@/core/groove/groove';
import { CLICK_PLAN_NAMES, CLICK_PLANS, planInWords, type ClickPlan, type ClickPlanName } from '@/core/time/clickPlan';
import { plainMetronome } from '@/core/schedule/metronome';
import type { Bpm } from '@/core/time/units';
import { tempoInWords } from '@/ui/words/figures';

const OwnClick = dynamic(() => import('./OwnClick').then((module) => module.OwnClick), { ssr: false });

interface ClickChoiceProps {
  click: ClickPlan;
  groove: Groove;
  bpm: Bpm;
  onChange: (click: ClickPlan) => void;
}

const OWN = 'own';

/** Where the metronome sounds: one of the plans with a name, or one's own. It may be changed while playing. */
export function ClickChoice({ click, groove, bpm, onChange }: ClickChoiceProps) {
  const [setting, setSetting] = useState(false);
  const words = planInWords(click);
  const named = CLICK_PLAN_NAMES.some((name) => name === words);
  return (
    <>
      <TextField
        select
        label="Click on"
        value={named ? words : OWN}
        onChange={({ target }) => {
          if (target.value === OWN) setSetting(true);
          else onChange(CLICK_PLANS[target.value as ClickPlanName]);
        }}
        sx={{ width: 'auto', minWidth: 84, maxWidth: 190 }}
        // Chosen again, one's own is set anew.
        slotProps={{ select: { renderValue: () => words, SelectDisplayProps: { title: words } } }}
      >
        {CLICK_PLAN_NAMES.map((name) => (
          <MenuItem
            key={name}
            value={name}
            aria-label={name}
            sx={{ display: 'flex', justifyContent: 'space-between', gap: 3 }}
          >
            {name}
            <Box component="span" sx={{ fontSize: 13, color: 'text.secondary' }}>
              {metronomeInWords(CLICK_PLANS[name], groove, bpm)}
            </Box>
          </MenuItem>
        ))}
        <MenuItem value={OWN} onClick={() => setSetting(true)}>
          {named ? 'one of your own …' : words}
        </MenuItem>
      </TextField>
      {setting && (
        <OwnClick
          groove={groove}
          bpm={bpm}
          onClose={() => setSetting(false)}
          onTake={(plan) => {
            setSetting(false);
            onChange(plan);
          }}
        />
      )}
    </>
  );
}

/** What a plain metronome would be set to for a plan, short enough for a list. */
function metronomeInWords(plan: ClickPlan, groove: Groove, bpm: Bpm): string {
  const { meter, cells } = groove.bars[0]!;
  const metronome = plainMetronome(plan, { meter, reading: groove.reading, cells }, bpm);
  if (!metronome) return 'no plain metronome';
  return `plain metronome: ${tempoInWords(metronome.bpm)}${metronome.outOfRange ? ', most cannot' : ''}`;
}
