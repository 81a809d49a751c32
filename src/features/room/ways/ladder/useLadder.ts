import { useCallback } from 'react';
import type { Climb, Ladder, Standing } from '@/core/documents/climb';
import { afterTake, FIRST_STANDING, type Step } from '@/core/plan/ladder';
import { keepLadderAction } from '../../actions';
import { useRoom } from '../../RoomContext';

export interface LadderInUse {
  climb: Climb;
  /** What the last take came to, or why the ladder is not kept. */
  said?: string;
  /** Counts a take; answers with what it came to. */
  count: (clean: boolean) => Step;
  stand: (standing: Standing) => void;
  change: (ladder: Ladder) => void;
  say: (words: string) => void;
}

/** What a step is called aloud. */
const SAID: Record<Step['move'], string> = {
  stays: '',
  louder: 'The same tempo, louder.',
  climbs: 'Clean: up a rung.',
  'falls back': 'Back a rung, to settle.',
  arrived: 'The goal is played clean.',
};
const UNREACHED = 'The server cannot be reached: the ladder stands on in this window and is kept with its next step.';
const BEHIND =
  'This ladder has gone on in another window, which keeps it. Load the page again to stand where that one stands.';

/** The ladder of a groove and where one stands on it, kept with the person after every step. */
export function useLadder(): LadderInUse {
  const { grooveId, state, dispatch } = useRoom();
  const { climbing } = state;
  const { climb, step } = climbing;

  const keep = useCallback(
    (next: Climb, words?: string) => {
      dispatch({ type: 'climbed', climbing: { climb: next, step, said: words } });
      // What could not be kept stands on in this window, and is kept with the next step.
      void keepLadderAction(grooveId, next, step)
        .catch((): { kind: 'unreached' } => ({ kind: 'unreached' }))
        .then((answer) => {
          if (answer.kind === 'kept')
            return dispatch({ type: 'climbed', climbing: { climb: next, step: answer.step, said: words } });
          const said = answer.kind === 'behind' ? BEHIND : UNREACHED;
          dispatch({ type: 'climbed', climbing: { climb: next, step, said } });
        });
    },
    [grooveId, step, dispatch],
  );
  const count = useCallback(
    (clean: boolean): Step => {
      const after = afterTake(climb.ladder, climb.standing, clean);
      keep({ ...climb, standing: after.standing }, SAID[after.move] || againInWords(climb.ladder, after, clean));
      return after;
    },
    [climb, keep],
  );
  const stand = useCallback((standing: Standing) => keep({ ...climb, standing }), [climb, keep]);
  const change = useCallback((ladder: Ladder) => keep({ version: 1, ladder, standing: FIRST_STANDING }), [keep]);
  const say = useCallback(
    (words: string) => dispatch({ type: 'climbed', climbing: { climb, step, said: words } }),
    [climb, step, dispatch],
  );
  return { climb, said: climbing.said, count, stand, change, say };
}

function againInWords({ rule }: Ladder, { standing }: Step, clean: boolean): string {
  if (rule.by === 'hand') return '';
  return clean ? `Clean ${standing.clean} of ${rule.climb}.` : `Not clean yet, ${standing.failed} of ${rule.fall}.`;
}
