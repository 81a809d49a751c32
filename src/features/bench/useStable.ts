'use client';

import { useLayoutEffect, useState } from 'react';

type Functions = Record<string, (...given: never[]) => unknown>;

/** Functions that stay the same and do what the latest of their name do. */
class Stable<T extends Functions> {
  readonly functions: T;

  constructor(private latest: T) {
    const entries = Object.keys(latest).map((name) => [name, (...given: never[]) => this.latest[name]!(...given)]);
    this.functions = Object.fromEntries(entries) as T;
  }

  become(latest: T): void {
    this.latest = latest;
  }
}

/**
 * The same functions for as long as the component lives, each doing what the latest of its name does. What
 * is given to a memoised part of the screen then never draws it anew.
 */
export function useStable<T extends Functions>(functions: T): T {
  const [stable] = useState(() => new Stable(functions));
  useLayoutEffect(() => stable.become(functions));
  return stable.functions;
}
