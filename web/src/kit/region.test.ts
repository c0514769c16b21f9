import { describe, expect, it } from 'vitest';

import { inRegion } from './region';

describe('words of a region', () => {
  it.each([
    ['13 barrows, or 85 buckets', '13 wheelbarrows, or 85 buckets'],
    ['Butts', 'Rain barrels'],
    ['the tap gives too little', 'the spigot gives too little'],
    ['taproot', 'taproot'],
  ])('%s', (british, american) => {
    expect(inRegion(british, 'en-US')).toBe(american);
    expect(inRegion(british, 'en-GB')).toBe(british);
  });
});
