import { useCallback, useEffect, useRef, useState } from 'react';

import type { ProblemError } from '../../api/client';
import type { OfferedPlan } from '../../api/types';
import { fillOn } from './filling';
import type { Asked } from './filling';

export interface Filling {
  /** The best plan so far; null before the first and after a cancel. */
  best: OfferedPlan | null;
  running: boolean;
  trouble: ProblemError | null;
  fill: (asked: Asked) => void;
  /** Look for no better plan; the best so far stays. */
  stop: () => void;
  /** Stop, and forget what was found. */
  forget: () => void;
}

/** Filling a garden while one looks: each better plan as it comes. */
export function useFill(slug: string): Filling {
  const [best, setBest] = useState<OfferedPlan | null>(null);
  const [running, setRunning] = useState(false);
  const [trouble, setTrouble] = useState<ProblemError | null>(null);
  const work = useRef<AbortController | null>(null);

  const stop = useCallback(() => {
    work.current?.abort();
    work.current = null;
    setRunning(false);
  }, []);
  useEffect(() => stop, [stop, slug]);

  const forget = useCallback(() => {
    stop();
    setBest(null);
    setTrouble(null);
  }, [stop]);

  const fill = useCallback(
    (asked: Asked) => {
      forget();
      const mine = new AbortController();
      work.current = mine;
      setRunning(true);
      void fillOn(slug, asked, mine.signal, setBest).then((why) => {
        if (mine.signal.aborted) return;
        setTrouble(why);
        stop();
      });
    },
    [slug, forget, stop],
  );
  return { best, running, trouble, fill, stop, forget };
}
