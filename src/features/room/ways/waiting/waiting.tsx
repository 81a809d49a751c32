import dynamic from 'next/dynamic';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import { useRoom } from '../../RoomContext';
import { RoomFrame } from '../../frame/RoomFrame';
import { usePiece } from '../../usePiece';
import { useWaiting } from '../../useWaiting';
import type { Way } from '../way';

const waitingPanel = () => import('./WaitingPanel').then((module) => module.WaitingPanel);
const WaitingPanel = dynamic(waitingPanel, { loading: () => null });

/** The slowest click after practice without one: the lowest that plain metronomes have. */
const SLOWEST_CLICK = 40;

function WaitingRoom() {
  const { state, dispatch } = useRoom();
  const { settings } = state;
  const piece = usePiece();
  const waits = useWaiting(piece, settings.task);
  const withClick = () => {
    waits.stop();
    const slow = { ...settings, way: 'through' as const, bpm: SLOWEST_CLICK, click: CLICK_PLANS.counts };
    dispatch({ type: 'practise', settings: slow, atOnce: true });
  };
  return (
    <RoomFrame
      piece={piece}
      settings={settings}
      waits={waits}
      tempo="none"
      hasLength={false}
      panel={() => <WaitingPanel waitsAt={waits.now} clickAt={SLOWEST_CLICK} onWithClick={withClick} />}
    />
  );
}

/** Without a clock: the strip waits at each slot. */
export const waiting: Way = {
  name: 'wait for me',
  isFor: ({ chart, sight }) => !chart && !sight,
  Room: WaitingRoom,
  bring: waitingPanel,
};
