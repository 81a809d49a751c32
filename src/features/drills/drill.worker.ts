import { expose } from 'comlink';
import type { School } from '@/core/counting/schools';
import { makeDrill, type Drill } from '@/core/drill/drill';
import type { SpeedLimits } from '@/core/limits';
import type { Result } from '@/core/result';

/** Makes a drill off the page's own thread; `onShare` hears how much is done. */
function make(rule: unknown, school: School, limits: SpeedLimits, onShare: (share: number) => void): Result<Drill> {
  return makeDrill(rule, { school, limits, onShare });
}

const worker = { make };
export type DrillWorker = typeof worker;

expose(worker);
