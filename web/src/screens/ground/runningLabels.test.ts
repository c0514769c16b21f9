import { describe, expect, it } from 'vitest';

import { rowsOf } from './runningLabels';

describe('labels of a running measure', () => {
  it('stand in one row while there is room', () => {
    expect(
      rowsOf([
        [0, 30],
        [40, 30],
        [80, 30],
      ]),
    ).toEqual([0, 0, 0]);
  });

  it('step aside for each other and come back', () => {
    expect(
      rowsOf([
        [0, 30],
        [10, 30],
        [20, 30],
        [60, 30],
      ]),
    ).toEqual([0, 1, 2, 0]);
  });

  it('of nothing are none', () => {
    expect(rowsOf([])).toEqual([]);
  });
});
