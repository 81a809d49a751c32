import { useEffect, useRef } from 'react';
import type { Ms } from '@/core/time/units';
import { clockInWords } from '../../words/recordings';
import type { Back, windowOf } from './back';

interface HeardLine {
  window: ReturnType<typeof windowOf>;
  /** With every frame; undefined when it falls silent. */
  onHeard: (ms: Ms | undefined) => void;
  /** It goes on where these bars end. */
  onBeyond: (ms: Ms) => void;
}

/** The line that shows where a sound is heard, and its time: written straight on the page, without asking React. */
export function useHeardLine({ state, heardMs }: Pick<Back, 'state' | 'heardMs'>, given: HeardLine) {
  const line = useRef<HTMLDivElement>(null);
  const clock = useRef<HTMLElement>(null);
  const latest = useRef(given);
  useEffect(() => {
    latest.current = given;
  });
  useEffect(() => {
    const shown = line.current;
    if (state !== 'playing' || !shown) return;
    const frame = () => {
      const ms = heardMs();
      const { window, onHeard, onBeyond } = latest.current;
      if (ms !== undefined) {
        if (ms >= window.endMs || ms < window.fromMs) onBeyond(ms);
        shown.style.visibility = 'visible';
        shown.style.left = `${(100 * (ms - window.fromMs)) / (window.toMs - window.fromMs)}%`;
        if (clock.current) clock.current.textContent = clockInWords(Math.max(0, ms));
        onHeard(ms);
      }
      request = requestAnimationFrame(frame);
    };
    let request = requestAnimationFrame(frame);
    return () => {
      cancelAnimationFrame(request);
      shown.style.visibility = 'hidden';
      latest.current.onHeard(undefined);
    };
  }, [state, heardMs]);
  return { line, clock };
}
