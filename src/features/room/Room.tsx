'use client';

import dynamic from 'next/dynamic';
import { RoomOf, type Drawn, type RoomProps } from './RoomOf';

/** What draws lines comes with what is read at sight. */
const SightRoom = dynamic(() => import('./ways/atSight/SightRoom').then((found) => found.SightRoom), {
  loading: () => null,
});

/** Where a groove is practised, or something is read at sight. */
export function Room(props: RoomProps) {
  return props.sight ? <SightRoom {...props} sight={props.sight} /> : <RoomOf {...props} drawn={asItIs} />;
}

const asItIs: Drawn = ({ groove, chart }) => ({ groove, chart });
