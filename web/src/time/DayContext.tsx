import { createContext, useContext, useMemo, useState } from 'react';
import type { ReactNode } from 'react';

import type { YearReport } from '../api/types';
import { clamp, dayOf, today } from './day';
import type { Day } from './day';

/** The one day that runs through every drawing and figure. */
interface HeldDay {
  day: Day;
  start: Day;
  end: Day;
  setDay: (day: Day) => void;
}

const Context = createContext<HeldDay | null>(null);
const SETTLED_DAYS = 50;

export function useDay(): HeldDay {
  const held = useContext(Context);
  if (!held) throw new Error('useDay outside DayProvider');
  return held;
}

/** Today where the year holds it, else a day when most beds are full. */
function firstDay(year: YearReport): Day {
  const [start, end, now] = [dayOf(year.start), dayOf(year.end), today()];
  return now >= start && now <= end
    ? now
    : clamp(dayOf(year.last_frost) + SETTLED_DAYS, start, end);
}

export function DayProvider({ year, children }: { year: YearReport; children: ReactNode }) {
  const [chosen, setChosen] = useState<Day | null>(null);
  const value = useMemo<HeldDay>(() => {
    const [start, end] = [dayOf(year.start), dayOf(year.end)];
    return {
      start,
      end,
      day: clamp(chosen ?? firstDay(year), start, end),
      setDay: (day) => setChosen(clamp(day, start, end)),
    };
  }, [chosen, year]);
  return <Context value={value}>{children}</Context>;
}
