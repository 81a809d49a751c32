'use client';

import Button, { type ButtonProps } from '@mui/material/Button';
import { useFormStatus } from 'react-dom';
import { openLessonAction } from './actions';

interface OpenLessonProps {
  timeId: string;
  day: string;
  who: string;
  variant?: ButtonProps['variant'];
}

/** Opens the lesson of a time that comes round, on one of its days. */
export function OpenLesson({ timeId, day, who, variant }: OpenLessonProps) {
  return (
    <form action={openLessonAction}>
      <input type="hidden" name="time" value={timeId} />
      <input type="hidden" name="day" value={day} />
      <Open who={who} variant={variant} />
    </form>
  );
}

function Open({ who, variant }: Pick<OpenLessonProps, 'who' | 'variant'>) {
  const { pending } = useFormStatus();
  return (
    <Button type="submit" variant={variant} loading={pending} aria-label={`Open the lesson of ${who}`}>
      Open
    </Button>
  );
}
