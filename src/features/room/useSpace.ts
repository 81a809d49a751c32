import { useEffect, useLayoutEffect, useRef } from 'react';
import { flushSync } from 'react-dom';
import { isElsewhere } from '@/sound/inputs/useInputs';

/** Space starts and stops, wherever the focus is, but in a field of words or on a button that was reached by keys. */
export function useSpace(onToggle: () => void): void {
  // A button that was clicked keeps the focus, but Space is not meant for it; one that was reached by keys has its own.
  const reaching = useRef(false);
  const latest = useRef(onToggle);
  useLayoutEffect(() => {
    latest.current = onToggle;
  });
  useEffect(() => {
    const onPointer = () => void (reaching.current = false);
    const onKey = (event: KeyboardEvent) => {
      if (event.code === 'Tab') reaching.current = true;
      if (event.code !== 'Space' || event.ctrlKey || event.metaKey || event.altKey || isElsewhere(event)) return;
      const { target } = event;
      const isButton =
        target instanceof HTMLButtonElement || (target instanceof HTMLInputElement && target.type === 'checkbox');
      if (reaching.current && isButton) return;
      event.preventDefault();
      // A list that was just chosen from would open again; Enter and the arrow keys open it.
      event.stopPropagation();
      if (event.repeat) return;
      if (target instanceof HTMLInputElement) flushSync(() => settle(target));
      latest.current();
    };
    window.addEventListener('keydown', onKey, true);
    window.addEventListener('pointerdown', onPointer, true);
    return () => {
      window.removeEventListener('keydown', onKey, true);
      window.removeEventListener('pointerdown', onPointer, true);
    };
  }, []);
}

/** What stands in a field holds as if it had been left, and the focus stays. */
function settle(field: HTMLInputElement): void {
  field.blur();
  field.focus();
}
