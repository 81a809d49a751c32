import type { School } from '@/core/count/schools';
import { makeDrill, type Drill } from '@/core/drill/drill';
import type { SpeedLimits } from '@/core/limits';
import type { Result } from '@/core/result';

export interface DrillAsked {
  rule: unknown;
  school: School;
  limits: SpeedLimits;
}
/** How much is done, or the drill. */
export type DrillAnswer = { share: number } | { drill: Result<Drill> };

// The worker's own scope, which is another than the page's.
const scope = self as unknown as {
  onmessage: (event: MessageEvent<DrillAsked>) => void;
  postMessage: (answer: DrillAnswer) => void;
};

scope.onmessage = ({ data: { rule, school, limits } }) => {
  const drill = makeDrill(rule, { school, limits, onShare: (share) => scope.postMessage({ share }) });
  scope.postMessage({ drill });
};
