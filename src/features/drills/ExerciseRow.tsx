'use client';

import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { memo, type KeyboardEvent } from 'react';
import type { School } from '@/core/counting/schools';
import type { Exercise } from '@/core/drill/drill';
import { CloseRounded, DragIndicatorRounded, PlayArrowRounded, StopRounded } from '@/ui/icons';
import { Strip } from '@/ui/strip/Strip';
import { FIGURE_FONT } from '@/ui/theme';
import { opening } from '@/ui/words/text';

const ARROWS: Record<string, 1 | -1> = { ArrowUp: -1, ArrowDown: 1 };

interface ExerciseRowProps {
  exercise: Exercise;
  /** Where it stands in the list, and where the last one does. */
  place: number;
  last: number;
  school: School;
  heard: boolean;
  onHear: (exercise: Exercise) => void;
  onStop: () => void;
  onMove: (place: number, by: 1 | -1) => void;
  onLeaveOut: (place: number) => void;
  onBench: (exercise: Exercise) => void;
}

/**
 * An exercise with its number, its strip, how hard it is and why. Its handle is dragged, or moved by Alt and the
 * arrows.
 */
export const ExerciseRow = memo(function ExerciseRow({
  exercise,
  place,
  last,
  school,
  heard,
  onHear,
  onStop,
  onMove,
  onLeaveOut,
  onBench,
}: ExerciseRowProps) {
  const number = place + 1;
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: exercise.index + 1,
  });
  const onArrow = (event: KeyboardEvent) => {
    const by = ARROWS[event.key];
    if (!event.altKey || !by) return listeners?.['onKeyDown']?.(event);
    event.preventDefault();
    if (place + by >= 0 && place + by <= last) onMove(place, by);
  };
  return (
    <Box
      ref={setNodeRef}
      component="section"
      aria-label={`Exercise ${number}`}
      sx={{ pb: 2.5, opacity: isDragging ? 0.35 : 1 }}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <Box
        sx={{ display: 'flex', flexWrap: { xs: 'wrap', md: 'nowrap' }, alignItems: 'center', columnGap: 1, mb: 0.5 }}
      >
        <IconButton
          ref={setActivatorNodeRef}
          {...attributes}
          {...listeners}
          onKeyDown={onArrow}
          aria-label={`Move exercise ${number}`}
          title="Drag, or Alt and the arrows"
          sx={{ width: 36, height: 44, borderRadius: 1, cursor: 'grab', touchAction: 'none', color: 'text.secondary' }}
        >
          <DragIndicatorRounded />
        </IconButton>
        <Heading exercise={exercise} number={number} />
        <IconButton
          aria-label={`Leave exercise ${number} out`}
          disabled={!last}
          onClick={() => onLeaveOut(place)}
          sx={{ width: 44, height: 44, color: 'text.secondary' }}
        >
          <CloseRounded />
        </IconButton>
        <IconButton
          aria-label={heard ? `Stop exercise ${number}` : `Hear exercise ${number}`}
          onClick={heard ? onStop : () => onHear(exercise)}
          sx={{ width: 44, height: 44 }}
        >
          {heard ? <StopRounded /> : <PlayArrowRounded />}
        </IconButton>
        <Button aria-label={`Exercise ${number} to the bench`} onClick={() => onBench(exercise)} sx={{ minHeight: 44 }}>
          To the bench
        </Button>
      </Box>
      <Strip groove={exercise.groove} school={school} size="glance" />
    </Box>
  );
});

/** What hangs on the pointer while a row is dragged. */
export function DraggedRow({ exercise, place, school }: Pick<ExerciseRowProps, 'exercise' | 'place' | 'school'>) {
  return (
    <Box
      aria-hidden
      sx={{
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: 2,
        p: 1.5,
        boxShadow: 4,
        maxHeight: 260,
        overflow: 'hidden',
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', columnGap: 1, mb: 0.5 }}>
        <Heading exercise={exercise} number={place + 1} />
      </Box>
      <Strip groove={exercise.groove} school={school} size="glance" />
    </Box>
  );
}

function Heading({
  exercise: { say, difficulty, fromBefore, findings },
  number,
}: {
  exercise: Exercise;
  number: number;
}) {
  const why = [
    ...difficulty.reasons.map((reason) => reason.say),
    fromBefore ? `${fromBefore} differ from the one before` : '',
  ]
    .filter(Boolean)
    .join(' · ');
  return (
    <>
      <Typography sx={{ fontFamily: FIGURE_FONT, fontWeight: 750, fontSize: 22, minWidth: 32, textAlign: 'right' }}>
        {number}
      </Typography>
      <Box sx={{ flex: '1 1 240px', minWidth: 0 }}>
        <Typography sx={{ fontWeight: 650, overflowWrap: 'anywhere' }}>{opening(say)}</Typography>
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
    </>
  );
}
