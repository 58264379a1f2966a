import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** Width and height of an element in px, followed as they change. */
export function useElementSize<E extends HTMLElement>(initial: Size): [RefObject<E | null>, Size] {
  const ref = useRef<E>(null);
  const [size, setSize] = useState(initial);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setSize({ width: Math.round(width), height: Math.round(height) });
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, size];
}
