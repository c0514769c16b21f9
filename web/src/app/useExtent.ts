import { useLayoutEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';

export interface Extent {
  width: number;
  height: number;
}

/** The size of an element, kept current. */
export function useExtent<T extends Element>(): [RefObject<T | null>, Extent] {
  const ref = useRef<T>(null);
  const [extent, setExtent] = useState<Extent>({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const measure = () => {
      const box = element.getBoundingClientRect();
      setExtent((old) =>
        old.width === box.width && old.height === box.height
          ? old
          : { width: box.width, height: box.height },
      );
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, extent];
}
