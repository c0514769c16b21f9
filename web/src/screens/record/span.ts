import { isoOf } from '../../kit/day';
import type { Day } from '../../kit/day';

export interface Span {
  since: string;
  until: string;
}

const year = (day: Day) => Number(isoOf(day).slice(0, 4));

/** The calendar year that a day lies in. */
export function calendarYear(day: Day): Span {
  return { since: `${year(day)}-01-01`, until: `${year(day)}-12-31` };
}

/** The twelve months that end with a day. */
export function twelveMonthsTo(day: Day): Span {
  const next = day + 1;
  const iso = isoOf(next);
  const before = `${year(next) - 1}${iso.slice(4)}`;
  // A year before 29 February there is none.
  return {
    since: before.endsWith('-02-29') ? before.replace('29', '28') : before,
    until: isoOf(day),
  };
}

/** Where the sheet of some days is. */
export function spanOf({ since, until }: Span): string {
  return `?view=seasons&since=${since}&until=${until}`;
}
