/** The grower's units. The core speaks centimetres, kilograms and litres; only this converts. */

export type UnitSystem = 'metric' | 'imperial';

let asked: UnitSystem = 'metric';

/** The units in which the server's sentences are asked for from now on. */
export function askIn(units: UnitSystem): void {
  asked = units;
}

export const unitsAsked = () => asked;

const CM_PER_INCH = 2.54;
const CM_PER_FOOT = 30.48;
const LB_PER_KG = 2.204_622_6;
const OZ_PER_GRAM = 0.035_273_96;
const GALLONS_PER_LITRE = 0.264_172;
const SQUARE_FEET_PER_M2 = 10.763_91;

export interface Units {
  system: UnitSystem;
  lengthUnit: string;
  weightUnit: string;
  length: (cm: number) => string;
  /** A length without its unit, where the unit stands beside it. */
  bare: (cm: number) => string;
  /** A weight without its unit, for columns. */
  weight: (kg: number) => string;
  /** A weight with its unit, in grams or ounces where it is small. */
  mass: (kg: number) => string;
  /** A distance over the ground, in metres or feet. */
  distance: (m: number) => string;
  /** How finely things drawn in the yard are set: 5 cm or 2 in. [m] */
  snapM: number;
  volume: (litres: number) => string;
  /** A volume without its unit, and the unit, for columns. */
  volumeBare: (litres: number) => string;
  volumeUnit: string;
  /** A weight, and a weight on an area, as plain numbers in these units. */
  weightValue: (kg: number) => number;
  loadValue: (kgPerM2: number) => number;
  area: (m2: number) => string;
  /** So many on a square metre, or on a square foot. */
  perArea: (perM2: number) => string;
  /** What a figure on an area stands on: m² or sq ft. */
  areaUnit: string;
  temperature: (c: number) => string;
  /** A figure of the core with its unit, in these units where they have one for it. */
  measured: (value: number, unit: string) => string;
  /** A length for an input field, and back. Bare numbers are in `lengthUnit`. */
  toField: (cm: number) => string;
}

/** A number with at most so many decimals, thousands grouped. */
function trimmed(value: number, digits: number): string {
  return (Number(value.toFixed(digits)) + 0).toLocaleString('en-GB', {
    maximumFractionDigits: digits,
  });
}

/** The same for a field: nothing in it that would have to be read again. */
function typed(value: number, digits: number): string {
  return String(Number(value.toFixed(digits)));
}

/** Two figures that say something: 0.32, 6, 120. */
function significant(value: number): string {
  return value >= 1000
    ? grouped(Number(value.toPrecision(2)))
    : String(Number(value.toPrecision(2)));
}

const GROUPED = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 0 });

/** A whole number, its thousands grouped: 1,396. */
export const grouped = (value: number) => GROUPED.format(value);

const MONEY = new Intl.NumberFormat('en-GB', {
  minimumFractionDigits: 2,
  maximumFractionDigits: 2,
});

/** What something costs, in money of any country: 1,006.81. */
export function money(cost: number | null): string {
  return cost === null ? 'no price' : MONEY.format(cost);
}

function weightDigits(value: number): string {
  if (Math.abs(value) >= 9.95) return grouped(Number(value.toPrecision(2)));
  return value !== 0 && Math.abs(value) < 0.095 ? value.toFixed(2) : value.toFixed(1);
}

const metric: Units = {
  system: 'metric',
  lengthUnit: 'cm',
  weightUnit: 'kg',
  length: (cm) => `${trimmed(cm, 1)} cm`,
  bare: (cm) => trimmed(cm, 1),
  weight: weightDigits,
  mass: (kg) => (kg < 0.0995 ? `${significant(kg * 1000)} g` : `${significant(kg)} kg`),
  distance: (m) => `${trimmed(m, 2)} m`,
  snapM: 0.05,
  volume: (litres) => `${grouped(litres)} L`,
  volumeBare: (litres) => grouped(litres),
  volumeUnit: 'litres',
  weightValue: (kg) => kg,
  loadValue: (load) => load,
  area: (m2) => `${trimmed(m2, 2)} m²`,
  perArea: (perM2) => trimmed(perM2, 1),
  areaUnit: 'm²',
  temperature: (c) => `${minus(Math.round(c))} °C`,
  measured: (value, unit) => `${figure(value)} ${unit}`,
  toField: (cm) => typed(cm, 2),
};

const inches = (cm: number) => `${trimmed(cm / CM_PER_INCH, 1)} in`;

