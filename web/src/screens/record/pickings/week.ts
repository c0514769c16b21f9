import type { CropTape, TapeWeek } from '../../../api/types';
import type { Units } from '../../../kit/units';

/** The week of a strip that a day lies in; undefined where nothing falls in it. */
export function weekOf(strip: CropTape, day: string): TapeWeek | undefined {
  return strip.weeks.findLast(({ week }) => week <= day && daysBetween(week, day) < 7);
}

function daysBetween(from: string, to: string): number {
  return (Date.parse(to) - Date.parse(from)) / 86_400_000;
}

/** "0.2–0.6 kg", or that nothing was estimated. */
export function estimated({ estimated_kg: { p10, p90 } }: TapeWeek, units: Units): string {
  if (p90 <= 0) return '';
  return `${units.weight(p10)}–${units.weight(p90)} ${units.weightUnit}`;
}
