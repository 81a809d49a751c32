'use client';

import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

interface Size {
  width: number;
  height: number;
}

/** The size of an element in pixels, undefined until it is laid out; a new one comes of its height only where asked. */
export function useSize<E extends HTMLElement>(ofHeight: boolean): [RefObject<E | null>, Size | undefined] {
  const ref = useRef<E>(null);
  const [size, setSize] = useState<Size>();
  useLayoutEffect(() => {
    const element = ref.current!;
    const measure = () => {
      const { clientWidth: width, clientHeight: height } = element;
      setSize((last) => (last?.width === width && (!ofHeight || last.height === height) ? last : { width, height }));
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, [ofHeight]);
  return [ref, size];
}

/** The width of an element in pixels, undefined until it is laid out. */
export function useWidth<E extends HTMLElement>(): [RefObject<E | null>, number | undefined] {
  const [ref, size] = useSize<E>(false);
  return [ref, size?.width];
}
