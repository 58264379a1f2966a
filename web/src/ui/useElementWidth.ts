import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** The width of an element in px, followed as it changes. */
export function useElementWidth<E extends HTMLElement>(
  initial: number,
): [RefObject<E | null>, number] {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState(initial);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const observer = new ResizeObserver(([entry]) =>
      setWidth(Math.round(entry!.contentRect.width)),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
