/** Days as whole numbers, so that the drawings can reckon with them. Day 0 is 1 January 1970. */
export type Day = number;

const MS_PER_DAY = 86_400_000;
const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;

/** The months in three letters, January first. */
export const SHORT_MONTHS = MONTHS.map((month) => month.slice(0, 3));

const dayNumbers = new Map<string, Day>();

/** "2027-04-10" as a day number. A garden has few days, and drawings ask for them all the time. */
export function dayOf(iso: string): Day {
  const held = dayNumbers.get(iso);
  if (held !== undefined) return held;
  const [year = 1970, month = 1, date = 1] = iso.split('-').map(Number);
  const day = Math.round(Date.UTC(year, month - 1, date) / MS_PER_DAY);
  dayNumbers.set(iso, day);
  return day;
}

export function isoOf(day: Day): string {
  return new Date(day * MS_PER_DAY).toISOString().slice(0, 10);
}

/** The day of its month: 14. */
export function dateOf(day: Day): number {
  return new Date(day * MS_PER_DAY).getUTCDate();
}

let monthFirst = false;

/** The order in which a day and its month are said from now on. */
export function sayDaysAs(region: 'en-GB' | 'en-US'): void {
  monthFirst = region === 'en-US';
}

function inOrder(day: Day, letters?: number): string {
  const date = new Date(day * MS_PER_DAY);
  const month = (MONTHS[date.getUTCMonth()] ?? '').slice(0, letters);
  return monthFirst ? `${month} ${date.getUTCDate()}` : `${date.getUTCDate()} ${month}`;
}

/** The day in words: "14 June", or "June 14" in America. */
export function words(day: Day): string {
  return inOrder(day);
}

/** The day in few letters: "14 Jun". */
export function shortWords(day: Day): string {
  return inOrder(day, 3);
}

export function today(): Day {
  return Math.floor(Date.now() / MS_PER_DAY);
}

export interface MonthMark {
  day: Day;
  name: string;
}

/** The first of each month within a span, the span's own start included. */
export function monthsWithin(start: Day, end: Day): MonthMark[] {
  const marks: MonthMark[] = [];
  const first = new Date(start * MS_PER_DAY);
  for (let step = 0; step < 14; step += 1) {
    const day = Math.round(
      Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + step, 1) / MS_PER_DAY,
    );
    if (day > end) break;
    const name = MONTHS[(first.getUTCMonth() + step) % 12] ?? '';
    marks.push({ day: Math.max(day, start), name });
  }
  return marks;
}

export function clamp(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}
