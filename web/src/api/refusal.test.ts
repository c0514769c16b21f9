import { describe, expect, it } from 'vitest';

import { ProblemError } from './client';
import type { HeldGarden } from './merge';
import { refusalWords, whereWords } from './refusal';

const GARDEN = {
  plan: {
    places: [{ id: 'a' }, { id: 'b', name: 'Bed 2' }],
    plantings: [{ id: 'p1', crop: 'leek' }],
  },
  report: { plantings: [{ id: 'p1', name: 'Leek' }] },
} as unknown as HeldGarden;

describe('where a fault lies', () => {
  it.each([
    ['places[1].supports[0].line_cm[0]', 'Bed 2, support 1, point 1'],
    ['places[0].rim_gap_cm', 'a, rim gap'],
    ['plantings[0].clear_date', 'Leek, clear date'],
    ['places[7].shape.width_cm', 'places 8, shape, width'],
    ['cells', 'cells'],
  ])('%s is %s', (path, words) => {
    expect(whereWords(path, GARDEN)).toBe(words);
  });

  it('stands before what is wrong', () => {
    const problem = {
      type: 'urn:ample-rows:problem:plan-faults',
      title: '',
      status: 422,
      detail: 'places[1].supports[0].run_cm: too long. Nothing was changed.',
      version: null,
      errors: [{ path: 'places[1].supports[0].run_cm', text: 'too long' }],
    };
    expect(refusalWords(new ProblemError(problem, ''), GARDEN)).toBe(
      'Bed 2, support 1, run: too long. Nothing was changed.',
    );
    expect(refusalWords(new ProblemError(null, 'silent'), GARDEN)).toBe('silent');
  });
});
