import { createContext, useContext, useMemo, useState } from 'react';
import type { ReactNode } from 'react';

import type { YearReport } from '../api/types';
import { clamp, dayOf, today } from '../kit/day';
import type { Day } from '../kit/day';

/** The one day that runs through every drawing and figure, and the stretch of days in view. */
interface HeldDay {
  day: Day;
  start: Day;
  end: Day;
  setDay: (day: Day) => void;
  /** So many days on or back from wherever the day is by then: no quick press is lost. */
  moveDay: (by: number) => void;
  span: Span;
  setSpan: (span: Span) => void;
}

/** How much of the year is looked at: all of it, or a stretch of so many days about the day. */
export type Span = keyof typeof SPAN_DAYS;

const SPAN_DAYS = { year: null, quarter: 91, month: 35, fortnight: 14 } as const;

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

/** The stretch that holds the day: it stands still until the day leaves it. */
function inView(day: Day, first: Day, last: Day, days: number | null): { start: Day; end: Day } {
  if (days === null) return { start: first, end: last };
  const start = first + Math.floor((day - first) / days) * days;
  return { start, end: start + days };
}

export function DayProvider({ year, children }: { year: YearReport; children: ReactNode }) {
  const [chosen, setChosen] = useState<Day | null>(null);
  const [span, setSpan] = useState<Span>('year');
  const value = useMemo<HeldDay>(() => {
    const [first, last] = [dayOf(year.start), dayOf(year.end)];
    const day = clamp(chosen ?? firstDay(year), first, last);
    return {
      ...inView(day, first, last, SPAN_DAYS[span]),
      day,
      setDay: (to) => setChosen(clamp(to, first, last)),
      moveDay: (by) =>
        setChosen((now) => {
          const from = clamp(now ?? firstDay(year), first, last);
          return clamp(from + by, first, last);
        }),
      span,
      setSpan,
    };
  }, [chosen, span, year]);
  return <Context value={value}>{children}</Context>;
}
