import { describe, expect, it } from 'vitest';

import { merged } from './merge';
import type { HeldGarden } from './merge';
import type { GardenChange } from './types';

const place = (id: string) => ({ id, plants: 1, sun: { hours: [1] } });
const before = {
  head: { version: 1 },
  plan: {
    garden: { name: 'Here' },
    places: [{ id: 'a' }, { id: 'b' }],
    plantings: [{ id: 'p' }, { id: 'q' }],
  },
  report: {
    seed: 1,
    totals: { plants: 2, places: 2 },
    places: [place('a'), place('b')],
    plantings: [
      { id: 'p', plants: 1 },
      { id: 'q', plants: 1 },
    ],
    notes: [{ code: 'kept' }, { code: 'gone' }],
  },
  changed: [],
} as unknown as HeldGarden;

const ids = { ids: ['a', 'b'], changed: [] as object[] };

function change(report: object = {}, plan: object = {}): GardenChange {
  const plantings = { ids: ['q', 'p'], changed: [{ id: 'q', plants: 9 }] };
  return {
    head: { version: 2 },
    plan: { values: {}, places: ids, plantings: { ids: ['q', 'p'], changed: [] }, ...plan },
    report: { values: {}, totals: { plants: 3 }, notes: [0], places: ids, plantings, ...report },
    changed: [],
  } as unknown as GardenChange;
}

describe('a change laid over what is held', () => {
  it('keeps what does not differ the very same, in the order told', () => {
    const after = merged(before, change());
    expect(after?.plan.garden).toBe(before.plan.garden);
    expect(after?.report.places[0]).toBe(before.report.places[0]);
    expect(after?.report.plantings.map((p) => [p.id, p.plants])).toEqual([
      ['q', 9],
      ['p', 1],
    ]);
    expect(after?.report.plantings[1]).toBe(before.report.plantings[0]);
    expect(after?.report.totals).toEqual({ plants: 3, places: 2 });
  });

  it('lays the values of a part over those that it had', () => {
    const places = { ids: ['b'], changed: [{ id: 'b', plants: 5 }] };
    const after = merged(before, change({ places }));
    expect(after?.report.places).toEqual([{ ...place('b'), plants: 5 }]);
    expect(after?.report.places[0]?.sun).toBe(before.report.places[1]?.sun);
  });

  it('keeps notes by their place among those before, and takes new ones', () => {
    const after = merged(before, change({ notes: [{ code: 'new' }, 0] }));
    expect(after?.report.notes.map((n) => n.code)).toEqual(['new', 'kept']);
    expect(after?.report.notes[1]).toBe(before.report.notes[0]);
  });

  it('is refused when something is missing', () => {
    expect(merged(before, change({ places: { ids: ['a', 'c'], changed: [] } }))).toBeNull();
    expect(merged(before, change({ notes: [7] }))).toBeNull();
  });
});