const imperial: Units = {
  system: 'imperial',
  lengthUnit: 'in',
  weightUnit: 'lb',
  length: inches,
  bare: (cm) => trimmed(cm / CM_PER_INCH, 1),
  weight: (kg) => weightDigits(kg * LB_PER_KG),
  mass: (kg) =>
    kg * LB_PER_KG < 0.495
      ? `${significant(kg * 1000 * OZ_PER_GRAM)} oz`
      : `${significant(kg * LB_PER_KG)} lb`,
  distance: (m) => `${trimmed((m * 100) / CM_PER_FOOT, 1)} ft`,
  snapM: 0.0508,
  volume: (litres) => `${trimmed(litres * GALLONS_PER_LITRE, 1)} gal`,
  volumeBare: (litres) => trimmed(litres * GALLONS_PER_LITRE, 1),
  volumeUnit: 'gallons',
  weightValue: (kg) => kg * LB_PER_KG,
  loadValue: (load) => (load * LB_PER_KG) / SQUARE_FEET_PER_M2,
  area: (m2) => `${trimmed(m2 * SQUARE_FEET_PER_M2, 1)} sq ft`,
  perArea: (perM2) => significant(perM2 / SQUARE_FEET_PER_M2),
  areaUnit: 'sq ft',
  temperature: (c) => `${minus(Math.round(c * 1.8 + 32))} °F`,
  measured: (value, unit) => converted(value, unit) ?? `${figure(value)} ${unit}`,
  toField: (cm) => typed(cm / CM_PER_INCH, 2),
};

/** A unit of the core as it stands in a field: its own name there, and the way there and back. */
export interface FieldUnit {
  label: string;
  shown: (value: number) => string;
  read: (typed: number) => number;
}

const IMPERIAL_FIELDS: Readonly<
  Record<string, readonly [label: string, times: number, plus: number]>
> = {
  cm: ['in', 1 / CM_PER_INCH, 0],
  kg: ['lb', LB_PER_KG, 0],
  L: ['gal', GALLONS_PER_LITRE, 0],
  '°C': ['°F', 1.8, 32],
};

export function fieldUnit(unit: string, system: UnitSystem): FieldUnit {
  const [label, times, plus] = (system === 'imperial' && IMPERIAL_FIELDS[unit]) || [unit, 1, 0];
  return {
    label,
    shown: (value) => String(Number((value * times + plus).toPrecision(4))),
    read: (typed) => (typed - plus) / times,
  };
}

/** A figure of a sum: three figures that say something, thousands grouped. */
export function figure(value: number): string {
  if (Math.abs(value) >= 100 || Number.isInteger(value)) return grouped(value);
  return String(Number(value.toPrecision(3)));
}

const minus = (value: number) => String(value).replace('-', '−');

function converted(value: number, unit: string): string | null {
  switch (unit) {
    case 'cm':
      return inches(value);
    case 'kg':
      return `${imperial.weight(value)} lb`;
    case 'g':
      return `${trimmed(value * OZ_PER_GRAM, 1)} oz`;
    case 'L':
      return imperial.volume(value);
    case 'm':
      return imperial.distance(value);
    case 'm²':
      return imperial.area(value);
    case '°C':
      return imperial.temperature(value);
    default:
      return null;
  }
}

export function unitsFor(system: UnitSystem): Units {
  return system === 'imperial' ? imperial : metric;
}

// A number as growers type it: 3, 3.5, 1/2, 1 1/2.
const NUMBER = String.raw`(\d+(?:\.\d+)?|(?:\d+\s+)?\d+/[1-9]\d*)`;
const FEET = new RegExp(
  String.raw`^${NUMBER}\s*(?:'|ft|feet|foot)\s*(?:${NUMBER}\s*(?:"|in|inch|inches)?)?$`,
);
const PLAIN = new RegExp(String.raw`^${NUMBER}\s*(m|cm|mm|"|in|inch|inches)?$`);

/** A whole number, a decimal or a fraction, as it stands in `NUMBER`. */
function mixedNumber(text = ''): number {
  const [first = '', second] = text.split(/\s+/);
  const part = (one: string) => {
    const [over = '', under = '1'] = one.split('/');
    return Number(over) / Number(under);
  };
  return part(first) + (second ? part(second) : 0);
}

/**
 * A typed length in centimetres: `120`, `1.2m`, `45 cm`, `4'`, `3'6"`, `3 ft 5`, `1 1/2 in`.
 * A bare number is in the grower's own unit; null when it cannot be read.
 */
export function readLength(typed: string, system: UnitSystem): number | null {
  const text = typed
    .trim()
    .toLowerCase()
    .replace(',', '.')
    .replaceAll('′', "'")
    .replaceAll('″', '"');
  const feet = FEET.exec(text);
  if (feet)
    return mixedNumber(feet[1]) * CM_PER_FOOT + (feet[2] ? mixedNumber(feet[2]) : 0) * CM_PER_INCH;
  const plain = PLAIN.exec(text);
  if (!plain) return null;
  const value = mixedNumber(plain[1]);
  switch (plain[2]) {
    case 'm':
      return value * 100;
    case 'mm':
      return value / 10;
    case 'cm':
      return value;
    case undefined:
      return system === 'imperial' ? value * CM_PER_INCH : value;
    default:
      return value * CM_PER_INCH;
  }
}
