'use client';

import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import { usePathname } from 'next/navigation';

/** The bar's height, for pages that fill the screen. */
const LESSON_BAR = 'var(--lesson-bar)';

interface LessonBarProps {
  lesson: { id: string; with: string };
}

/** While a lesson runs, every page the teacher opens is in the lesson: one touch leads back to it. */
export function LessonBar({ lesson }: LessonBarProps) {
  const way = `/lessons/${lesson.id}`;
  if (usePathname() === way) return null;
  return (
    <Box
      role="status"
      className="no-print"
      sx={{
        display: 'flex',
        gap: 2,
        alignItems: 'center',
        height: LESSON_BAR,
        whiteSpace: 'nowrap',
        overflow: 'hidden',
        px: { xs: 2, sm: 3.5 },
        bgcolor: 'action.selected',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      In the lesson with {lesson.with}
      <Link href={way} sx={{ ml: 'auto', fontWeight: 650 }}>
        Back to the lesson
      </Link>
    </Box>
  );
}
