import type { GardenChange, GardenState, PlaceChange, PlantingReport } from './types';

/** A garden as the pages hold it: its state, and what the last change moved. */
export type HeldGarden = GardenState & { changed: PlaceChange[] };

export function held(state: GardenState): HeldGarden {
  return { ...state, changed: [] };
}

/** The value known before where the new one says the same, so that it is not drawn again. */
function sameOr<T>(known: T | undefined, fresh: T): T {
  return known && JSON.stringify(known) === JSON.stringify(fresh) ? known : fresh;
}

/**
 * The state after a change. What is said of unchanged places is kept from before, the very
 * same values, so that only what differs is drawn again. Null when that is not all known.
 */
export function merged(before: HeldGarden, change: GardenChange): HeldGarden | null {
  const same = new Set(change.unchanged);
  const places = new Map(
    [...before.report.places.filter((p) => same.has(p.id)), ...change.report.places].map((p) => [
      p.id,
      p,
    ]),
  );
  const was = new Map(before.report.plantings.map((p) => [p.id, p]));
  const plantings = new Map([
    ...[...was].filter(([, p]) => same.has(p.place)),
    ...change.report.plantings.map((p): [string, PlantingReport] => [
      p.id,
      sameOr(was.get(p.id), p),
    ]),
  ]);
  const inOrder = <T>(ids: readonly { id: string }[], from: Map<string, T>): T[] =>
    ids.flatMap(({ id }) => from.get(id) ?? []);
  const notes = before.report.notes.filter((n) => n.place !== null && same.has(n.place));
  const report = {
    ...change.report,
    places: inOrder(change.plan.places, places),
    plantings: inOrder(change.plan.plantings, plantings),
    notes: [...notes, ...change.report.notes],
  };
  const complete =
    report.places.length === change.plan.places.length &&
    report.plantings.length === change.plan.plantings.length;
  return complete
    ? { head: change.head, plan: change.plan, report, changed: change.changed }
    : null;
}
