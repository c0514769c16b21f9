import { describe, expect, it } from 'vitest';

import type { PlantingReport } from '../api/types';
import { clearEdit, movedLine, moveEdit, nextId } from './edits';

function planting(id: string, cells: string[], start: string, clear = '2027-08-01') {
  return { id, cells, start_date: start, clear_date: clear } as unknown as PlantingReport;
}

describe('edits of the bed sheet', () => {
  it('clearing part of a planting keeps the rest', () => {
    expect(clearEdit(['A1'], [planting('a', ['A1', 'A2'], '2027-03-01')])).toEqual({
      do: 'change-planting',
      id: 'a',
      changes: { cells: ['A2'], run_cm: null },
    });
  });

  it('clearing all of several is one edit, and nothing is none', () => {
    const both = [planting('a', ['A1'], '2027-03-01'), planting('b', ['B1'], '2027-03-01')];
    expect(clearEdit(['A1', 'B1'], both)).toMatchObject({ do: 'together' });
    expect(clearEdit(['C1'], both)).toBeNull();
  });

  it('a moved planting takes its own clear date along', () => {
    const own = { id: 'a', clear_date: '2027-08-01' } as never;
    expect(moveEdit(own, 20_000, 20_100, 7)).toMatchObject({
      changes: { start_date: '2024-10-11', clear_date: '2025-01-19' },
    });
    const none = { id: 'a', clear_date: null } as never;
    expect(moveEdit(none, 20_000, 20_100, 7)).not.toHaveProperty('changes.clear_date');
  });

  it('a new id is free', () => {
    expect(nextId(['p1', 'p3'], 'p')).toBe('p4');
    expect(nextId(['p2'], 'p')).toBe('p3');
  });

  it('a line pulled across a bed stays in it, however the hand drifts', () => {
    const bed = [
      [0, 0],
      [120, 0],
      [120, 240],
      [0, 240],
    ];
    const line = [
      [60, 0],
      [60, 240],
    ] as const;
    const pulled = (end: number | null, at: readonly [number, number]) =>
      movedLine('s', line, { kind: 'movingLine', support: 's', end, from: [60, 120], at }, bed);
    expect(pulled(null, [75, 131])).toEqual([
      [75, 0],
      [75, 240],
    ]);
    expect(pulled(null, [500, 120])).toEqual([
      [120, 0],
      [120, 240],
    ]);
    expect(pulled(1, [40, 20])).toEqual([
      [60, 0],
      [40, 140],
    ]);
  });
});
