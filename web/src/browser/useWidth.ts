import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** The width of an element in px, kept up to date, so that a drawing can be made at its real size. */
export function useWidth<E extends HTMLElement>(fallback: number): readonly [RefObject<E | null>, number] {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState(fallback);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const observer = new ResizeObserver(
      ([entry]) => entry && setWidth(Math.max(200, Math.round(entry.contentRect.width))),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
