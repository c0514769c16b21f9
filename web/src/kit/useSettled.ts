import { useEffect, useState } from 'react';

const REST_MS = 400;

/** A value once it has rested for a while; at once where what it is of is another. */
export function useSettled<T>(of: string, value: T): T {
  const [settled, setSettled] = useState({ of, value });
  useEffect(() => {
    if (settled.of === of && settled.value === value) return undefined;
    const timer = setTimeout(() => setSettled({ of, value }), REST_MS);
    return () => clearTimeout(timer);
  }, [of, value, settled]);
  return settled.of === of ? settled.value : value;
}
