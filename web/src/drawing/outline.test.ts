import { describe, expect, it } from 'vitest';

import { hull } from './outline';
import type { PointPx } from './scale';

const SQUARE: PointPx[] = [
  [0, 0],
  [4, 0],
  [4, 4],
  [0, 4],
];

const area = (points: readonly PointPx[]) =>
  Math.abs(
    points.reduce((sum, [x, y], i) => {
      const [a, b] = points[(i + 1) % points.length] ?? [0, 0];
      return sum + x * b - a * y;
    }, 0),
  ) / 2;

describe('the outline round some points', () => {
  it('leaves out what lies within, and on a side', () => {
    const ring = hull([...SQUARE, [1, 1], [2, 3], [2, 0]]);
    expect(ring).toHaveLength(4);
    expect(area(ring)).toBe(16);
  });

  it('is the same whatever order the points come in', () => {
    const ring = hull([...SQUARE].reverse());
    expect(area(ring)).toBe(16);
  });

  it('holds a box and where its shadow falls', () => {
    const shifted = SQUARE.map(([x, y]): PointPx => [x + 3, y + 2]);
    // Two squares of 16 and the band that the corners sweep: 4 × 2 + 4 × 3.
    expect(area(hull([...SQUARE, ...shifted]))).toBe(16 + 8 + 12);
  });
});
