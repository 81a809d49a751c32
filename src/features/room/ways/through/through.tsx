import { RoomFrame } from '../../frame/RoomFrame';
import { usePiece } from '../../usePiece';
import { useRoom } from '../../RoomContext';
import type { Way } from '../way';

function Through() {
  const { settings } = useRoom().state;
  return <RoomFrame piece={usePiece()} settings={settings} />;
}

/** From the first bar to the last, so many times. */
export const through: Way = { name: 'through', isFor: ({ sight }) => !sight, Room: Through };
