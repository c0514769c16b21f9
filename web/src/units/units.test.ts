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
  ] as const)('%s in %s is %d cm', (typed, system, cm) => {
    expect(readLength(typed, system)).toBeCloseTo(cm, 6);
  });

  it.each(['', 'wide', '-3', '1.2.3', '12 parsecs', 'm'])('%s cannot be read', (typed) => {
    expect(readLength(typed, 'metric')).toBeNull();
  });

  it('comes back through a field', () => {
    for (const system of ['metric', 'imperial'] as const) {
      const field = unitsFor(system).toField(106.68);
      expect(readLength(field, system)).toBeCloseTo(106.68, 1);
    }
  });
});

describe('a sentence of the core', () => {
  it('is left as it is in metric', () => {
    expect(unitsFor('metric').sentence('Loosen 13 cm deeper')).toBe('Loosen 13 cm deeper');
  });

  it.each([
    ['Loosen 13 cm deeper', 'Loosen 5.1 in deeper'],
    ['a plant has 6.8 L; it wants 9 L', 'a plant has 1.8 gal; it wants 2.4 gal'],
    ['the ground reaches 6 °C', 'the ground reaches 43 °F'],
    ['8 g apiece', '0.3 oz apiece'],
    ['5 h of sun', '5 h of sun'],
    ['4 glowing lamps', '4 glowing lamps'],
  ])('%s becomes %s', (metric, imperial) => {
    expect(unitsFor('imperial').sentence(metric)).toBe(imperial);
  });

  it('weights show two digits only where one would hide them', () => {
    expect(unitsFor('metric').weight(1.234)).toBe('1.2');
    expect(unitsFor('metric').weight(0.04)).toBe('0.04');
    expect(unitsFor('metric').weight(0)).toBe('0.0');
    expect(unitsFor('imperial').weight(1)).toBe('2.2');
  });
});
