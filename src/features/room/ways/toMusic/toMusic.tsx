import dynamic from 'next/dynamic';
import { useMemo } from 'react';
import { heardBpm, roundsUnder } from '@/core/practice/music';
import { onceMs } from '../../piece';
import { useRoom } from '../../RoomContext';
import { RoomFrame } from '../../frame/RoomFrame';
import type { RoomSettings } from '../../settings';
import { usePiece } from '../../usePiece';
import type { Way } from '../way';
import { useMusic } from './useMusic';

const MusicPanel = dynamic(() => import('./MusicPanel').then((module) => module.MusicPanel), { ssr: false });

function ToMusic() {
  const { state, groove } = useRoom();
  const piece = usePiece();
  const playalong = useMusic(groove.tempo);
  const { music, settings: musical, ready } = playalong;
  const settings = useMemo((): RoomSettings => {
    if (!music || !musical) return state.settings;
    const rounds = roundsUnder(onceMs(piece, musical.bpm), musical.firstBeatMs, music.buffer.duration * 1000);
    return { ...state.settings, bpm: heardBpm(musical), length: { rounds } };
  }, [state.settings, music, musical, piece]);
  const begin = () =>
    ready && musical
      ? { piece: { ...piece, backing: { buffer: ready, firstBeatMs: musical.firstBeatMs / (musical.speed / 100) } } }
      : {};
  return (
    <RoomFrame
      piece={piece}
      settings={settings}
      begin={begin}
      isBlocked={!ready}
      tempo="shown"
      hasLength={false}
      panel={(playing) => <MusicPanel playalong={playalong} playing={playing} />}
    />
  );
}

/** Under music of the player's own. */
export const toMusic: Way = { name: 'to music', isFor: ({ sight }) => !sight, Room: ToMusic };
