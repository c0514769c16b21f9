import { describe, expect, it } from 'vitest';

import { readLength, unitsFor } from './units';

describe('a typed length', () => {
  it.each([
    ['120', 'metric', 120],
    ['1.2m', 'metric', 120],
    ['1,2 m', 'metric', 120],
    ['45 cm', 'imperial', 45],
    ['12', 'imperial', 30.48],
    ["4'", 'metric', 121.92],
    ['3\'6"', 'metric', 106.68],
    ['3 ft 6 in', 'metric', 106.68],
    ['42in', 'metric', 106.68],
    ['42"', 'metric', 106.68],
    ['30 mm', 'metric', 3],
    ['3 ft 5', 'metric', 104.14],
    ['1 1/2 in', 'metric', 3.81],
    ['1/2"', 'metric', 1.27],
    ['4 ft 6 1/2 in', 'metric', 138.43],
    ['1,5 m', 'imperial', 150],
    ['2 feet', 'metric', 60.96],
  ] as const)('%s in %s is %d cm', (typed, system, cm) => {
    expect(readLength(typed, system)).toBeCloseTo(cm, 6);
  });

  it.each(['', 'wide', '-3', '1.2.3', '12 parsecs', 'm', '3 hands', '1/0 in'])(
    '%s cannot be read',
    (typed) => {
      expect(readLength(typed, 'metric')).toBeNull();
    },
  );

  it('comes back through a field', () => {
    for (const system of ['metric', 'imperial'] as const) {
      const field = unitsFor(system).toField(106.68);
      expect(readLength(field, system)).toBeCloseTo(106.68, 1);
    }
  });
});

describe('feet and inches', () => {
  const feet = unitsFor('imperial');
  it.each([
    [30.48, '12 in'],
    [58.2, '23 in'],
    [91.44, '3 ft'],
    [137.16, '4 ft 6 in'],
    [-243.84, '−8 ft'],
  ])('%d cm', (cm, said) => {
    expect(feet.length(cm)).toBe(said);
  });

  it.each([
    [121.92, 243.84, '4 × 8 ft'],
    [60.96, 243.84, '2 × 8 ft'],
    [30.48, 60.96, '12 × 24 in'],
    [137.16, 243.84, '54 × 96 in'],
  ])('%d by %d cm', (a, b, said) => {
    expect(feet.both(a, b)).toBe(said);
    expect(unitsFor('metric').both(120, 240)).toBe('120 × 240 cm');
  });

  it.each([
    [8, '7 qt'],
    [84.95, '3 cu ft'],
    [1529.1, '2 cu yd'],
  ])('%d litres of soil', (litres, said) => {
    expect(feet.bulk(litres)).toBe(said);
  });
});

describe('a figure of the core with its unit', () => {
  it.each([
    [13, 'cm', '13 cm', '5.1 in'],
    [6.8, 'L', '6.8 L', '1.8 gal'],
    [13651, 'L', '13,651 L', '3,606 gal'],
    [6, '°C', '6 °C', '43 °F'],
    [8, 'g', '8 g', '0.3 oz'],
    [1396, 'days', '1,396 days', '1,396 days'],
    [12, 'g N per m²', '12 g N per m²', '0.246 lb N per 100 sq ft'],
    [393.5, 'kg per m²', '394 kg per m²', '80.6 lb per sq ft'],
    [10, 'kg per m', '10 kg per m', '6.72 lb per ft'],
    [3.9, 'kPa', '3.9 kPa', '81.5 lb per sq ft'],
    [22, 'm/s', '22 m/s', '49.2 mph'],
    [15, 'cm to each side', '15 cm to each side', '5.9 in to each side'],
    [8, '°C difference', '8 °C difference', '14.4 °F difference'],
    [
      0.35,
      'kg per m² of leafed face',
      '0.35 kg per m² of leafed face',
      '0.0717 lb per sq ft of leafed face',
    ],
    [0.3, 'share of the volume', '0.3 share of the volume', '0.3 share of the volume'],
  ])('%d %s', (value, unit, metric, imperial) => {
    expect(unitsFor('metric').measured(value, unit)).toBe(metric);
    expect(unitsFor('imperial').measured(value, unit)).toBe(imperial);
  });

  it('weights show two digits only where one would hide them', () => {
    expect(unitsFor('metric').weight(1.234)).toBe('1.2');
    expect(unitsFor('metric').weight(0.04)).toBe('0.04');
    expect(unitsFor('metric').weight(0)).toBe('0.0');
    expect(unitsFor('metric').weight(21.96)).toBe('22');
    expect(unitsFor('metric').weight(1396)).toBe('1,400');
    expect(unitsFor('imperial').weight(1)).toBe('2.2');
  });
});
