'use client';

import { useCallback, useSyncExternalStore } from 'react';
import { z } from 'zod';
import { LIMBS, type Limb } from '@/core/groove/limbs';

/** The key a limb is played by: `code` is the place on the keyboard, `label` what is printed there. */
export interface LimbKey {
  code: string;
  label: string;
}
export type KeyMap = Record<Limb, LimbKey>;

/** Feet outside, hands inside, as one sits. */
export const DEFAULT_KEYS: KeyMap = {
  'right hand': { code: 'KeyJ', label: 'J' },
  'left hand': { code: 'KeyF', label: 'F' },
  'right foot': { code: 'KeyL', label: 'L' },
  'left foot': { code: 'KeyS', label: 'S' },
};

const STORED = 'mochila keys';
const key = z.object({ code: z.string().max(40), label: z.string().max(20) });
const stored = z.object(Object.fromEntries(LIMBS.map((limb) => [limb, key])) as Record<Limb, typeof key>);

const listeners = new Set<() => void>();
let known: { text: string | null; keys: KeyMap } = { text: null, keys: DEFAULT_KEYS };

/** The keys belong to the keyboard, so they are kept in this browser and not with the person. */
function read(): KeyMap {
  const text = localStorage.getItem(STORED);
  if (text !== known.text) known = { text, keys: parsed(text) };
  return known.keys;
}

function parsed(text: string | null): KeyMap {
  try {
    return text ? stored.parse(JSON.parse(text)) : DEFAULT_KEYS;
  } catch {
    return DEFAULT_KEYS;
  }
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The keys and a way to change one. A key another limb had is given that limb's in exchange. */
export function useKeys(): [KeyMap, (limb: Limb, to: LimbKey) => void] {
  const keys = useSyncExternalStore(subscribe, read, () => DEFAULT_KEYS);
  const change = useCallback((limb: Limb, to: LimbKey) => {
    const before = read();
    const holder = LIMBS.find((other) => before[other].code === to.code);
    const next = { ...before, ...(holder && { [holder]: before[limb] }), [limb]: to };
    localStorage.setItem(STORED, JSON.stringify(next));
    for (const listener of listeners) listener();
  }, []);
  return [keys, change];
}

/** Keys that must keep their own work: Space starts and stops, Tab and Escape move about. */
const RESERVED = new Set([
  'Space',
  'Tab',
  'Escape',
  'Enter',
  'ShiftLeft',
  'ShiftRight',
  'ControlLeft',
  'ControlRight',
  'AltLeft',
  'AltRight',
  'MetaLeft',
  'MetaRight',
]);

/** The key of an event as a limb's key, or undefined when it may not be one. */
export function limbKeyOf(event: Pick<KeyboardEvent, 'code' | 'key'>): LimbKey | undefined {
  if (!event.code || RESERVED.has(event.code)) return undefined;
  return { code: event.code, label: event.key.length === 1 ? event.key.toUpperCase() : event.key };
}
