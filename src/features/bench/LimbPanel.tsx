'use client';

import dynamic from 'next/dynamic';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { type Groove } from '@/core/groove/groove';
import { type Limb } from '@/core/groove/limbs';
import { techniqueAt } from '@/core/groove/lines';
import { opening } from '@/ui/words/text';
import { Row, Section } from './Section';
import type { Change } from './useEditing';

const TechniqueForm = dynamic(() => import('./TechniqueForm').then((module) => module.TechniqueForm), { ssr: false });

/** What holds for the whole line of a limb: its lean, and the technique pinned to it. */
export function LimbPanel({ groove, limb, onEdit }: { groove: Groove; limb: Limb; onEdit: (change: Change) => void }) {
  const [open, setOpen] = useState(false);
  const ms = groove.lean?.[limb];
  const word = techniqueAt(groove, limb, groove.tempo);
  return (
    <Section title={opening(limb)}>
      <Row name="Leans" value={ms ? `${Math.abs(ms)} ms ${ms > 0 ? 'behind' : 'ahead'}` : 'on the beat'} />
      <Row name={`Technique at ${groove.tempo}`} value={word ?? 'not said'} />
      {open ? (
        <TechniqueForm key={limb} groove={groove} limb={limb} onEdit={onEdit} onDone={() => setOpen(false)} />
      ) : (
        <Button size="small" onClick={() => setOpen(true)}>
          {word ? 'Change the technique' : 'Pin a technique'}
        </Button>
      )}
    </Section>
  );
}
