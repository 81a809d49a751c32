'use client';

import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { KeyboardEvent } from 'react';
import { CheckRounded, CloseRounded, DragIndicatorRounded, PlayArrowRounded } from '@/ui/icons';
import { FIGURE_FONT } from '@/ui/theme';
import { tempoInWords } from '@/ui/words/figures';
import { opening } from '@/ui/words/text';
import type { ShownPiece } from './PieceList';

interface PieceRowProps {
  piece: ShownPiece;
  /** Whether one goes on with this one. */
  isNext: boolean;
  onMove: (by: 1 | -1) => void;
  onLeave: () => void;
}

const ARROWS: Record<string, 1 | -1> = { ArrowUp: -1, ArrowDown: 1 };

/** Where a piece is practised: in the room at its tempo, or by ear. */
const wayIn = ({ opens }: ShownPiece) =>
  opens.what === 'by ear'
    ? '/listening'
    : `/room/${opens.id}?${new URLSearchParams({ ...(opens.assignment ? { set: opens.assignment } : { bpm: String(opens.bpm) }) })}`;

/** A piece of the day's practice: what it is for, why, how long, and how much of that is done. */
export function PieceRow({ piece, isNext, onMove, onLeave }: PieceRowProps) {
  const { key, kind, title, minutes, opens, say, doneMs } = piece;
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: key,
  });
  const onArrow = (event: KeyboardEvent) => {
    const by = ARROWS[event.key];
    if (!event.altKey || !by) return listeners?.['onKeyDown']?.(event);
    event.preventDefault();
    onMove(by);
  };
  const done = Math.floor(doneMs / 60_000);
  const isDone = done >= minutes;
  const isByEar = opens.what === 'by ear';
  return (
    <Box
      ref={setNodeRef}
      component="li"
      aria-label={`${kind}: ${title}`}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '36px 1fr auto', sm: '36px 92px 1fr 76px auto 40px' },
        columnGap: 1.5,
        rowGap: 1,
        alignItems: 'center',
        py: 1.25,
        borderTop: 1,
        borderColor: 'divider',
        opacity: isDragging ? 0.5 : 1,
        bgcolor: 'background.default',
        position: 'relative',
      }}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <IconButton
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        onKeyDown={onArrow}
        aria-label={`Move ${title}`}
        size="small"
        sx={{ cursor: 'grab', touchAction: 'none' }}
      >
        <DragIndicatorRounded fontSize="small" />
      </IconButton>
      <Typography variant="body2" color="textSecondary" sx={{ display: { xs: 'none', sm: 'block' } }}>
        {opening(kind)}
      </Typography>
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ fontWeight: 650, overflowWrap: 'anywhere' }}>
          {title}
          {!isByEar && (
            <Box component="span" sx={{ fontWeight: 450, color: 'text.secondary' }}>
              {' '}
              at {tempoInWords(opens.bpm)}
            </Box>
          )}
        </Typography>
        <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
          {say}
        </Typography>
      </Box>
      <Typography
        component="div"
        sx={{
          fontFamily: FIGURE_FONT,
          fontWeight: 650,
          whiteSpace: 'nowrap',
          textAlign: 'right',
          display: 'flex',
          justifyContent: 'flex-end',
          alignItems: 'center',
          gap: 0.5,
          color: isDone ? 'success.main' : 'text.primary',
        }}
      >
        {isDone && <CheckRounded fontSize="small" titleAccess="done" />}
        {done > 0 && !isDone ? `${done} of ${minutes}` : minutes} min
      </Typography>
      <Button
        href={wayIn(piece)}
        variant={isNext ? 'contained' : 'outlined'}
        startIcon={<PlayArrowRounded />}
        sx={{ minHeight: 44, gridColumn: { xs: '2 / 3', sm: 'auto' }, justifySelf: { xs: 'start', sm: 'stretch' } }}
      >
        {isByEar ? 'Listen' : 'Open in the room'}
      </Button>
      <IconButton onClick={onLeave} aria-label={`Leave out ${title}`} size="small">
        <CloseRounded fontSize="small" />
      </IconButton>
    </Box>
  );
}
