import { describe, expect, it } from 'vitest';

import { perSquareOf, perSquareWords } from './text';

describe('plants in a square as they are typed', () => {
  it.each([
    ['4', 4],
    ['0.25', 0.25],
    ['1/4', 0.25],
    ['0,5', 0.5],
    ['1/9', 0.1111],
  ])('%s is %d', (typed, count) => {
    expect(perSquareOf(typed)).toBeCloseTo(count, 4);
  });

  it.each(['2.5', '0', '-1', '101', 'some', '1/0', ''])('%s is none', (typed) => {
    expect(perSquareOf(typed)).toBeNaN();
  });

  it('read back as whole numbers and fractions', () => {
    expect([16, 1, 0.5, 0.25, 0.11].map(perSquareWords)).toEqual(['16', '1', '1/2', '1/4', '1/9']);
  });
});
