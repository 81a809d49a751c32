'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { LessonPlan, LessonStep } from '@/core/documents/lesson';
import { saveLessonPlanAction } from './actions';

/** After the last letter a plan is saved so long after. */
const SAVE_AFTER_MS = 500;

export type Saving = 'saved' | 'saving' | 'not saved' | 'changed elsewhere';

/** A plan that is saved by itself while it is written, from the save `from` on. */
export function usePlan(id: string, first: LessonPlan, from: number) {
  const [plan, setPlan] = useState(first);
  const [saving, setSaving] = useState<Saving>('saved');
  const number = useRef(from);
  const latest = useRef(first);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const running = useRef<Promise<void>>(undefined);
  const isUnsent = useRef(false);

  const save = useCallback(async (): Promise<void> => {
    clearTimeout(timer.current);
    // One after another, so that each goes on from the one before.
    await running.current;
    const sent = latest.current;
    isUnsent.current = false;
    running.current = saveLessonPlanAction(id, sent, number.current).then(
      (saved) => {
        if (saved === undefined) return setSaving('changed elsewhere');
        number.current = saved;
        if (latest.current === sent) setSaving('saved');
      },
      // No network: what is written stays here and is sent with the next letter.
      () => {
        isUnsent.current = true;
        setSaving('not saved');
      },
    );
    await running.current;
  }, [id]);

  const change = useCallback(
    (next: LessonPlan, { atOnce = false } = {}) => {
      latest.current = next;
      isUnsent.current = true;
      setPlan(next);
      setSaving('saving');
      clearTimeout(timer.current);
      if (atOnce) void save();
      else timer.current = setTimeout(() => void save(), SAVE_AFTER_MS);
    },
    [save],
  );
  const changeStep = useCallback(
    (at: number, part: Partial<LessonStep>) => {
      const { steps, ...rest } = latest.current;
      change({ ...rest, steps: steps.map((step, index) => (index === at ? { ...step, ...part } : step)) });
    },
    [change],
  );
  // Leaving the page sends what was not sent yet.
  useEffect(
    () => () => {
      if (isUnsent.current) void save();
    },
    [save],
  );
  return { plan, saving, change, changeStep, save };
}
