import type { Extent } from '../../kit/useExtent';

export type PointM = readonly [number, number];
export type Px = readonly [number, number];

/** Yard metres to pixels: x runs right and y up, as on a map. */
export interface YardScale {
  pxPerM: number;
  left: number;
  foot: number;
  x0: number;
  y0: number;
}

export interface BoxM {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

export function boundsOf(points: readonly PointM[]): BoxM {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return { x0: Math.min(...xs), y0: Math.min(...ys), x1: Math.max(...xs), y1: Math.max(...ys) };
}

export function rectangleRing([x, y]: PointM, width: number, depth: number): [number, number][] {
  return [
    [x, y],
    [x + width, y],
    [x + width, y + depth],
    [x, y + depth],
  ];
}

/** The largest scale at which a yard and a margin round it fit the room. */
export function fitYard(yard: BoxM, room: Extent, marginM: number): YardScale {
  const width = yard.x1 - yard.x0 + 2 * marginM;
  const height = yard.y1 - yard.y0 + 2 * marginM;
  const pxPerM = Math.min(room.width / width, room.height / height);
  return {
    pxPerM,
    left: (room.width - width * pxPerM) / 2,
    foot: room.height - (room.height - height * pxPerM) / 2,
    x0: yard.x0 - marginM,
    y0: yard.y0 - marginM,
  };
}

export function toPx(scale: YardScale, [x, y]: PointM): Px {
  return [scale.left + (x - scale.x0) * scale.pxPerM, scale.foot - (y - scale.y0) * scale.pxPerM];
}

export function toYard(scale: YardScale, [px, py]: Px): PointM {
  return [scale.x0 + (px - scale.left) / scale.pxPerM, scale.y0 + (scale.foot - py) / scale.pxPerM];
}

/** The nearest whole step, without the dust of floats. [m] */
export function snapped(m: number, stepM: number): number {
  return Math.round(Math.round(m / stepM) * stepM * 10_000) / 10_000;
}
