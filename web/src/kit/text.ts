/** A sentence's first letter large. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** Plants in a square as typed: 4, 0.25, 1/4; NaN where it is none. */
export function perSquareOf(typed: string): number {
  const [over = '', under = '1'] = typed.split('/');
  const value = Number((numberOf(over) / numberOf(under)).toFixed(4));
  return value > 0 && value <= 100 && (value < 1 || Number.isInteger(value)) ? value : NaN;
}

/** Plants in a square as they are read: 4, or 1/4 for one plant to four squares. */
export function perSquareWords(count: number): string {
  return count >= 1 ? String(count) : `1/${Math.round(1 / count)}`;
}

/** A number as it is typed, with a point or a comma; NaN where it is none. */
export function numberOf(typed: string): number {
  return Number(typed.trim().replace(',', '.').replace('−', '-'));
}

const LIST = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** Several names as they are read out: beds, pots and tubs. */
export const and = (names: readonly string[]) => LIST.format(names);

const CHOICE = new Intl.ListFormat('en-GB', { type: 'disjunction' });

/** One of several names as they are read out: beds, pots or tubs. */
export const or = (names: readonly string[]) => CHOICE.format(names);
