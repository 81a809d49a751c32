import dynamic from 'next/dynamic';
import type { Way } from '../way';

const bring = () => import('./MusicRoom').then((module) => module.MusicRoom);

/** Under music of the player's own. */
export const toMusic: Way = {
  name: 'to music',
  isFor: ({ sight }) => !sight,
  Room: dynamic(bring, { loading: () => null }),
  bring,
};
