import type { PointPx } from './scale';

/** A number between 0 and 1 that is always the same for the same seed. */
export function steady(seed: number): number {
  const wave = Math.sin(seed * 12.9898 + 78.233) * 43758.5453;
  return wave - Math.floor(wave);
}

const LOBES = 9;

/** A soft closed outline about a point: a plant from above, a little uneven, always the same. */
export function softOutline([cx, cy]: PointPx, radius: number, seed: number): string {
  if (radius < 3) return circlePath([cx, cy], radius);
  const points: PointPx[] = [];
  for (let i = 0; i < LOBES; i += 1) {
    const turn = (i / LOBES) * 2 * Math.PI + steady(seed) * 6;
    const reach = radius * (0.93 + 0.1 * steady(seed * 31 + i));
    points.push([cx + reach * Math.cos(turn), cy + reach * Math.sin(turn)]);
  }
  return closedCurve(points);
}

function circlePath([cx, cy]: PointPx, r: number): string {
  const x = round(cx - r);
  return `M${x} ${round(cy)}a${round(r)} ${round(r)} 0 1 0 ${round(2 * r)} 0a${round(r)} ${round(r)} 0 1 0 ${round(-2 * r)} 0z`;
}

/** A smooth closed curve through points: quadratic pieces that meet half-way between them. */
export function closedCurve(points: readonly PointPx[]): string {
  const at = (i: number): PointPx => points[(i + points.length) % points.length] ?? [0, 0];
  const middle = (a: PointPx, b: PointPx): PointPx => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const start = middle(at(-1), at(0));
  const pieces = points.map((point, i) => {
    const end = middle(point, at(i + 1));
    return `Q${round(point[0])} ${round(point[1])} ${round(end[0])} ${round(end[1])}`;
  });
  return `M${round(start[0])} ${round(start[1])}${pieces.join('')}z`;
}

/** The convex outline round some points (Andrew 1979). */
export function hull(points: readonly PointPx[]): PointPx[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (along: readonly PointPx[]): PointPx[] => {
    const ring: PointPx[] = [];
    for (const point of along) {
      while (ring.length > 1 && turn(ring.at(-2), ring.at(-1), point) <= 0) ring.pop();
      ring.push(point);
    }
    return ring.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.reverse())];
}

function turn(a: PointPx = [0, 0], b: PointPx = [0, 0], c: PointPx = [0, 0]): number {
  return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
}

export function polygonPath(points: readonly PointPx[]): string {
  return `M${points.map(([x, y]) => `${round(x)} ${round(y)}`).join('L')}z`;
}

export function round(value: number): number {
  return Math.round(value * 10) / 10;
}
