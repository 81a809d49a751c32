import { limbsIn } from '@/core/groove/kit';
import { freshSeed } from '@/core/practice/atSight';
import { useMemo, useRef } from 'react';
import { anySeed } from '../../anySeed';
import type { Piece } from '../../piece';
import { useRoom } from '../../RoomContext';
import { RoomFrame } from '../../frame/RoomFrame';
import { usePiece } from '../../usePiece';
import { drawnFor } from './drawnFor';
import { SightPanel } from './SightPanel';
import { useLook } from './useLook';

/** Where lines are read: each is looked at, then played. */
export function ReadAtSight() {
  const { sight, groove, state, dispatch } = useRoom();
  const { plan, spent } = sight!;
  const { phase, settings, seed } = state;
  const played = usePiece();
  const piece = useMemo((): Piece => ({ ...played, isRead: true }), [played]);
  const look = useLook(plan.lookS, phase);
  /** What came into sight here, whether it was played or not. */
  const seen = useRef<number[]>([]);
  const another = () => {
    seen.current.push(seed);
    const next = freshSeed(plan, [...spent, ...seen.current], anySeed);
    dispatch({ type: 'seeded', seed: next });
    dispatch({ type: 'set', change: { task: limbsIn(drawnFor(sight!, groove, next).groove) } });
  };
  const isUnseen = phase === 'ready' && look.leftS === undefined;
  return (
    <RoomFrame
      piece={piece}
      settings={settings}
      hasLength={false}
      look={{
        ...look,
        begin: () => {
          // What is judged was read, however one goes on.
          if (phase === 'judged') another();
          look.begin();
        },
      }}
      isHidden={isUnseen}
      next={{ say: plan.kind === 'line' ? 'Another line' : 'Another chart', onNext: another }}
      // What was seen and not played is spent.
      onEnded={(judged) => !judged && another()}
      panel={() => phase !== 'judged' && <SightPanel plan={plan} leftS={look.leftS} isUnseen={isUnseen} />}
    />
  );
}
