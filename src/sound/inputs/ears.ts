'use client';

import { useCallback, useSyncExternalStore } from 'react';
import { FIRST_EARS, readEars, type Ears, type Listener } from '@/core/documents/ears';

const STORED = 'mochila ears';

const listeners = new Set<() => void>();
let known: { text: string | null; ears: Ears } = { text: null, ears: FIRST_EARS };

/** What listens belongs to the device, so it is kept in this browser and not with the person. */
export function inputSettings(): Ears {
  const text = localStorage.getItem(STORED);
  if (text !== known.text) known = { text, ears: parsed(text) };
  return known.ears;
}

/** What cannot be read is as if nothing had been chosen: one gets heard again. */
function parsed(text: string | null): Ears {
  try {
    const read = text ? readEars(JSON.parse(text)) : undefined;
    return read?.ok ? read.value : FIRST_EARS;
  } catch {
    return FIRST_EARS;
  }
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
}

/** What listens on this device, and a way to change some of it. */
export function useEars(): [Ears, (change: Partial<Ears>) => void] {
  const ears = useSyncExternalStore(subscribe, inputSettings, () => FIRST_EARS);
  const change = useCallback((wanted: Partial<Ears>) => {
    localStorage.setItem(STORED, JSON.stringify({ ...inputSettings(), ...wanted }));
    for (const listener of listeners) listener();
  }, []);
  return [ears, change];
}

/** The input a take is said to be heard by, where several listen: the one that hears most. */
const MOST_FIRST: readonly Listener[] = ['microphone', 'MIDI', 'keys', 'pads'];
export const mainListener = (listens: readonly Listener[]): Listener | undefined =>
  MOST_FIRST.find((one) => listens.includes(one));

/**
 * What listens once one of it is switched on or off: a microphone hears the taps on keys and pads too, so it is
 * alone.
 */
export function listensAfter(listens: readonly Listener[], one: Listener, on: boolean): Listener[] {
  if (!on) return listens.filter((other) => other !== one);
  if (one === 'microphone') return ['microphone'];
  return [...listens.filter((other) => other !== 'microphone' && other !== one), one];
}
