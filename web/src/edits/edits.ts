import type { Edit, Place, Plan, Planting, PlantingReport, ShelfEntry } from '../api/types';
import { dayOf, isoOf } from '../kit/day';
import type { Day } from '../kit/day';
import type { Gap } from '../drawing/lanes';
import type { Gesture } from '../drawing/gesture';
import type { PointCm } from '../drawing/scale';

/** Edits that the bed sheet makes, as plain values. */

export function nextId(taken: readonly string[], prefix: string): string {
  const used = new Set(taken);
  let number = taken.length + 1;
  while (used.has(`${prefix}${number}`)) number += 1;
  return `${prefix}${number}`;
}

export function plantEdit(plan: Plan, place: string, entry: ShelfEntry, day: Day): Edit {
  const planting: Record<string, unknown> = {
    id: nextId(
      plan.plantings.map((p) => p.id),
      'p',
    ),
    place,
    crop: entry.crop,
    cells: entry.cells,
    start: entry.start,
    start_date: isoOf(day),
  };
  if (entry.support) planting.support = entry.support;
  if (entry.clear_by) planting.clear_date = entry.clear_by;
  return { do: 'plant', planting };
}

type Pair = readonly [number, number];

/** A plant dragged to its own spot, or to the spot laid near it; nothing where it was only pressed. */
export function spotEdit(
  plantings: readonly PlantingReport[],
  { planting, plant, at }: { planting: string; plant: number; at: PointCm | null },
  laid: readonly Pair[] = [],
): Edit | null {
  const report = plantings.find((p) => p.id === planting);
  if (!report || !at) return null;
  const others = report.positions_cm.filter((_, i) => i !== plant);
  return {
    do: 'change-planting',
    id: planting,
    changes: spotChanges(report.positions_cm, plant, snapped(at, laid, others)),
  };
}

const SNAPS_WITHIN_CM = 12;

/** Where a plant let go of is set: at the spot laid near it, where there is one that is free. */
function snapped(at: PointCm, spots: readonly Pair[], others: readonly Pair[]): PointCm {
  const away = (a: Pair, b: Pair) => Math.hypot(a[0] - b[0], a[1] - b[1]);
  const near = spots
    .filter((spot) => away(spot, at) <= SNAPS_WITHIN_CM)
    .filter((spot) => !others.some((other) => away(other, spot) < 1))
    .toSorted((a, b) => away(a, at) - away(b, at))[0];
  return near ? [near[0], near[1]] : at;
}

/** All plants where they are, but one at another spot. */
export function spotChanges(
  spots: readonly (readonly number[])[],
  index: number,
  to: readonly [number, number],
): Record<string, unknown> {
  const rounded = to.map((cm) => Math.round(cm * 10) / 10);
  return { spots_cm: spots.map((spot, i) => (i === index ? rounded : [...spot])), plants: null };
}

/** A planting again in every other pot of its group that has nothing at that time. */
export function alikeEdit(plan: Plan, place: Place, planting: Planting): Edit | null {
  const free = plan.places.filter(
    (other) =>
      place.group &&
      other.group === place.group &&
      other.id !== place.id &&
      !plan.plantings.some((p) => p.place === other.id && p.start_date === planting.start_date),
  );
  const taken = plan.plantings.map((p) => p.id);
  const edits = free.map((other): Edit => {
    const id = nextId(taken, 'p');
    taken.push(id);
    const again = { ...planting, id, place: other.id, follows: null, between: null };
    const given = Object.fromEntries(Object.entries(again).filter(([, value]) => value !== null));
    return { do: 'plant', planting: given };
  });
  return edits.length > 0 ? { do: 'together', edits } : null;
}

type LineMove = Extract<Gesture, { kind: 'movingLine' }>;

/** A line while it is dragged: one of its ends, or the whole of it, which stops at the edge of the
 * outline: no hand pulls a line across a bed without drifting along it. */
export function movedLine(
  support: string,
  line: readonly (readonly [number, number])[],
  gesture: Gesture,
  outline: readonly (readonly number[])[],
): (readonly [number, number])[] {
  if (gesture.kind !== 'movingLine' || gesture.support !== support || !gesture.at) return [...line];
  const moves = (index: number) => gesture.end === null || gesture.end === index;
  const by = ([0, 1] as const).map((axis) => {
    const pulled = (gesture.at?.[axis] ?? 0) - gesture.from[axis];
    const at = line.filter((_, index) => moves(index)).map((point) => point[axis]);
    const edge = outline.map((point) => point[axis] ?? 0);
    return within(pulled, Math.min(...edge) - Math.min(...at), Math.max(...edge) - Math.max(...at));
  });
  return line.map(([x, y], index) =>
    moves(index) ? [Math.round(x + (by[0] ?? 0)), Math.round(y + (by[1] ?? 0))] : [x, y],
  );
}

