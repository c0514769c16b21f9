import type { HeldGarden } from '../api/merge';
import type { PlantingReport } from '../api/types';

/** A planting as it is told in a record: its name and where it grows. */
export function namedIn(state: HeldGarden, planting: PlantingReport): string {
  const place = state.plan.places.find((p) => p.id === planting.place);
  return `${planting.name}, ${place?.name ?? planting.place}`;
}

/** A picking's line as far as its planting says it: the weight is all that is left to type. */
export function lineBegun(state: HeldGarden, planting: PlantingReport): string {
  return `${namedIn(state, planting).replace(',', '')} ${planting.cells[0] ?? ''} `;
}

/** Where a planting's picking is weighed; nowhere once it is gone. */
export function weighingAt(state: HeldGarden, planting: string | null): string | null {
  const report = state.report.plantings.find((each) => each.id === planting);
  if (!report) return null;
  const line = encodeURIComponent(lineBegun(state, report));
  return `/gardens/${state.head.slug}/record?line=${line}`;
}

/** Where a verdict on something is typed: the crop, the bed or the support is named already. */
export function verdictAt(slug: string, ...names: readonly string[]): string {
  const line = encodeURIComponent(`verdict ${names.join(' ')} `);
  return `/gardens/${slug}/record?line=${line}`;
}
