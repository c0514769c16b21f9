import { describe, expect, it } from 'vitest';

import type { HeldGarden } from './merge';
import { atOnce, Pending } from './pending';
import type { Edit } from './types';

const planting = (id: string) => ({
  id,
  start_date: '2027-04-01',
  cells: ['A1'],
  spacing_cm: null,
});
const report = (id: string) => ({
  id,
  cells: ['A1'],
  start_date: '2027-04-01',
  first_pick: '2027-06-01',
  last_pick: null,
  clear_date: '2027-07-01',
  growth: { start: '2027-04-01', step_days: 7 },
  plants: 9,
});
const state = {
  head: { version: 1 },
  plan: {
    garden: { name: 'Here', seed: 1 },
    places: [{ id: 'bed', cell_cm: 30 }],
    plantings: [planting('p'), planting('q')],
  },
  report: { plantings: [report('p'), report('q')], notes: [] },
  changed: [],
} as unknown as HeldGarden;

function changing(id: string, changes: object): Edit {
  return { do: 'change-planting', id, changes } as Edit;
}

describe('an edit shown at once', () => {
  it('moves what casts shade, with the outline that it has', () => {
    const tree = { id: 'tree', outline_m: [[1, 1], [2, 1], [2, 3]] }; // prettier-ignore
    const site = { obstacles: [tree, { ...tree, id: 'hedge' }] };
    const held = { ...state, plan: { ...state.plan, site } } as unknown as HeldGarden;
    const obstacles = (of: HeldGarden) => of.plan.site?.obstacles ?? [];
    const edit: Edit = { do: 'change-obstacle', id: 'tree', changes: {}, at_m: [4, 0] };
    const [moved, left] = obstacles(atOnce(held, edit));
    expect(moved?.outline_m).toEqual([[4, 0], [5, 0], [5, 2]]); // prettier-ignore
    expect(left).toBe(obstacles(held)[1]);
  });

  it('moves a planting with its days, and leaves its figures and the others', () => {
    const after = atOnce(state, changing('p', { start_date: '2027-04-08' }));
    expect(after.plan.plantings[0]?.start_date).toBe('2027-04-08');
    expect(after.report.plantings[0]).toMatchObject({
      start_date: '2027-04-08',
      first_pick: '2027-06-08',
      last_pick: null,
      clear_date: '2027-07-08',
      growth: { start: '2027-04-08', step_days: 7 },
      plants: 9,
    });
    expect(after.report.plantings[1]).toBe(state.report.plantings[1]);
  });

  it('keeps the day of clearing that the grower gave', () => {
    const asked = { start_date: '2027-04-08', clear_date: '2027-06-20' };
    expect(atOnce(state, changing('p', asked)).report.plantings[0]?.clear_date).toBe('2027-06-20');
  });

  it('draws the squares that were asked for', () => {
    const after = atOnce(state, changing('p', { cells: ['B1', 'B2'] }));
    expect(after.report.plantings[0]?.cells).toEqual(['B1', 'B2']);
  });

  it('takes out what is removed, and several edits in their order', () => {
    const edits = [changing('q', { spacing_cm: 9 }), { do: 'remove-planting', id: 'p' }];
    const after = atOnce(state, { do: 'together', edits } as Edit);
    expect(after.plan.plantings).toMatchObject([{ id: 'q', spacing_cm: 9 }]);
    expect(after.report.plantings.map((p) => p.id)).toEqual(['q']);
  });

  it('shows values of the garden and of a place', () => {
    const named = atOnce(state, { do: 'change-garden', changes: { name: 'There' } });
    expect(named.plan.garden).toEqual({ name: 'There', seed: 1 });
    const wide = atOnce(state, { do: 'change-place', id: 'bed', changes: { cell_cm: 20 } });
    expect(wide.plan.places[0]).toMatchObject({ cell_cm: 20 });
  });

  it('leaves alone what only the server knows', () => {
    expect(atOnce(state, changing('nobody', { spacing_cm: 9 }))).toBe(state);
    expect(atOnce(state, { do: 'remove-place', id: 'bed' })).toBe(state);
  });
});

describe('edits on their way', () => {
  it('are shown over what the server has, until each has ended', () => {
    const pending = new Pending(state);
    const first = changing('p', { spacing_cm: 5 });
    const second = changing('p', { spacing_cm: 6 });
    pending.begin(first);
    pending.begin(second);
    expect(pending.shown.plan.plantings[0]?.spacing_cm).toBe(6);
    const newer = { ...state, head: { ...state.head, version: 2 } };
    const later = pending.on(newer);
    expect(later.shown.head.version).toBe(2);
    expect(later.shown.plan.plantings[0]?.spacing_cm).toBe(6);
    later.end(second);
    expect(later.shown.plan.plantings[0]?.spacing_cm).toBe(5);
    later.end(first);
    expect(later.shown).toBe(newer);
  });
});
