import type { PlaceReport, PlantingReport } from '../api/types';
import { standsOn } from './growth';
import type { Day } from '../kit/day';

/** Columns run along x (down the page), rows along y (to the right). */
export interface Spot {
  column: number;
  row: number;
}

export function spotOf(address: string): Spot {
  const letters = address.replace(/\d+$/, '');
  let column = 0;
  for (const letter of letters) column = column * 26 + letter.charCodeAt(0) - 64;
  return { column: column - 1, row: Number(address.slice(letters.length)) - 1 };
}

export function addressOf({ column, row }: Spot): string {
  let name = '';
  for (let left = column + 1; left > 0; left = Math.floor((left - 1) / 26)) {
    name = String.fromCharCode(65 + ((left - 1) % 26)) + name;
  }
  return `${name}${row + 1}`;
}

export interface CellBox {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

/** A cell's square in the place's frame, cut to its bounding box. [cm] */
export function boxOf(place: PlaceReport, { column, row }: Spot): CellBox {
  const [x0, y0, x1, y1] = place.bounds_cm;
  const [xPitch, yPitch] = place.pitch_cm;
  const left = x0 + column * xPitch;
  const top = y0 + row * yPitch;
  return {
    x0: left,
    y0: top,
    x1: Math.min(left + xPitch, x1),
    y1: Math.min(top + yPitch, y1),
  };
}

export function gridSize(place: PlaceReport): { columns: number; rows: number } {
  const spots = place.cells.map((cell) => spotOf(cell.address));
  return {
    columns: Math.max(...spots.map((s) => s.column)) + 1,
    rows: Math.max(...spots.map((s) => s.row)) + 1,
  };
}

export function freeAddresses(place: PlaceReport): Set<string> {
  return new Set(place.cells.filter((cell) => !cell.held).map((cell) => cell.address));
}

const MOST_STRETCH = 0.05;

/** Whether a fitted grid would leave less of a strip than the squares as they are. */
export function gridWouldFit(place: PlaceReport): boolean {
  const [x0, y0, x1, y1] = place.bounds_cm;
  const sides = [
    [x1 - x0, place.pitch_cm[0]],
    [y1 - y0, place.pitch_cm[1]],
  ] as const;
  return sides.some(([extent, side]) => {
    const stretch = extent / Math.max(1, Math.round(extent / side)) / side - 1;
    return Math.abs(stretch) > 1e-4 && Math.abs(stretch) <= MOST_STRETCH;
  });
}

const ONE_GROUND_M2 = 2 * 0.09;

/** Whether a pot or trough is too small for squares: it is one ground to press. */
export function isOneGround(place: PlaceReport): boolean {
  return place.inside_area_m2 < ONE_GROUND_M2;
}

/** The cells of the rectangle between two spots that can be planted. */
export function rectangle(place: PlaceReport, from: Spot, to: Spot): string[] {
  const usable = freeAddresses(place);
  if (isOneGround(place)) return [...usable];
  const cells: string[] = [];
  const [c0, c1] = [Math.min(from.column, to.column), Math.max(from.column, to.column)];
  const [r0, r1] = [Math.min(from.row, to.row), Math.max(from.row, to.row)];
  for (let column = c0; column <= c1; column += 1) {
    for (let row = r0; row <= r1; row += 1) {
      const address = addressOf({ column, row });
      if (usable.has(address)) cells.push(address);
    }
  }
  return cells;
}

const NARROW_SHARE = 0.5;

/** Parts of squares narrower than half a square that lie beside some chosen squares. */
export function stripBeside(place: PlaceReport, chosen: readonly string[]): string[] {
  const set = new Set(chosen);
  const usable = freeAddresses(place);
  const [xPitch, yPitch] = place.pitch_cm;
  const beside = chosen.flatMap((address) => {
    const { column, row } = spotOf(address);
    return [
      { column: column + 1, row },
      { column, row: row + 1 },
    ].filter((spot) => {
      const box = boxOf(place, spot);
      const narrow =
        box.x1 - box.x0 < NARROW_SHARE * xPitch || box.y1 - box.y0 < NARROW_SHARE * yPitch;
      return narrow && usable.has(addressOf(spot)) && !set.has(addressOf(spot));
    });
  });
  return [...new Set(beside.map(addressOf))];
}

/** Chosen squares with some more, or without them where all of those were chosen already. */
export function withMore(chosen: readonly string[], more: readonly string[]): string[] {
  const had = new Set(chosen);
  if (more.every((cell) => had.has(cell))) return chosen.filter((cell) => !more.includes(cell));
  return [...chosen, ...more.filter((cell) => !had.has(cell))];
}

/** Of some squares those at their border. */
export function borderOf(chosen: readonly string[]): string[] {
  const set = new Set(chosen);
  return chosen.filter((cell) => {
    const { column, row } = spotOf(cell);
    const near = [
      { column: column - 1, row },
      { column: column + 1, row },
      { column, row: row - 1 },
      { column, row: row + 1 },
    ];
    return near.some((spot) => spot.column < 0 || spot.row < 0 || !set.has(addressOf(spot)));
  });
}

/** Of some squares every other one, as on a board for draughts. */
export function everyOther(chosen: readonly string[]): string[] {
  const first = chosen[0] ? spotOf(chosen[0]) : { column: 0, row: 0 };
  return chosen.filter((cell) => {
    const { column, row } = spotOf(cell);
    return (column + row - first.column - first.row) % 2 === 0;
  });
}

/** What stands in a cell on a day. */
export function plantingAt(
  plantings: readonly PlantingReport[],
  address: string,
  day: Day,
): PlantingReport | undefined {
  return plantings.find((p) => p.cells.includes(address) && standsOn(p, day));
}

/** The outline of a set of cells as separate sides, shared sides left out. [cm] */
export function sidesOf(place: PlaceReport, addresses: readonly string[]): CellBox[] {
  const set = new Set(addresses);
  const sides: CellBox[] = [];
  for (const address of addresses) {
    const { column, row } = spotOf(address);
    const box = boxOf(place, { column, row });
    const has = (c: number, r: number) =>
      c >= 0 && r >= 0 && set.has(addressOf({ column: c, row: r }));
    if (!has(column - 1, row)) sides.push({ ...box, x1: box.x0 });
    if (!has(column + 1, row)) sides.push({ ...box, x0: box.x1 });
    if (!has(column, row - 1)) sides.push({ ...box, y1: box.y0 });
    if (!has(column, row + 1)) sides.push({ ...box, y0: box.y1 });
  }
  return sides;
}
