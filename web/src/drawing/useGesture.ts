import { useCallback, useState } from 'react';

import type { Report } from '../api/types';
import { IDLE, next } from './gesture';
import type { Gesture, Input } from './gesture';

/** The gesture under way; a wedge that was let go rests where it is until its figures are there. */
export function useGesture(report: Report): readonly [Gesture, (input: Input) => void] {
  const [gesture, setGesture] = useState<Gesture>(IDLE);
  const [seen, setSeen] = useState(report);
  const send = useCallback((input: Input) => setGesture((now) => next(now, input)), []);
  if (report !== seen) {
    setSeen(report);
    send({ kind: 'settled' });
  }
  return [gesture, send];
}
