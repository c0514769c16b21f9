import { contours } from 'd3-contour';

import type { SunMap } from '../../api/types';
import type { PointM } from './yardScale';

export const TONES = 8;
const HOURS_PER_TONE = 2;
const MOST_LINES = 7;

/** Ground with at least so many hours, as rings in yard metres. */
export interface Level {
  hours: number;
  rings: PointM[][];
}

/** Hours of one layer, points outside the yard filled from their nearest neighbours. */
function filled(map: SunMap, layer: number): number[] {
  const values = (map.tenths[layer] ?? []).map((tenth) => (tenth < 0 ? NaN : tenth / 10));
  let empty = values.some(Number.isNaN);
  while (empty && !values.every(Number.isNaN)) {
    const before = [...values];
    empty = false;
    values.forEach((value, at) => {
      if (!Number.isNaN(value)) return;
      const column = at % map.columns;
      const near = [
        column > 0 ? before[at - 1] : undefined,
        column < map.columns - 1 ? before[at + 1] : undefined,
        before[at - map.columns],
        before[at + map.columns],
      ].find((v) => v !== undefined && !Number.isNaN(v));
      if (near === undefined) empty = true;
      else values[at] = near;
    });
  }
  return values;
}

/** The same hours with their rim repeated outwards, so that no line is cut at a corner. */
function padded(values: readonly number[], columns: number, rows: number): number[] {
  const inside = (at: number, count: number) => Math.min(count - 1, Math.max(0, at - 1));
  return Array.from({ length: (columns + 2) * (rows + 2) }, (_, i) => {
    const [row, column] = [Math.floor(i / (columns + 2)), i % (columns + 2)];
    return values[inside(row, rows) * columns + inside(column, columns)] ?? 0;
  });
}

function levelsAt(map: SunMap, layer: number, hours: number[]): Level[] {
  const at = ([gx, gy]: readonly number[]): PointM => [
    map.x0_m + ((gx ?? 0) - 1.5) * map.step_m,
    map.y0_m + ((gy ?? 0) - 1.5) * map.step_m,
  ];
  return contours()
    .size([map.columns + 2, map.rows + 2])
    .thresholds(hours)(padded(filled(map, layer), map.columns, map.rows))
    .map((contour) => ({
      hours: contour.value,
      rings: contour.coordinates.flatMap((polygon) => polygon.map((ring) => ring.map(at))),
    }));
}

/** Tones of sun, darkest first: each covers the ground with at least its hours. */
export function toneLevels(map: SunMap, layer: number): Level[] {
  const hours = Array.from({ length: TONES - 1 }, (_, i) => (i + 1) * HOURS_PER_TONE);
  return levelsAt(map, layer, hours).filter((level) => level.rings.length > 0);
}

export function toneOf(hours: number): number {
  return Math.min(TONES - 1, Math.floor(hours / HOURS_PER_TONE));
}

/** Lines of equal sun at whole hours, few enough to be read. */
export function lineLevels(map: SunMap, layer: number): Level[] {
  const sunny = (map.tenths[layer] ?? []).filter((tenth) => tenth >= 0);
  if (sunny.length === 0) return [];
  let [low, high] = [Infinity, -Infinity];
  for (const tenth of sunny) {
    low = Math.min(low, tenth);
    high = Math.max(high, tenth);
  }
  const step = Math.max(1, Math.ceil((high - low) / 10 / MOST_LINES));
  const first = Math.floor(low / 10 / step + 1) * step;
  const hours = [];
  for (let h = first; h < high / 10; h += step) hours.push(h);
  return levelsAt(map, layer, hours);
}

/** The parts of a ring that do not run along the map's own edge. */
export function openLines(map: SunMap, ring: readonly PointM[]): PointM[][] {
  const out = map.step_m;
  const [x1, y1] = [
    map.x0_m + (map.columns - 1) * map.step_m,
    map.y0_m + (map.rows - 1) * map.step_m,
  ];
  const edge = ([x, y]: PointM) =>
    x < map.x0_m - out || y < map.y0_m - out || x > x1 + out || y > y1 + out;
  const lines: PointM[][] = [];
  let line: PointM[] = [];
  ring.forEach((point, i) => {
    const next = ring[i + 1];
    line.push(point);
    if (!next || (edge(point) && edge(next))) {
      if (line.length > 1) lines.push(line);
      line = [];
    }
  });
  return lines;
}
