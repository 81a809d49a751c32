import { parentPort } from 'node:worker_threads';
import type { Tolerance } from '@/core/judging/types/figures';
import { judgeSent } from './judged';

/** One take to be judged, and the number its answer goes back under. */
export interface JudgingAsked {
  number: number;
  take: unknown;
  tolerance: Tolerance;
}

parentPort!.on('message', ({ number, take, tolerance }: JudgingAsked) => {
  parentPort!.postMessage({ number, answer: judgeSent(take, tolerance) });
});
