import { useCallback } from 'react';
import type { Delay, Listener } from '@/core/documents/ears';
import { listensAfter, useEars } from '@/sound/inputs/ears';

/** What an input adds here, and a way to keep what was measured: whoever measures it means to use it. */
export function useMeasured(name: Listener) {
  const [ears, change] = useEars();
  const measured = useCallback(
    (delay: Delay) =>
      change({ delays: { ...ears.delays, [name]: delay }, listens: listensAfter(ears.listens, name, true) }),
    [change, ears, name],
  );
  return { ears, change, delay: ears.delays[name], measured };
}
