import { useMemo } from 'react';
import { sidesOf } from '@/core/form/sides';
import { drillOf } from '../../piece';
import { useRoom } from '../../RoomContext';
import { RoomFrame } from '../../frame/RoomFrame';
import { usePiece } from '../../usePiece';
import { playedThrough } from '@/core/form/exercises';
import { ContrastPanel } from './ContrastPanel';

/** The groove and its other side, one after the other. */
export function BackToBackRoom() {
  const { state, dispatch } = useRoom();
  const { contrast } = state.settings;
  const piece = usePiece();
  const sides = useMemo(() => {
    const drill = drillOf(piece);
    return sidesOf(drill ? playedThrough(drill) : piece.groove, contrast.what, contrast.bars);
  }, [piece, contrast]);
  const against = useMemo(
    () =>
      sides.ok
        ? {
            ...piece,
            exercises: undefined,
            groove: sides.value.groove,
            passages: [...sides.value.passages],
            sides: sides.value.names,
          }
        : piece,
    [piece, sides],
  );
  return (
    <RoomFrame
      piece={against}
      settings={state.settings}
      isBlocked={!sides.ok}
      isSwingFixed={contrast.what === 'straight and swung'}
      panel={(playing) => (
        <ContrastPanel
          contrast={contrast}
          sides={sides}
          playing={playing}
          onChange={(wanted) => dispatch({ type: 'set', change: { contrast: wanted } })}
        />
      )}
    />
  );
}
