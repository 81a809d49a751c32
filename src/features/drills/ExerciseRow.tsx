'use client';

import ArrowDownwardRounded from '@mui/icons-material/ArrowDownwardRounded';
import ArrowUpwardRounded from '@mui/icons-material/ArrowUpwardRounded';
import CloseRounded from '@mui/icons-material/CloseRounded';
import PlayArrowRounded from '@mui/icons-material/PlayArrowRounded';
import StopRounded from '@mui/icons-material/StopRounded';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { memo, type ReactNode } from 'react';
import type { School } from '@/core/count/schools';
import type { Exercise } from '@/core/drill/drill';
import { Strip } from '@/ui/strip/Strip';
import { FIGURE_FONT } from '@/ui/theme';

interface ExerciseRowProps {
  exercise: Exercise;
  number: number;
  school: School;
  heard: boolean;
  onHear: () => void;
  onStop: () => void;
  onBench: () => void;
  /** Undefined where it cannot go there: the first, the last, the only one. */
  onEarlier?: () => void;
  onLater?: () => void;
  onLeaveOut?: () => void;
}

/** An exercise with its number, its strip, how hard it is and why. */
export const ExerciseRow = memo(function ExerciseRow({
  exercise,
  number,
  school,
  heard,
  onHear,
  onStop,
  onBench,
  onEarlier,
  onLater,
  onLeaveOut,
}: ExerciseRowProps) {
  const { groove, say, difficulty, fromBefore, findings } = exercise;
  const why = [...difficulty.reasons.map((reason) => reason.say), fromBefore ? `${fromBefore} differ from the one before` : ''].filter(Boolean).join(' · ');
  return (
    <Box component="section" aria-label={`Exercise ${number}`} sx={{ pb: 2.5 }}>
      <Box sx={{ display: 'flex', flexWrap: { xs: 'wrap', md: 'nowrap' }, alignItems: 'center', columnGap: 1, mb: 0.5 }}>
        <Typography sx={{ fontFamily: FIGURE_FONT, fontWeight: 750, fontSize: 22, minWidth: 36, textAlign: 'right' }}>{number}</Typography>
        <Box sx={{ flex: '1 1 240px', minWidth: 0 }}>
          <Typography sx={{ fontWeight: 650, overflowWrap: 'anywhere' }}>{say}</Typography>
          <Typography variant="body2" color="textSecondary">
            Difficulty {difficulty.score}
            {why && `: ${why}`}
          </Typography>
          {findings.map((finding, index) => (
            <Typography key={index} variant="body2" color="error">
              {finding.say} {finding.remedy}
            </Typography>
          ))}
        </Box>
        <Act label={`Exercise ${number} earlier`} onClick={onEarlier}>
          <ArrowUpwardRounded />
        </Act>
        <Act label={`Exercise ${number} later`} onClick={onLater}>
          <ArrowDownwardRounded />
        </Act>
        <Act label={`Leave exercise ${number} out`} onClick={onLeaveOut}>
          <CloseRounded />
        </Act>
        <IconButton aria-label={heard ? `Stop exercise ${number}` : `Hear exercise ${number}`} onClick={heard ? onStop : onHear} sx={{ width: 44, height: 44 }}>
          {heard ? <StopRounded /> : <PlayArrowRounded />}
        </IconButton>
        <Button aria-label={`Exercise ${number} to the bench`} onClick={onBench} sx={{ minHeight: 44 }}>
          To the bench
        </Button>
      </Box>
      <Strip groove={groove} school={school} size="glance" />
    </Box>
  );
});

function Act({ label, onClick, children }: { label: string; onClick?: () => void; children: ReactNode }) {
  return (
    <IconButton aria-label={label} disabled={!onClick} onClick={onClick} sx={{ width: 44, height: 44, color: 'text.secondary' }}>
      {children}
    </IconButton>
  );
}
