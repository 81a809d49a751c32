'use client';

import dynamic from 'next/dynamic';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Ladder } from '@/core/documents/climb';
import { bpmAt, loudnessAt, move, rungsOf } from '@/core/plan/ladder';
import { FIGURE_FONT } from '@/ui/theme';
import { plural } from '@/ui/words/text';
import { tempoInWords } from '@/ui/words/figures';
import type { LadderInUse } from './useLadder';

const LadderDialog = dynamic(() => import('./LadderDialog').then((module) => module.LadderDialog), { ssr: false });

interface LadderPanelProps {
  climbing: LadderInUse;
  playing: boolean;
  /** The rung was changed by hand. */
  onMoved: (bpm: number) => void;
}

/** The rungs as a staircase, where one stands, and how it goes on. */
export function LadderPanel({ climbing, playing, onMoved }: LadderPanelProps) {
  const [changing, setChanging] = useState(false);
  const { ladder, standing } = climbing.climb;
  const rungs = rungsOf(ladder);
  const at = Math.min(standing.rung, rungs.length - 1);
  const byHand = (by: 1 | -1) => {
    const next = move(ladder, standing, by);
    climbing.stand(next);
    onMoved(bpmAt(ladder, next));
  };
  const length = plural(ladder.length.many, ladder.length.unit.slice(0, -1));
  const rule = ruleInWords(ladder.rule);
  return (
    <Box
      role="group"
      aria-label="Ladder"
      sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 3, rowGap: 1 }}
    >
      <Box
        aria-hidden
        sx={{
          display: 'flex',
          alignItems: 'flex-end',
          gap: '3px',
          height: 52,
          flex: 'none',
          width: `min(${17 * rungs.length}px, 100%, 300px)`,
        }}
      >
        {rungs.map((bpm, index) => (
          <Box
            key={bpm}
            sx={{
              flex: '1 1 0',
              height: `${30 + (70 * (index + 1)) / rungs.length}%`,
              borderRadius: 0.5,
              bgcolor: rungColour(index, at, standing.done),
            }}
          />
        ))}
      </Box>
      <Box sx={{ flex: '1 1 260px' }}>
        <Typography sx={{ fontFamily: FIGURE_FONT, fontSize: 24, fontWeight: 700, lineHeight: 1.2 }}>
          Rung {at + 1} of {rungs.length}: {tempoInWords(rungs[at]!)}
          {ladder.loudnesses && `, ${loudnessAt(ladder, standing)}`}
        </Typography>
        <Typography
          color="textSecondary"
          variant="body2"
          sx={{ display: { xs: playing ? 'none' : 'block', sm: 'block' } }}
        >
          {tempoInWords(ladder.start)} to {tempoInWords(ladder.goal)} by {tempoInWords(ladder.step)}, {length} on a
          rung, {rule}.
        </Typography>
        <Typography role="status" sx={{ fontWeight: 650 }}>
          {climbing.said}
        </Typography>
      </Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button variant="outlined" sx={{ minHeight: 44 }} disabled={at === 0} onClick={() => byHand(-1)}>
          Rung down
        </Button>
        <Button variant="outlined" sx={{ minHeight: 44 }} disabled={at === rungs.length - 1} onClick={() => byHand(1)}>
          Rung up
        </Button>
        {!playing && (
          <Button sx={{ minHeight: 44 }} onClick={() => setChanging(true)}>
            Change ladder
          </Button>
        )}
      </Box>
      {changing && (
        <LadderDialog
          ladder={ladder}
          onClose={() => setChanging(false)}
          onTake={(next) => {
            setChanging(false);
            climbing.change(next);
            onMoved(next.start);
          }}
        />
      )}
    </Box>
  );
}

function ruleInWords(rule: Ladder['rule']): string {
  if (rule.by === 'hand') return 'climbed by hand';
  return `up after ${plural(rule.climb, 'clean take')}, back after ${rule.fall} that ${rule.fall === 1 ? 'is' : 'are'} not`;
}

/** What is climbed, where one stands, and what is still above. */
function rungColour(rung: number, at: number, done: boolean): string {
  if (rung < at || done) return 'primary.main';
  return rung === at ? 'secondary.main' : 'divider';
}
