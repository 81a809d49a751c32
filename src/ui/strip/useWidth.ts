'use client';

import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** The width of an element in pixels, undefined until it is laid out. */
export function useWidth<E extends HTMLElement>(): [RefObject<E | null>, number | undefined] {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState<number>();
  useLayoutEffect(() => {
    const element = ref.current!;
    const measure = () => setWidth(element.clientWidth);
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
