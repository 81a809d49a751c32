import { useMemo } from 'react';
import { heardBpm, roundsUnder } from '@/core/practice/music';
import { onceMs, sectionsMs } from '../../piece';
import { useRoom } from '../../RoomContext';
import { RoomFrame } from '../../frame/RoomFrame';
import type { RoomSettings } from '../../settings';
import { usePiece } from '../../usePiece';
import { MusicPanel } from './MusicPanel';
import { useMusic } from './useMusic';

/** The piece as often as it goes under the music, or once through it. */
export function MusicRoom() {
  const { state, groove, chart } = useRoom();
  const piece = usePiece();
  const playalong = useMusic(groove.tempo);
  const { music, settings: musical, ready } = playalong;
  const settings = useMemo((): RoomSettings => {
    if (!music || !musical) return state.settings;
    // A chart goes through the music once, a groove goes round as long as it lasts.
    const rounds = chart
      ? 1
      : roundsUnder(onceMs(piece, musical.bpm), musical.firstBeatMs, music.buffer.duration * 1000);
    return { ...state.settings, bpm: heardBpm(musical), length: { rounds } };
  }, [state.settings, music, musical, piece, chart]);
  const bpm = musical?.bpm;
  const sections = useMemo(() => (chart && bpm ? sectionsMs(chart, bpm) : []), [chart, bpm]);
  // From a later section on, the music begins there too.
  const first = sections[state.settings.range[0] ?? 0]?.ms ?? 0;
  const begin = () =>
    ready && musical
      ? {
          piece: {
            ...piece,
            backing: { buffer: ready, firstBeatMs: (musical.firstBeatMs + first) / (musical.speed / 100) },
          },
        }
      : {};
  return (
    <RoomFrame
      piece={piece}
      settings={settings}
      begin={begin}
      isBlocked={!ready}
      tempo="shown"
      hasLength={false}
      panel={(playing) => <MusicPanel playalong={playalong} sections={sections} playing={playing} />}
    />
  );
}
