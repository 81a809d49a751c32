import dynamic from 'next/dynamic';
import type { Way } from '../way';

/** What draws lines comes with what is read at sight. */
const ReadAtSight = dynamic(() => import('./ReadAtSight').then((found) => found.ReadAtSight), { loading: () => null });

/** What was never seen before: looked at, then played. */
export const atSight: Way = { name: 'at sight', isFor: ({ sight }) => Boolean(sight), Room: ReadAtSight };
