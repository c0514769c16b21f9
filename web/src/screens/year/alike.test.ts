import { describe, expect, it } from 'vitest';

import type { Job } from '../../api/types';
import { together, whereOf } from './alike';

function job(place: string, changes: Partial<Job> = {}): Job {
  return {
    key: `${place}/x/water/1`,
    job: 'set-out',
    nth: 1,
    place,
    place_label: place,
    where: 'A1',
    about: 'leaf lettuce, 1 plant',
    on: '2027-06-10',
    until: '2027-06-19',
    state: 'open',
    ...changes,
  } as Job;
}

const inPots = (place: string) => (place.startsWith('Pot') ? 'pots' : null);

describe('jobs that are one thing to do', () => {
  it('stand together where the first stands', () => {
    const found = together([job('Pot 1'), job('Bed'), job('Pot 2'), job('Pot 3')], inPots);
    expect(found.map(whereOf)).toEqual(['Pot 1, Pot 2 and Pot 3, in each', 'Bed A1']);
  });

  it.each([
    ['another number', { nth: 2 }],
    ['other plants', { about: 'leaf lettuce, 2 plants' }],
    ['another day', { on: '2027-06-11' }],
    ['what is done', { state: 'done' }],
  ] as const)('but not with %s', (_, changes) => {
    expect(together([job('Pot 1'), job('Pot 2', changes)], inPots)).toHaveLength(2);
  });

  it('nor in places of no group', () => {
    expect(together([job('Bed'), job('Border')], inPots)).toHaveLength(2);
  });
});
