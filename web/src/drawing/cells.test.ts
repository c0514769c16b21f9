import { describe, expect, it } from 'vitest';

import type { PlaceReport } from '../api/types';
import { borderOf, everyOther, gridWouldFit, isOneGround, rectangle, withMore } from './cells';

const block = ['A1', 'A2', 'A3', 'B1', 'B2', 'B3', 'C1', 'C2', 'C3'];

function place(width: number, length: number, pitch: [number, number] = [30, 30]): PlaceReport {
  const cells = block.map((address) => ({ address, area_m2: 0.09, held: null, whole: true }));
  return {
    bounds_cm: [0, 0, width, length],
    pitch_cm: pitch,
    inside_area_m2: (width * length) / 10_000,
    cells,
  } as unknown as PlaceReport;
}

describe('squares that make no block', () => {
  it('are added, and taken out where all of them were there', () => {
    expect(withMore(['A1'], ['A2', 'A1'])).toEqual(['A1', 'A2']);
    expect(withMore(['A1', 'A2'], ['A2'])).toEqual(['A1']);
  });

  it('are the border of a block', () => {
    expect(borderOf(block)).toEqual(block.filter((address) => address !== 'B2'));
  });

  it('are every other one, as on a board', () => {
    expect(everyOther(block)).toEqual(['A1', 'A3', 'B2', 'C1', 'C3']);
  });
});

describe('a grid', () => {
  it.each([
    [121.92, 121.92, true], // 4 x 4 ft with squares of 30 cm
    [120, 240, false],
    [127, 240, false], // more than a twentieth
    [125, 240, true],
  ])('of %d x %d cm would fit better: %s', (width, length, fits) => {
    expect(gridWouldFit(place(width, length))).toBe(fits);
  });

  it('of a small pot is one ground, whichever square is pressed', () => {
    const pot = place(35, 35);
    expect(isOneGround(pot)).toBe(true);
    expect(rectangle(pot, { column: 0, row: 0 }, { column: 0, row: 0 })).toEqual(block);
    expect(isOneGround(place(90, 90))).toBe(false);
  });
});
