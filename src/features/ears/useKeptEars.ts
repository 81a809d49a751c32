import { useEffect } from 'react';
import { deviceNamed } from '@/core/format/deviceNamed';
import { FIRST_EARS, type Ears } from '@/core/documents/ears';
import { keepEarsAction } from './actions';

const STORED = 'mochila device';
/** What is set one after the other is kept at once. */
const WAIT_MS = 1500;

/** By which this browser is known to its person's other sessions; a fresh one where nothing is stored. */
export function deviceHere(): string {
  const stored = localStorage.getItem(STORED);
  if (stored) return stored;
  const id = crypto.randomUUID();
  localStorage.setItem(STORED, id);
  return id;
}

/** Whether a device has learnt anything that would have to be learnt again elsewhere. */
export const hasLearnt = ({ delays, midi, microphone }: Ears): boolean =>
  Object.keys(delays).length > 0 || midi !== undefined || microphone !== undefined;

/** Keeps with the person what this device learns, so that another session finds it. */
export function useKeptEars(ears: Ears, kept: Ears | undefined): void {
  useEffect(() => {
    if (ears === FIRST_EARS || !hasLearnt(ears) || JSON.stringify(ears) === JSON.stringify(kept)) return;
    const timer = setTimeout(() => {
      // Where it does not work it stays on this device, and is tried with the next change.
      keepEarsAction({ id: deviceHere(), name: deviceNamed(navigator.userAgent) }, ears).catch(() => {});
    }, WAIT_MS);
    return () => clearTimeout(timer);
  }, [ears, kept]);
}
