import type { Units } from '../../kit/units';
import { readLength } from '../../kit/units';

/** A typed length in metres, or what is wrong with it. */
export function readMetres(
  typed: string,
  units: Units,
  least: number,
): { m: number; fault: string | undefined } {
  const minus = typed.trim().startsWith('-') || typed.trim().startsWith('−');
  const cm = readLength(typed.trim().replace(/^[-−]/, ''), units.system);
  const m = ((cm ?? 0) / 100) * (minus ? -1 : 1);
  if (cm === null || m < least) {
    const example = units.system === 'imperial' ? `4', 3'6" or 42in` : '120, 1.2m or 45cm';
    const bound = least > 0 ? ` of at least ${units.length(least * 100)}` : '';
    return { m: 0, fault: `Enter a length${bound}, such as ${example}.` };
  }
  return { m: Math.round(m * 10_000) / 10_000, fault: undefined };
}

export function metresField(m: number | null | undefined, units: Units): string {
  return m === null || m === undefined ? '' : units.toField(m * 100);
}
