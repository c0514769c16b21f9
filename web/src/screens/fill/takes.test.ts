import { describe, expect, it } from 'vitest';

import type { Difference, Planting } from '../../api/types';
import { takeEdit } from './takes';

const planting = (id: string) => ({ id, place: 'bed', crop: 'carrot' }) as Planting;
const comes = (id: string, ...replaces: string[]) =>
  ({ planting: { id }, comes: true, replaces }) as unknown as Difference;
const goes = (id: string) =>
  ({ planting: { id }, comes: false, replaces: [] }) as unknown as Difference;

const PLAN = [planting('f1'), planting('f2')];
const STANDING = new Set(['a', 'b']);

describe('what is taken of an offered plan', () => {
  it('is one edit: what comes, then once each what makes room', () => {
    expect(takeEdit([comes('f1', 'a', 'b'), comes('f2', 'b')], PLAN, STANDING)).toEqual({
      do: 'together',
      edits: [
        { do: 'plant', planting: planting('f1') },
        { do: 'plant', planting: planting('f2') },
        { do: 'remove-planting', id: 'a' },
        { do: 'remove-planting', id: 'b' },
      ],
    });
  });

  it('lets go what makes room for none', () => {
    expect(takeEdit([goes('a')], PLAN, STANDING)).toEqual({
      do: 'together',
      edits: [{ do: 'remove-planting', id: 'a' }],
    });
  });

  it('is nothing where all of it stands already, or is gone', () => {
    expect(takeEdit([comes('f1', 'a'), goes('b')], PLAN, new Set(['f1']))).toBeNull();
  });
});
