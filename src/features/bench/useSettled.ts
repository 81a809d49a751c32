'use client';

import { useEffect, useState } from 'react';

/** How long the hands rest before what is costly is worked out, in milliseconds. */
const REST = 200;

/** A value as it was when it last stayed the same for a moment. */
export function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(() => value), REST);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}
