import { RoomOf, type RoomProps } from '../../RoomOf';
import type { Sight } from '../../RoomContext';
import { drawnFor } from './drawnFor';

/** The room where lines are read that are drawn anew each time. */
export function SightRoom(props: RoomProps & { sight: Sight }) {
  return <RoomOf {...props} drawn={({ groove }, seed) => drawnFor(props.sight, groove, seed)} />;
}
