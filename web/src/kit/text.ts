/** A sentence's first letter large. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** A number as it is typed, with a point or a comma; NaN where it is none. */
export function numberOf(typed: string): number {
  return Number(typed.trim().replace(',', '.').replace('−', '-'));
}
