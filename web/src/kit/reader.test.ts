import { describe, expect, it } from 'vitest';

import { readerOf } from './reader';
import { unitsFor } from './units';

const METRIC = unitsFor('metric');
const IMPERIAL = unitsFor('imperial');

describe('what is typed in a form', () => {
  it.each([
    ['', null],
    [' 3 ', 3],
    ['2,5', 2.5],
    ['−4', -4],
  ])('reads the number in "%s"', (typed, value) => {
    const { reader, faults } = readerOf({ n: typed }, METRIC);
    expect(reader.number('n', -10, 10)).toBe(value);
    expect(faults).toEqual({});
  });

  it.each([
    ['many', 'Enter a number from 1 to 9.'],
    ['12', 'Enter a number from 1 to 9.'],
  ])('says what is wrong with the number "%s"', (typed, words) => {
    const { reader, faults } = readerOf({ n: typed }, METRIC);
    reader.number('n', 1, 9);
    expect(faults).toEqual({ n: words });
  });

  it('asks for a number that has to be given', () => {
    const { reader, faults } = readerOf({ n: '' }, METRIC);
    reader.needed('n', 0);
    expect(faults).toEqual({ n: 'Enter a number from 0.' });
  });

  it.each([
    ['1.2m', METRIC, 120],
    ['45', METRIC, 45],
    ['4', IMPERIAL, 10.16],
    ["3'6", IMPERIAL, 106.68],
    ['-30', METRIC, -30],
  ])('reads the length "%s"', (typed, units, cm) => {
    const { reader, faults } = readerOf({ l: typed }, units);
    expect(reader.length('l', -1000)).toBeCloseTo(cm);
    expect(faults).toEqual({});
  });

  it.each([
    ['wide', METRIC, 10, 'Enter a length of at least 10 cm, such as 120, 1.2m or 45cm.'],
    ['5', METRIC, 10, 'Enter a length of at least 10 cm, such as 120, 1.2m or 45cm.'],
    ['', IMPERIAL, 0, `Enter a length, such as 4', 3'6" or 42in.`],
  ])('says what is wrong with the length "%s"', (typed, units, least, words) => {
    const { reader, faults } = readerOf({ l: typed }, units);
    reader.length('l', least);
    expect(faults).toEqual({ l: words });
  });
});
