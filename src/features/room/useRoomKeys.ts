'use client';

import { useEffect, useRef } from 'react';
import type { Limb } from '@/core/groove/limbs';
import type { Ms } from '@/core/time/units';
import type { KeyMap } from './keys';
import { limbOfKey } from './Pads';

interface RoomKeys {
  keys: KeyMap;
  limbs: readonly Limb[];
  onToggle: () => void;
  /** Undefined while keys are not what is played on. */
  onStrike?: (limb: Limb, pageMs: Ms) => void;
}

/** Space starts and stops, but in a field or on a button that was reached by keys; the limbs' keys strike. */
export function useRoomKeys({ keys, limbs, onToggle, onStrike }: RoomKeys): void {
  // A button that was clicked keeps the focus, but Space is not meant for it; one that was reached by keys has its own.
  const reaching = useRef(false);
  useEffect(() => {
    const onPointer = () => void (reaching.current = false);
    const onKey = (event: KeyboardEvent) => {
      if (event.code === 'Tab') reaching.current = true;
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if (event.code === 'Space' && !(reaching.current && event.target instanceof HTMLButtonElement)) {
        event.preventDefault();
        // A list that was just chosen from would open again; Enter and the arrow keys open it.
        event.stopPropagation();
        if (!event.repeat) onToggle();
        return;
      }
      const limb = limbOfKey(keys, event.code);
      if (!limb || !limbs.includes(limb)) return;
      event.preventDefault();
      if (!event.repeat) onStrike?.(limb, event.timeStamp);
    };
    window.addEventListener('keydown', onKey, true);
    window.addEventListener('pointerdown', onPointer, true);
    return () => {
      window.removeEventListener('keydown', onKey, true);
      window.removeEventListener('pointerdown', onPointer, true);
    };
  }, [keys, limbs, onToggle, onStrike]);
}

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLElement && target.closest('[role="listbox"]') !== null);
