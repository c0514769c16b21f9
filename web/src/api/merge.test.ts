import { describe, expect, it } from 'vitest';

import { merged } from './merge';
import type { HeldGarden } from './merge';
import type { GardenChange } from './types';

const report = (id: string, place: string, plants = 1) => ({ id, place, plants });
const before = {
  head: { version: 1 },
  plan: { places: [{ id: 'a' }, { id: 'b' }], plantings: [{ id: 'p' }, { id: 'q' }, { id: 'r' }] },
  report: {
    places: [{ id: 'a' }, { id: 'b' }],
    plantings: [report('p', 'a'), report('q', 'b'), report('r', 'b')],
    notes: [
      { place: 'a', code: 'kept' },
      { place: 'b', code: 'old' },
      { place: null, code: 'old' },
    ],
  },
  changed: [],
} as unknown as HeldGarden;

function change(plantings: object[], unchanged = ['a']): GardenChange {
  return {
    head: { version: 2 },
    plan: before.plan,
    report: { places: [{ id: 'b' }], plantings, notes: [{ place: 'b', code: 'new' }] },
    unchanged,
    changed: [],
  } as unknown as GardenChange;
}

describe('a change laid over what is held', () => {
  const after = merged(before, change([report('q', 'b', 9), report('r', 'b')]));

  it('keeps unchanged values the very same, and takes the others', () => {
    expect(after?.report.places[0]).toBe(before.report.places[0]);
    expect(after?.report.plantings[0]).toBe(before.report.plantings[0]);
    expect(after?.report.plantings[2]).toBe(before.report.plantings[2]);
    expect(after?.report.plantings[1]).toMatchObject({ plants: 9 });
  });

  it('keeps the order of the plan and the notes of unchanged places alone', () => {
    expect(after?.report.plantings.map((p) => p.id)).toEqual(['p', 'q', 'r']);
    expect(after?.report.notes.map((n) => n.code)).toEqual(['kept', 'new']);
  });

  it('is refused when something is missing', () => {
    expect(merged(before, change([report('q', 'b')]))).toBeNull();
    expect(merged(before, change([], ['c']))).toBeNull();
  });
});
