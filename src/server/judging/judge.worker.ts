import { parentPort } from 'node:worker_threads';
import type { Level } from '@/core/limits';
import { judgeSent } from './judged';

/** One take to be judged, and the number its answer goes back under. */
export interface JudgingAsked {
  number: number;
  take: unknown;
  level: Level;
}

parentPort!.on('message', ({ number, take, level }: JudgingAsked) => {
  parentPort!.postMessage({ number, answer: judgeSent(take, level) });
});
