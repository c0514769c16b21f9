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
      // Inside the border, so that a drawing of this size is drawn at its own scale.
      const { clientWidth: width, clientHeight: height } = element;
      setExtent((old) => (old.width === width && old.height === height ? old : { width, height }));
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, extent];
}
