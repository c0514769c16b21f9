import { describe, expect, it } from 'vitest';

import { dayOf, isoOf, monthsWithin, shortWords, words } from '../kit/day';
import { dayToPx, fitGround, groundToPx, pxToDay, pxToGround, upAzimuth } from './scale';

describe('centimetres and days become pixels in one place', () => {
  const scale = fitGround([0, 0, 120, 270], { width: 540, height: 300 }, 40, 20);

  it('fits the place into the room', () => {
    expect(scale.pxPerCm).toBe(2);
  });

  it('runs the length along the page and back', () => {
    expect(groundToPx(scale, [0, 0])).toEqual([40, 20]);
    expect(groundToPx(scale, [120, 270])).toEqual([580, 260]);
    expect(pxToGround(scale, groundToPx(scale, [37, 91]))).toEqual([37, 91]);
  });

  it.each([
    [90, 0], // the length runs east: north is up
    [0, 270], // the length runs north: up is west, north to the right
    [270, 180],
  ])('heading %d has azimuth %d up the page', (heading, up) => {
    expect(upAzimuth(heading)).toBe(up);
  });

  it('days go there and back', () => {
    const year = { start: dayOf('2027-02-01'), end: dayOf('2028-01-31'), left: 14, width: 1064 };
    for (const iso of ['2027-02-01', '2027-06-14', '2028-01-31']) {
      expect(isoOf(pxToDay(year, dayToPx(year, dayOf(iso))))).toBe(iso);
    }
  });
});

describe('days', () => {
  it('are counted over leap years and the new year', () => {
    expect(dayOf('2028-03-01') - dayOf('2028-02-28')).toBe(2);
    expect(words(dayOf('2028-02-29'))).toBe('29 February');
    expect(shortWords(dayOf('2027-12-31') + 1)).toBe('1 Jan');
  });

  it('months of a year that wraps', () => {
    const names = monthsWithin(dayOf('2027-06-01'), dayOf('2028-05-31')).map((m) => m.name);
    expect(names).toHaveLength(12);
    expect(names[0]).toBe('June');
    expect(names[7]).toBe('January');
  });
});
