import dynamic from 'next/dynamic';
import type { Way } from '../way';

const bring = () => import('./BackToBackRoom').then((module) => module.BackToBackRoom);

/** Two sides of the same groove, bar line against bar line. */
export const backToBack: Way = {
  name: 'back to back',
  isFor: ({ chart, sight }) => !chart && !sight,
  Room: dynamic(bring, { loading: () => null }),
  bring,
};
