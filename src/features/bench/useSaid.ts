import { useEffect, useMemo, useState } from 'react';
import type { School } from '@/core/counting/schools';
import type { Place } from '@/core/groove/edit';
import type { Groove } from '@/core/groove/groove';
import type { Height } from '@/core/groove/limbs';
import type { Said, saidOn } from './said';

/** What a typed phrase comes to; what reads phrases is brought once the bench stands, or when something is typed. */
export function useSaid(groove: Groove, text: string, school: School, cursor: Place, height: Height): Said {
  const [reading, setReading] = useState<{ saidOn: typeof saidOn }>();
  const isTyped = text.trim() !== '';
  useEffect(() => {
    if (!reading) void import('./said').then(setReading, () => {});
  }, [reading, isTyped]);
  return useMemo(() => {
    if (!isTyped) return { answer: { ok: true, groove, said: '', changed: 0, otherwise: [] } };
    // Until it is there nothing is known of what was typed.
    return reading ? reading.saidOn(groove, text, school, cursor, height) : { answer: { ok: false, problems: [] } };
  }, [reading, isTyped, groove, text, school, cursor, height]);
}
