import type { GardenChange, GardenState, Note, PartsChange, PlaceChange } from './types';

/** A garden as the pages hold it: its state, and what the last change moved. */
export type HeldGarden = GardenState & { changed: PlaceChange[] };

export function held(state: GardenState): HeldGarden {
  return { ...state, changed: [] };
}

interface Part {
  id: string;
}

/** Parts after a change, those that do not differ the very same; null when one is not all known. */
function parts<T extends Part>(before: readonly T[], change: PartsChange): T[] | null {
  const byId = new Map(before.map((part) => [part.id, part]));
  // What the server sends of a part are values of it by its own names.
  const fresh = new Map(change.changed.map((part) => [part['id'] as string, part as Partial<T>]));
  // The very same list where nothing in it differs, so that what rests on it is not asked again.
  const same =
    before.length === change.ids.length && before.every((p, i) => p.id === change.ids[i]);
  if (same && fresh.size === 0) return before as T[];
  const after: T[] = [];
  for (const id of change.ids) {
    const [was, now] = [byId.get(id), fresh.get(id)];
    if (was === undefined && now === undefined) return null;
    after.push(now === undefined ? (was as T) : ({ ...was, ...now } as T));
  }
  return after;
}

function notes(before: readonly Note[], change: readonly (number | Note)[]): Note[] | null {
  const after = change.map((note) => (typeof note === 'number' ? before[note] : note));
  return after.every((note): note is Note => note !== undefined) ? after : null;
}

/**
 * The state after a change. What does not differ is kept from before, the very same values, so
 * that only the rest is drawn again. Null when that is not all known.
 */
export function merged(before: HeldGarden, change: GardenChange): HeldGarden | null {
  const plan = {
    places: parts(before.plan.places, change.plan.places),
    plantings: parts(before.plan.plantings, change.plan.plantings),
  };
  const report = {
    places: parts(before.report.places, change.report.places),
    plantings: parts(before.report.plantings, change.report.plantings),
    notes: notes(before.report.notes, change.report.notes),
    totals: { ...before.report.totals, ...change.report.totals },
  };
  if (!plan.places || !plan.plantings) return null;
  if (!report.places || !report.plantings || !report.notes) return null;
  return {
    head: change.head,
    plan: { ...before.plan, ...change.plan.values, ...plan },
    report: { ...before.report, ...change.report.values, ...report },
    changed: change.changed,
  } as HeldGarden;
}
