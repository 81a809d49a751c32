import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import { engraved } from '@/core/chart/play/engraved';
import type { School } from '@/core/counting/schools';
import type { SightPlan } from '@/core/documents/sightPlan';
import { drawnAtSight } from '@/core/practice/atSight';
import { sightInWords } from '@/ui/words/sight';

const Stave = dynamic(() => import('@/ui/stave/Stave'), { ssr: false });
const ChartStaves = dynamic(() => import('@/ui/chart/ChartStaves'), { ssr: false });

/** One of the lines a plan gives, with its counts, and others at a press: none of them is the one that will be read. */
export function SightExample({ plan, tempo, school }: { plan: SightPlan; tempo: number; school: School }) {
  const [seed, setSeed] = useState(1);
  const { groove, chart } = useMemo(
    () => drawnAtSight(plan, { title: 'Example', tempo: Math.round(tempo) || 80 }, seed),
    [plan, tempo, seed],
  );
  const bars = useMemo(() => {
    const found = chart && engraved(chart.form);
    return found?.ok ? found.value : undefined;
  }, [chart]);
  return (
    <Box component="section" aria-label="Example">
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 2 }}>
        <Typography color="textSecondary">For example: {sightInWords(plan)}</Typography>
        <Button onClick={() => setSeed(seed + 1)}>Another example</Button>
      </Box>
      {bars ? <ChartStaves title="Example" bars={bars} /> : <Stave groove={groove} school={school} end="final" />}
    </Box>
  );
}
