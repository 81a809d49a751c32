import { proxy, wrap } from 'comlink';
import type { Take } from '@/core/documents/take';
import type { KitEarWorker } from './kitEar.worker';

/** What the simulated kit struck, played as sound and heard; see the worker. */
export async function heardAsSound(played: Take, seed: number, onShare: (share: number) => void) {
  const worker = new Worker(new URL('./kitEar.worker.ts', import.meta.url));
  try {
    return await wrap<KitEarWorker>(worker).hear(played, seed, proxy(onShare));
  } finally {
    worker.terminate();
  }
}
