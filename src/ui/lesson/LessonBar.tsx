'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { namesInWords } from '../words/text';
import { useLessonLive, type RunningLesson } from './lessonLive';

interface LessonBarProps {
  lesson: RunningLesson;
  /** Whether there is something to follow. */
  isFollowed: boolean;
}

/** While a lesson runs every page says so: the way back to it, and whether the two screens go together. */
export function LessonBar({ lesson, isFollowed }: LessonBarProps) {
  const live = useLessonLive();
  if (!live) return null;
  const { role, isOn, setOn, elsewhere } = live;
  const isTeacher = role === 'teacher';
  const who = elsewhere && lesson.with[elsewhere.by];
  const isAlone = Object.keys(lesson.with).length === 1;
  return (
    <Box
      className="no-print"
      sx={{
        height: 'var(--lesson-bar)',
        display: 'flex',
        gap: { xs: 1, sm: 2 },
        alignItems: 'center',
        px: { xs: 2, sm: 3.5 },
        bgcolor: 'action.selected',
        borderBottom: 1,
        borderColor: 'divider',
        whiteSpace: 'nowrap',
        overflow: 'hidden',
      }}
    >
      <Typography role="status" sx={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>
        In the lesson with {namesInWords(Object.values(lesson.with))}
        {isTeacher && who && elsewhere.isPlaying && (isAlone ? ', who plays' : `: ${who} plays`)}
        {!isTeacher && !isFollowed && ': nothing is open yet'}
      </Typography>
      {isTeacher && elsewhere?.take && !elsewhere.isPlaying && (
        <Link href={`/takes/${elsewhere.take}`}>{who}’s take</Link>
      )}
      {(isTeacher || isFollowed) && (
        <Button size="small" onClick={() => setOn(!isOn)} sx={{ ml: 'auto' }}>
          {isOn ? 'Let go' : 'Go together again'}
        </Button>
      )}
      {isTeacher && (
        <Link href={`/lessons/${lesson.id}`} sx={{ fontWeight: 650 }}>
          Back to the lesson
        </Link>
      )}
    </Box>
  );
}
