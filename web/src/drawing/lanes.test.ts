import { describe, expect, it } from 'vitest';

import type { PlaceReport, PlantingReport } from '../api/types';
import { addressOf, rectangle, sidesOf, spotOf } from './cells';
import { laneOfSpell, lanesOf } from './lanes';

function planting(id: string, cells: string[], start: string, clear = '2027-08-01') {
  return { id, cells, start_date: start, clear_date: clear } as unknown as PlantingReport;
}

const PLACE = {
  bounds_cm: [0, 0, 120, 270],
  pitch_cm: [30, 30],
  cells: ['A', 'B', 'C', 'D'].flatMap((c) =>
    Array.from({ length: 9 }, (_, r) => ({
      address: `${c}${r + 1}`,
      held: c === 'D' && r === 8 ? 'a post' : null,
    })),
  ),
} as unknown as PlaceReport;

describe('lanes of time', () => {
  const pea = planting('a', ['A1', 'A2'], '2027-03-01');
  const bean = planting('b', ['A2'], '2027-07-01');
  const leek = planting('c', ['C1'], '2027-05-01');

  it('plantings that share ground share a lane', () => {
    const lanes = lanesOf([bean, leek, pea]);
    expect(lanes.map((lane) => lane.plantings.map((p) => p.id))).toEqual([['a', 'b'], ['c']]);
  });

  it('a crop between the plants of another is drawn beneath it', () => {
    const radish = { ...planting('r', ['C1'], '2027-04-20'), between: 'c' };
    const lanes = lanesOf([radish, pea, leek]);
    expect(lanes.map((lane) => lane.plantings.map((p) => p.id))).toEqual([['a'], ['c'], ['r']]);
  });

  it('what stands side by side at one time is not drawn as if it collided', () => {
    const rye = planting('rye', ['A1', 'B1'], '2026-10-01', '2027-03-20');
    const left = planting('left', ['A1'], '2027-04-01');
    const right = planting('right', ['B1'], '2027-05-01');
    const lanes = lanesOf([rye, left, right]);
    expect(lanes.map((lane) => lane.plantings.map((p) => p.id))).toEqual([
      ['rye', 'left'],
      ['right'],
    ]);
    // What does collide, in the same square at the same time, is seen to.
    const clash = planting('clash', ['A1'], '2027-07-01', '2027-09-01');
    expect(lanesOf([left, clash])).toHaveLength(1);
  });

  it('ground that grows nothing has a lane when it is idle', () => {
    const lanes = lanesOf([pea], [{ cells: ['D1', 'D2'] }, { cells: ['A1'] }]);
    expect(lanes).toHaveLength(2);
    expect([...(lanes[1]?.cells ?? [])]).toEqual(['D1', 'D2']);
  });

  it('an idle spell is drawn in the lane that it covers most of', () => {
    const lanes = lanesOf([pea, leek]);
    expect(laneOfSpell(lanes, ['C1', 'A1'])?.plantings[0]?.id).toBe('c');
    expect(laneOfSpell(lanes, ['D4'])).toBeUndefined();
  });
});

describe('squares', () => {
  it.each(['A1', 'D9', 'Z3', 'AA12'])('%s is read and written', (address) => {
    expect(addressOf(spotOf(address))).toBe(address);
  });

  it('a painted rectangle leaves out what is held', () => {
    const cells = rectangle(PLACE, spotOf('D9'), spotOf('C8'));
    expect(cells).toEqual(['C8', 'C9', 'D8']);
  });

  it('an outline has no inner sides', () => {
    expect(sidesOf(PLACE, ['A1', 'A2', 'B1', 'B2'])).toHaveLength(8);
  });
});
