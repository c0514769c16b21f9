import type { IdleSpell, PlaceReport, PlantingReport, RestSpell } from '../api/types';
import { dayOf } from '../kit/day';

/** Squares that stand free from a day on. */
export interface Gap {
  place: string;
  cells: readonly string[];
  since: string;
}

/** What a lane is made of: ground that is taken from one day to another. */
export interface Standing {
  id: string;
  cells: readonly string[];
  start_date: string;
  clear_date: string | null;
  between?: string | null | undefined;
}

/** Plantings that share ground share a lane, so that follow-ons and collisions are seen as shapes. */
export interface Lane<P extends Standing = PlantingReport> {
  cells: Set<string>;
  plantings: P[];
}

function shared(lane: Lane<Standing>, planting: Standing): number {
  return planting.cells.filter((cell) => lane.cells.has(cell)).length;
}

/** Whether two plantings stand at the same time in squares that they do not share. */
function besideEachOther(one: Standing, other: Standing): boolean {
  const apart = clearOf(one) <= dayOf(other.start_date) || clearOf(other) <= dayOf(one.start_date);
  return !apart && !one.cells.some((cell) => other.cells.includes(cell));
}

function clearOf(planting: Standing): number {
  return dayOf(planting.clear_date ?? planting.start_date);
}

/** The best lane for a planting among those that are there, else a new one. */
function join<P extends Standing>(lanes: Lane<P>[], planting: P): void {
  let best: Lane<P> | null = null;
  for (const lane of lanes) {
    if (lane.plantings.some((other) => besideEachOther(planting, other))) continue;
    if (shared(lane, planting) > (best ? shared(best, planting) : 0)) best = lane;
  }
  if (best) {
    best.plantings.push(planting);
    for (const cell of planting.cells) best.cells.add(cell);
  } else {
    lanes.push({ cells: new Set(planting.cells), plantings: [planting] });
  }
}

/** Lanes of plantings; ground that stands idle and grows nothing at all has one of its own. */
export function lanesOf<P extends Standing>(
  plantings: readonly P[],
  idle: readonly Pick<IdleSpell, 'cells'>[] = [],
): Lane<P>[] {
  const lanes: Lane<P>[] = [];
  const ordered = [...plantings].sort(
    (a, b) => dayOf(a.start_date) - dayOf(b.start_date) || a.id.localeCompare(b.id),
  );
  for (const planting of ordered.filter((p) => !p.between)) join(lanes, planting);
  // What stands between the plants of another is drawn beneath it, not over it.
  for (const planting of ordered.filter((p) => p.between)) {
    const under = lanes.findIndex((lane) => lane.plantings.some((p) => p.id === planting.between));
    lanes.splice(under + 1, 0, { cells: new Set(planting.cells), plantings: [planting] });
  }
  for (const spell of idle) {
    if (!laneOfSpell(lanes, spell.cells))
      lanes.push({ cells: new Set(spell.cells), plantings: [] });
  }
  return lanes;
}

/** A lane with the spells in which its ground stands idle or rests. */
export interface Strip {
  lane: Lane;
  idle: readonly IdleSpell[];
  rests: readonly RestSpell[];
}

/** The lanes of a place, each with what of the place's free ground is drawn in it. */
export function stripsOf(
  plantings: readonly PlantingReport[],
  place: Pick<PlaceReport, 'idle' | 'rests'>,
): Strip[] {
  const lanes = lanesOf(plantings, [...place.idle, ...place.rests]);
  return lanes.map((lane) => ({
    lane,
    idle: place.idle.filter((spell) => laneOfSpell(lanes, spell.cells) === lane),
    rests: place.rests.filter((rest) => laneOfSpell(lanes, rest.cells) === lane),
  }));
}

/** The lane that an idle spell is drawn in: the one whose ground it covers most of. */
export function laneOfSpell<P extends Standing>(
  lanes: readonly Lane<P>[],
  cells: readonly string[],
): Lane<P> | undefined {
  const covered = (lane: Lane<P>) =>
    cells.filter((cell) => lane.cells.has(cell)).length / lane.cells.size;
  const best = lanes.reduce<Lane<P> | undefined>(
    (best, lane) => (covered(lane) > (best ? covered(best) : 0) ? lane : best),
    undefined,
  );
  return best;
}
