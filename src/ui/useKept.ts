'use client';

import { useCallback, useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    removeEventListener('storage', listener);
  };
}

/** A setting of this browser, kept under a name; the fallback where nothing of its kind is kept. */
export function useKept<T extends string | number | boolean>(name: string, fallback: T): [T, (value: T) => void] {
  const read = useCallback((): T => {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(name) ?? 'null');
      return typeof kept === typeof fallback ? (kept as T) : fallback;
    } catch {
      return fallback;
    }
  }, [name, fallback]);
  const value = useSyncExternalStore(subscribe, read, () => fallback);
  const keep = useCallback(
    (next: T) => {
      try {
        localStorage.setItem(name, JSON.stringify(next));
      } catch {
        // A browser that keeps nothing goes on with the fallback.
      }
      for (const listener of listeners) listener();
    },
    [name],
  );
  return [value, keep];
}
