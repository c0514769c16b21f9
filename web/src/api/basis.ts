/** What a question rests on, as part of its key: it is asked again only when that changed. */

const numbers = new WeakMap<object, number>();
let last = 0;

function numberOf(value: object | null | undefined): number {
  if (value === null || value === undefined) return 0;
  const number = numbers.get(value);
  if (number !== undefined) return number;
  last += 1;
  numbers.set(value, last);
  return last;
}

/** The same text for the very same values; an edit leaves those that it does not touch. */
export function basisOf(...values: readonly (object | null | undefined)[]): string {
  return values.map(numberOf).join('.');
}
