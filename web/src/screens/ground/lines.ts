import type { PointM } from './yardScale';

/** What runs straight from one point of the yard to another, so thick. */
export interface Line {
  ends: readonly [PointM, PointM];
  thick_m: number;
}

const SLIM = 1.5;
const ALIKE_M = 0.0005;

/** The line that a ring of four corners is drawn along; null where it is no longer than thick. */
export function lineOf(ring: readonly PointM[]): Line | null {
  const [a, b, c, d] = ring;
  if (!a || !b || !c || !d || ring.length !== 4) return null;
  const [along, across] = [
    Math.hypot(b[0] - a[0], b[1] - a[1]),
    Math.hypot(c[0] - b[0], c[1] - b[1]),
  ];
  if (Math.max(along, across) < SLIM * Math.min(along, across)) return null;
  const ends: [PointM, PointM] =
    along >= across ? [middle(a, d), middle(b, c)] : [middle(a, b), middle(c, d)];
  const [first, last] = ends;
  const rightward = first[0] < last[0] || (first[0] === last[0] && first[1] <= last[1]);
  return { ends: rightward ? ends : [last, first], thick_m: round(Math.min(along, across)) };
}

/** The corners of a line, half of its thickness on either side. */
export function ringAlong({ ends: [a, b], thick_m }: Line): [number, number][] {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const [nx, ny] = [
    (-(b[1] - a[1]) / length) * (thick_m / 2),
    ((b[0] - a[0]) / length) * (thick_m / 2),
  ];
  return (
    [
      [a[0] - nx, a[1] - ny],
      [b[0] - nx, b[1] - ny],
      [b[0] + nx, b[1] + ny],
      [a[0] + nx, a[1] + ny],
    ] as const
  ).map(([x, y]) => [round(x), round(y)]);
}

export function sameLine(one: Line, other: Line): boolean {
  const [[a, b], [c, d]] = [one.ends, other.ends];
  const thicker = Math.abs(one.thick_m - other.thick_m);
  return Math.max(apart(a, c), apart(b, d), thicker) < ALIKE_M;
}

export const apart = (a: PointM, b: PointM): number => Math.hypot(b[0] - a[0], b[1] - a[1]);

const round = (m: number) => Math.round(m * 10_000) / 10_000;

const middle = (a: PointM, b: PointM): PointM => [
  round((a[0] + b[0]) / 2),
  round((a[1] + b[1]) / 2),
];
