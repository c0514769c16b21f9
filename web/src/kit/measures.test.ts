import { describe, expect, it } from 'vitest';

import { fieldUnit, measureBy, measureText, readMeasure } from './measures';

describe('a typed measure', () => {
  it.each([
    ['40', 'L of soil', 'metric', 40],
    ['40 L', 'L of soil', 'imperial', 40],
    ['3', 'L of soil', 'imperial', 84.95],
    ['3 cu ft', 'L of soil', 'metric', 84.95],
    ['2 yd³', 'm³', 'metric', 1.5291],
    ['2 yd3', 'L of soil', 'metric', 1529.11],
    ['1 1/2 cu ft', 'L of soil', 'metric', 42.475],
    ['25 quarts', 'L of soil', 'metric', 23.659],
    ['50 mph', 'm/s', 'metric', 22.352],
    ['22', 'm/s', 'metric', 22],
    ['80 km/h', 'm/s', 'imperial', 22.222],
    ['50 lb per sq ft', 'kg per m²', 'metric', 244.12],
    ['2', 'mm', 'imperial', 50.8],
    ['20 mm', 'mm', 'imperial', 20],
    ['1,5', 'm³', 'metric', 1.5],
    ['68', '°C', 'imperial', 20],
    ['−4', '°C', 'metric', -4],
    ['10 lb', 'kg', 'metric', 4.53592],
    ['50 °F', '°C', 'metric', 10],
    ['10 C', '°C', 'imperial', 10],
    ['1 ft 6', 'cm', 'metric', 45.72],
    ['30 cm', 'cm', 'imperial', 30],
    ['60', 'days', 'metric', 60],
  ] as const)('%s as %s where measures are %s', (typed, unit, system, value) => {
    expect(readMeasure(typed, unit, system)).toBeCloseTo(value, 2);
  });

  it.each(['', 'much', '3 hands', '4 cu', '1/0 L'])('%s cannot be read', (typed) => {
    expect(readMeasure(typed, 'L of soil', 'metric')).toBeNaN();
  });

  it('is read by what the grower’s own measures hold', () => {
    expect(readMeasure('2 barrows', 'L of soil', 'metric')).toBeNaN();
    measureBy({ barrow: 90, handful: 0.06 });
    expect(readMeasure('2 barrows', 'L of soil', 'imperial')).toBe(180);
    expect(readMeasure('1 barrow', 'm³', 'metric')).toBeCloseTo(0.09);
    expect(readMeasure('3 wheelbarrows', 'L', 'metric')).toBe(270);
    expect(readMeasure('1/2 handful', 'L', 'metric')).toBeCloseTo(0.03);
    expect(readMeasure('2 barrows', 'kg', 'metric')).toBeNaN();
    measureBy({});
    expect(readMeasure('2 barrows', 'L of soil', 'metric')).toBeNaN();
  });

  it('comes back through a field', () => {
    for (const system of ['metric', 'imperial'] as const) {
      const field = measureText(62.5, 'g per m²', system);
      expect(readMeasure(field, 'g per m²', system)).toBeCloseTo(62.5, 1);
    }
  });

  it('stands with the name of its unit, and as it is where that is no measure', () => {
    expect(fieldUnit('m³', 'imperial').label).toBe('cu yd');
    expect(fieldUnit('kPa', 'imperial')).toMatchObject({ label: 'kPa' });
    expect(measureText(null, 'kg', 'metric')).toBe('');
  });
});
