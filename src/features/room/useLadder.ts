'use client';

import { useCallback, useState } from 'react';
import { afterTake, FIRST_STANDING, type Step } from '@/core/plan/ladder';
import { type Climb, type Ladder, type Standing } from '@/core/documents/climb';
import { keepLadderAction } from './actions';

export interface Climbing {
  climb: Climb;
  /** What the last take came to, or why the ladder is not kept. */
  said?: string;
  /** Counts a take; answers with what it came to. */
  count: (clean: boolean) => Step;
  stand: (standing: Standing) => void;
  change: (ladder: Ladder) => void;
}

/** What a step is called aloud. */
const SAID: Record<Step['move'], string> = {
  stays: '',
  louder: 'The same tempo, louder.',
  climbs: 'Clean: up a rung.',
  'falls back': 'Back a rung, to settle.',
  arrived: 'The goal is played clean.',
};

/** The ladder of a groove and where one stands on it, kept with the person after every step. */
export function useLadder(grooveId: string, first: Climb): Climbing {
  const [climb, setClimb] = useState(first);
  const [said, setSaid] = useState<string>();

  const keep = useCallback(
    (next: Climb, words?: string) => {
      setClimb(next);
      setSaid(words);
      // What could not be kept stands on in this window, and is kept with the next step.
      void keepLadderAction(grooveId, next)
        .catch(() => false)
        .then(
          (kept) =>
            kept ||
            setSaid(
              'The server cannot be reached: the ladder stands on in this window and is kept with its next step.',
            ),
        );
    },
    [grooveId],
  );
  const count = useCallback(
    (clean: boolean): Step => {
      const step = afterTake(climb.ladder, climb.standing, clean);
      const { ladder } = climb;
      const again =
        ladder.rule.by === 'hand'
          ? ''
          : clean
            ? `Clean ${step.standing.clean} of ${ladder.rule.climb}.`
            : `Not clean yet, ${step.standing.failed} of ${ladder.rule.fall}.`;
      keep({ ...climb, standing: step.standing }, SAID[step.move] || again);
      return step;
    },
    [climb, keep],
  );
  const stand = useCallback((standing: Standing) => keep({ ...climb, standing }), [climb, keep]);
  const change = useCallback((ladder: Ladder) => keep({ version: 1, ladder, standing: FIRST_STANDING }), [keep]);
  return { climb, said, count, stand, change };
}
