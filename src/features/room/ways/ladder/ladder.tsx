import dynamic from 'next/dynamic';
import { useCallback, useEffect, useMemo } from 'react';
import { bpmAt, loudnessAt, rungsOf } from '@/core/plan/ladder';
import { barsOnce } from '@/core/form/form';
import { useRoom } from '../../RoomContext';
import { RoomFrame } from '../../frame/RoomFrame';
import type { RoomSettings } from '../../settings';
import type { Judged } from '../../state';
import { usePiece } from '../../usePiece';
import type { Way } from '../way';
import { useLadder } from './useLadder';

const ladderPanel = () => import('./LadderPanel').then((module) => module.LadderPanel);
const LadderPanel = dynamic(ladderPanel, { loading: () => null });

function LadderRoom() {
  const { state, dispatch } = useRoom();
  const piece = usePiece();
  const climbing = useLadder();
  const { ladder, standing } = climbing.climb;
  const settings = useMemo((): RoomSettings => {
    const { unit, many } = ladder.length;
    const length = unit === 'bars' ? { rounds: Math.max(1, Math.ceil(many / barsOnce(piece))) } : { minutes: many };
    return { ...state.settings, bpm: bpmAt(ladder, standing), length };
  }, [state.settings, ladder, standing, piece]);
  const loudness = ladder.loudnesses ? loudnessAt(ladder, standing) : undefined;
  const rung = useMemo(() => ({ ...piece, loudness }), [piece, loudness]);

  // A ladder goes on by itself from take to take until it is stopped, the goal is reached, or nobody is heard.
  const begin = useCallback(() => {
    dispatch({ type: 'goes on', on: true });
    return {};
  }, [dispatch]);
  const onEnded = (ended: Judged | undefined) => {
    if (!state.goesOn) return;
    const isHeard = ended?.take.input !== 'nothing';
    const isOwn = ended?.take.struckBy === 'player' && isHeard;
    if (!isHeard) climbing.say('Nothing listened: move the ladder by hand, a rung up when it was clean.');
    else if (ended && !isOwn) climbing.say('The simulated kit played: the ladder stands where it stood.');
    const arrived =
      isOwn && ended.whole && climbing.count(ended.judgement.verdict.about === 'clean').move === 'arrived';
    if (!isOwn || !ended.whole || arrived) dispatch({ type: 'goes on', on: false });
  };
  useEffect(() => () => dispatch({ type: 'goes on', on: false }), [dispatch]);
  const tempos = useMemo(() => rungsOf(ladder).slice(standing.rung), [ladder, standing.rung]);
  return (
    <RoomFrame
      piece={rung}
      settings={settings}
      begin={begin}
      onEnded={onEnded}
      tempo="shown"
      hasLength={false}
      tempos={tempos}
      line={`rung ${Math.min(standing.rung, rungsOf(ladder).length - 1) + 1} · ${standing.clean} clean`}
      panel={(playing, follow) => (
        <LadderPanel climbing={climbing} playing={playing} onMoved={(bpm) => follow({ bpm })} />
      )}
    />
  );
}

/** Tempos climbed rung by rung, as the takes come clean. */
export const ladder: Way = { name: 'ladder', isFor: ({ sight }) => !sight, Room: LadderRoom, bring: ladderPanel };