/** A figure held between two others; where they leave no room, it is nought. */
function within(value: number, least: number, most: number): number {
  return least > most ? 0 : Math.min(most, Math.max(least, value));
}

/** A support's line dragged elsewhere; nothing where it was only pressed. */
export function lineEdit(
  place: Place,
  move: LineMove,
  outline: readonly (readonly number[])[],
): Edit | null {
  if (!move.at) return null;
  const supports = place.supports.map((support) =>
    support.id === move.support && support.line_cm
      ? { ...support, line_cm: movedLine(support.id, support.line_cm, move, outline) }
      : support,
  );
  return { do: 'change-place', id: place.id, changes: { supports } };
}

/** A support taken away; what leans on it stands on its own from then on. */
export function withoutSupport(plan: Plan, place: Place, support: string): Edit {
  const freed = plan.plantings
    .filter((planting) => planting.place === place.id && planting.support === support)
    .map((planting): Edit => {
      const changes = { support: null, run_cm: null, sides: null };
      return { do: 'change-planting', id: planting.id, changes };
    });
  const supports = place.supports.filter((one) => one.id !== support);
  return {
    do: 'together',
    edits: [...freed, { do: 'change-place', id: place.id, changes: { supports } }],
  };
}

/** Keep squares free of crops, for a post, a seat or a later project. */
export function holdEdit(place: Place, cells: readonly string[], reason: string): Edit {
  const words = reason.trim();
  const part = words ? { cells: [...cells], reason: words } : { cells: [...cells] };
  return { do: 'change-place', id: place.id, changes: { held: [...place.held, part] } };
}

/** Leave squares without a crop on purpose for a while, and say why. */
export function restEdit(plan: Plan, gap: Gap, until: string, reason: string): Edit {
  const before = plan.places.find((place) => place.id === gap.place)?.rests ?? [];
  const rest = { cells: [...gap.cells], since: gap.since, until, reason };
  return { do: 'change-place', id: gap.place, changes: { rests: [...before, rest] } };
}

/** Give held squares back to the crops. */
export function freeEdit(place: Place, index: number): Edit {
  const held = place.held.filter((_, i) => i !== index);
  return { do: 'change-place', id: place.id, changes: { held } };
}

/** Take some cells from whatever stands there on the day; a planting left without any goes. */
export function clearEdit(
  cells: readonly string[],
  standing: readonly PlantingReport[],
): Edit | null {
  const edits = standing.flatMap((planting): Edit[] => {
    const left = planting.cells.filter((cell) => !cells.includes(cell));
    if (left.length === planting.cells.length) return [];
    return left.length === 0
      ? [{ do: 'remove-planting', id: planting.id }]
      : [{ do: 'change-planting', id: planting.id, changes: { cells: left, run_cm: null } }];
  });
  const [only] = edits;
  if (!only) return null;
  return edits.length === 1 ? only : { do: 'together', edits };
}

/** The move of a wedge that was dragged by so many days; null where nothing moves. */
export function draggedEdit(
  plan: Plan,
  plantings: readonly PlantingReport[],
  ident: string,
  byDays: number,
): Edit | null {
  const report = plantings.find((p) => p.id === ident);
  const inPlan = plan.plantings.find((p) => p.id === ident);
  if (!report || !inPlan || byDays === 0) return null;
  const clear = report.clear_date ? dayOf(report.clear_date) : null;
  return moveEdit(inPlan, dayOf(report.start_date), clear, byDays);
}

/** Move a planting in time: both of its own dates, by so many days. */
export function moveEdit(
  planting: Planting,
  startDay: Day,
  clearDay: Day | null,
  byDays: number,
): Edit {
  const changes: Record<string, unknown> = { start_date: isoOf(startDay + byDays) };
  if (planting.clear_date && clearDay !== null) changes.clear_date = isoOf(clearDay + byDays);
  return { do: 'change-planting', id: planting.id, changes };
}
