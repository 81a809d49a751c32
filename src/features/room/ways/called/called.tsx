import { useMemo } from 'react';
import { called as callOut } from '@/core/drill/caller';
import { anySeed } from '../../anySeed';
import { drillOf, type Piece } from '../../piece';
import { useRoom } from '../../RoomContext';
import { RoomFrame } from '../../frame/RoomFrame';
import type { RoomSettings } from '../../settings';
import { usePiece } from '../../usePiece';
import type { Way } from '../way';

function Called() {
  const { state, drill, school, dispatch } = useRoom();
  const piece = usePiece();
  const { range, caller } = state.settings;
  const settings = useMemo((): RoomSettings => ({ ...state.settings, length: { rounds: 1 } }), [state.settings]);
  // The exercises themselves, not the row they would be played in.
  const whole = useMemo((): Piece => ({ ...piece, passages: drill?.passages }), [piece, drill]);
  const calledWith = (seed: number): Piece => {
    const all = drillOf(whole);
    return all ? { ...whole, ...callOut(all, { range, ...caller, seed }, school) } : whole;
  };
  const begin = () => {
    const seed = caller.same ? state.seed : anySeed();
    dispatch({ type: 'seeded', seed });
    return { piece: calledWith(seed) };
  };
  // oxlint-disable-next-line react/exhaustive-deps
  const shown = useMemo(() => calledWith(state.seed), [whole, range, caller, school, state.seed]);
  return <RoomFrame piece={shown} settings={settings} begin={begin} hasLength={false} />;
}

/** Exercises called at random, a bar ahead. */
export const called: Way = { name: 'called', isFor: ({ drill }) => Boolean(drill?.rule.caller), Room: Called };
