import { describe, expect, it } from 'vitest';

import { lineOf, ringAlong, sameLine } from './lines';
import type { PointM } from './yardScale';

describe('what runs along a line', () => {
  it.each([
    [
      [0, 0],
      [4, 0],
    ],
    [
      [1, 2],
      [1, 7],
    ],
    [
      [0, 0],
      [3, 4],
    ],
    [
      [2, 5],
      [6, 1],
    ],
  ] as [PointM, PointM][])('from %s to %s is drawn and read again', (a, b) => {
    const line = { ends: [a, b] as const, thick_m: 0.1 };
    const read = lineOf(ringAlong(line));
    expect(read && sameLine(read, line)).toBe(true);
  });

  it('is not what is as wide as it is long, nor what has other than four corners', () => {
    expect(
      lineOf([
        [0, 0],
        [2, 0],
        [2, 2],
        [0, 2],
      ]),
    ).toBeNull();
    expect(
      lineOf([
        [0, 0],
        [2, 0],
        [2, 2],
      ]),
    ).toBeNull();
  });
});
