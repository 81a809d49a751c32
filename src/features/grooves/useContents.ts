import { useCallback, useEffect, useRef, useState } from 'react';
import type { GrooveContent } from '@/server/grooves';
import { contentsAction } from './actions';

/** From the first that comes into sight: those that follow at once are asked for with it. */
const GATHER_MS = 60;

/** What grooves hold, asked for by those that come into sight, many at a time and each once. */
export function useContents(first: readonly (readonly [string, GrooveContent])[]) {
  const [contents, setContents] = useState(() => new Map(first));
  const asked = useRef(new Set(first.map(([id]) => id)));
  const waiting = useRef<string[]>([]);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  const want = useCallback((id: string) => {
    if (asked.current.has(id)) return;
    asked.current.add(id);
    waiting.current.push(id);
    timer.current ??= setTimeout(() => {
      timer.current = undefined;
      const ids = waiting.current.splice(0);
      void contentsAction(ids).then(
        (found) => setContents((before) => new Map([...before, ...found])),
        // Out of reach of the server they stay as they are, and are asked for when they come into sight again.
        () => ids.forEach((one) => asked.current.delete(one)),
      );
    }, GATHER_MS);
  }, []);
  return { contents, want };
}
