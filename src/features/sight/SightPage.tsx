'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { School } from '@/core/counting/schools';
import { readSightPlan, type SightPlan, type SightPlanJson } from '@/core/documents/sightPlan';
import type { KeptSight } from '@/server/sightPlans';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import { KeepSight } from './KeepSight';
import { KeptList } from './KeptList';
import { isTempo, PlanFields } from './PlanFields';
import { SightExample } from './SightExample';

interface SightPageProps {
  school: School;
  kept: readonly KeptSight[];
  onArchive: (id: string, archived: boolean) => Promise<void>;
}

/** What is read at sight: what a line may hold, an example of it, and what is kept. */
export function SightPage({ school, kept, onArchive }: SightPageProps) {
  const [plan, setPlan] = useState<SightPlanJson>({
    version: 1,
    kind: 'line',
    level: 'first year',
    values: ['quarters', '8ths'],
    meter: '4/4',
    bars: 4,
    lookS: 20,
  });
  const [tempo, setTempo] = useState(70);
  const read = readSightPlan(plan);
  // What cannot be read while one types leaves the last example standing.
  const [shown, setShown] = useState<SightPlan>();
  if (read.ok && JSON.stringify(read.value) !== JSON.stringify(shown)) setShown(read.value);
  const change = (wanted: Partial<SightPlanJson>) => setPlan((before) => ({ ...before, ...wanted }));
  return (
    <Page title="At sight" note="Never the same line twice: looked at, played, judged">
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '320px 1fr' }, gap: 4, alignItems: 'start' }}>
        <PlanFields
          plan={plan}
          tempo={tempo}
          problems={read.ok ? [] : read.problems}
          onChange={change}
          onTempo={setTempo}
        />
        <Box sx={{ minWidth: 0, display: 'grid', gap: 2 }}>
          <KeepSight plan={plan} tempo={tempo} isReadable={read.ok && isTempo(tempo)} />
          {shown && <SightExample plan={shown} tempo={tempo} school={school} />}
        </Box>
      </Box>
      <Typography variant="h2" sx={{ mt: 5, mb: 1.5 }}>
        Kept
      </Typography>
      {kept.length ? (
        <KeptList kept={kept} onArchive={onArchive} />
      ) : (
        <EmptyState title="Nothing is kept yet">
          Choose what a line may hold, give it a name and keep it. Then it can be read, set as homework and opened in a
          lesson.
        </EmptyState>
      )}
    </Page>
  );
}
