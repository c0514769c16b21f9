/** The grower's units. The core speaks centimetres, kilograms and litres; only this converts. */

export type UnitSystem = 'metric' | 'imperial';

/** The words of a region: names of crops, and the order of a date. */
export type Region = 'en-GB' | 'en-US';

let asked = 'units=metric, words=en-GB';

/** How the server's sentences are asked for from now on. */
export function askIn(units: UnitSystem, region: Region): void {
  asked = `units=${units}, words=${region}`;
}

export const saidAsAsked = () => asked;

export const CM_PER_INCH = 2.54;
const CM_PER_FOOT = 30.48;
const LB_PER_KG = 2.204_622_6;
const OZ_PER_GRAM = 0.035_273_96;
const GALLONS_PER_LITRE = 0.264_172;
const SQUARE_FEET_PER_M2 = 10.763_91;
const QUARTS_PER_LITRE = 0.908_083;
const CUBIC_FEET_PER_LITRE = 0.035_314_67;
const CUBIC_FEET_PER_CUBIC_YARD = 27;
const CUBIC_YARDS_PER_M3 = 1.307_951;
const MPH_PER_M_S = 2.236_936;
const POUNDS_PER_NEWTON = 0.224_809;
const INCHES_PER_FOOT = 12;
const MM_TO_INCHES = 1 / 25.4;
const F_PER_C = 1.8;
// Less than this a tenth of an inch does not show.
const SEEN_CM = 0.25;
// From a yard on a length is said in feet and inches, as a tape is read.
const IN_FEET_FROM = 36;
// From these on nobody paces or pours in tenths.
const WHOLE_FEET_FROM = 20;
const WHOLE_GALLONS_FROM = 10;

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
  /** Two lengths with their unit once, where they have the same: 120 × 240 cm, 4 × 8 ft. */
  both: (aCm: number, bCm: number, between?: string) => string;
  /** Water, or the soil of one plant. */
  volume: (litres: number) => string;
  /** Soil and the like as they are bought. */
  bulk: (litres: number) => string;
  /** Soil tipped loose. [m³] */
  loose: (m3: number) => string;
  rain: (mm: number) => string;
  wind: (mPerS: number) => string;
  force: (newtons: number) => string;
  /** A volume without its unit, and the unit, for columns. */
  volumeBare: (litres: number) => string;
  volumeUnit: string;
  /** A feed without its unit, in grams or ounces, and the units for it and for it on an area. */
  feed: (grams: number, digits?: number) => string;
  feedUnit: string;
  feedOnArea: (gramsPerM2: number) => string;
  feedAreaUnit: string;
  /** So much water on so much ground as ten litres on a square metre is, in words. */
  aWatering: string;
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
  /** A stretch of a row or a net that a figure is told for, in words and in metres. */
  aRun: string;
  runM: number;
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

/** Squares times weeks, as idle ground is counted: 1 square-week, 74 square-weeks. */
export function squareWeeks(value: number): string {
  const whole = Math.round(value);
  return `${grouped(whole)} ${whole === 1 ? 'square-week' : 'square-weeks'}`;
}

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
  both: (a, b, between = ' × ') => `${trimmed(a, 1)}${between}${trimmed(b, 1)} cm`,
  volume: (litres) => `${grouped(litres)} L`,
  bulk: (litres) => `${grouped(litres)} L`,
  loose: (m3) => `${m3} m³`,
  rain: (mm) => `${Math.round(mm)} mm`,
  wind: (mPerS) => `${Math.round(mPerS)} m/s`,
  force: (newtons) => `${Math.round(newtons)} N`,
  volumeBare: (litres) => grouped(litres),
  volumeUnit: 'litres',
  feed: (grams, digits = 0) => (digits === 0 ? grouped(grams) : grams.toFixed(digits)),
  feedUnit: 'g',
  feedOnArea: grouped,
  feedAreaUnit: 'g per m²',
  aWatering: 'Ten litres on a square metre wet',
  weightValue: (kg) => kg,
  loadValue: (load) => load,
  area: (m2) => `${trimmed(m2, 2)} m²`,
  perArea: (perM2) => trimmed(perM2, 1),
  areaUnit: 'm²',
  temperature: (c) => `${minus(Math.round(c))} °C`,
  measured: (value, unit) => `${figure(value)} ${unit}`,
  aRun: 'a metre',
  runM: 1,
  toField: (cm) => typed(cm, 2),
};

/** Inches as they are found on a tape: from a foot on whole and half ones. */
function onTape(cm: number): number {
  const inches = cm / CM_PER_INCH;
  return Math.abs(inches) < INCHES_PER_FOOT ? inches : Math.round(inches * 2) / 2;
}

function feetAndInches(cm: number): string {
  const inches = onTape(cm);
  if (Math.abs(inches) < IN_FEET_FROM) return `${trimmed(inches, 1)} in`;
  const feet = Math.floor(Math.abs(inches) / INCHES_PER_FOOT);
  const rest = trimmed(Math.abs(inches) - feet * INCHES_PER_FOOT, 1);
  return `${inches < 0 ? '−' : ''}${feet} ft${rest === '0' ? '' : ` ${rest} in`}`;
}

function wholeFrom(least: number, value: number): string {
  return trimmed(value, Math.abs(value) >= least ? 0 : 1);
}

/** Both in feet where both are whole ones, as beds are spoken of; else both in inches. */
function bothInFeet(a: number, b: number, between = ' × '): string {
  const inFeet = [a, b].map((cm) => Math.round((cm / CM_PER_FOOT) * 100) / 100);
  if (inFeet.every((feet) => Number.isInteger(feet) && feet >= 2))
    return `${inFeet.join(between)} ft`;
  return `${[a, b].map((cm) => trimmed(onTape(cm), 1)).join(between)} in`;
}

function bulkInFeet(litres: number): string {
  const cubicFeet = litres * CUBIC_FEET_PER_LITRE;
  if (Math.abs(cubicFeet) < 0.5) return `${trimmed(litres * QUARTS_PER_LITRE, 0)} qt`;
  if (Math.abs(cubicFeet) < CUBIC_FEET_PER_CUBIC_YARD) return `${trimmed(cubicFeet, 1)} cu ft`;
  return `${trimmed(cubicFeet / CUBIC_FEET_PER_CUBIC_YARD, 1)} cu yd`;
}

const imperial: Units = {
  system: 'imperial',
  lengthUnit: 'in',
  weightUnit: 'lb',
  length: feetAndInches,
  bare: (cm) => trimmed(cm / CM_PER_INCH, 1),
  weight: (kg) => weightDigits(kg * LB_PER_KG),
  mass: (kg) =>
    kg * LB_PER_KG < 0.495
      ? `${significant(kg * 1000 * OZ_PER_GRAM)} oz`
      : `${significant(kg * LB_PER_KG)} lb`,
  distance: (m) => `${wholeFrom(WHOLE_FEET_FROM, (m * 100) / CM_PER_FOOT)} ft`,
  snapM: 0.0508,
  both: bothInFeet,
  volume: (litres) => `${wholeFrom(WHOLE_GALLONS_FROM, litres * GALLONS_PER_LITRE)} gal`,
  bulk: bulkInFeet,
  loose: (m3) => `${trimmed(m3 * CUBIC_YARDS_PER_M3, 1)} cu yd`,
  rain: (mm) => `${trimmed(mm / 25.4, 2)} in`,
  wind: (mPerS) => `${Math.round(mPerS * MPH_PER_M_S)} mph`,
  force: (newtons) => `${Math.round(newtons * POUNDS_PER_NEWTON)} lb of force`,
  volumeBare: (litres) => wholeFrom(WHOLE_GALLONS_FROM, litres * GALLONS_PER_LITRE),
  volumeUnit: 'gallons',
  feed: (grams, digits = 0) => trimmed(grams * OZ_PER_GRAM, digits + 1),
  feedUnit: 'oz',
  feedOnArea: (load) => trimmed((load * OZ_PER_GRAM) / SQUARE_FEET_PER_M2, 1),
  feedAreaUnit: 'oz per sq ft',
  aWatering: 'A quart on a square foot wets',
  weightValue: (kg) => kg * LB_PER_KG,
  loadValue: (load) => (load * LB_PER_KG) / SQUARE_FEET_PER_M2,
  area: (m2) => `${trimmed(m2 * SQUARE_FEET_PER_M2, 1)} sq ft`,
  perArea: (perM2) => significant(perM2 / SQUARE_FEET_PER_M2),
  areaUnit: 'sq ft',
  temperature: (c) => `${minus(Math.round(c * 1.8 + 32))} °F`,
  measured: (value, unit) => converted(value, unit) ?? `${figure(value)} ${unit}`,
  aRun: 'a foot',
  runM: 0.3048,
  toField: (cm) => typed(cm / CM_PER_INCH, 2),
};

/** A figure of a sum: three figures that say something, thousands grouped. */
export function figure(value: number): string {
  if (Math.abs(value) >= 100 || Number.isInteger(value)) return grouped(value);
  return String(Number(value.toPrecision(3)));
}

const minus = (value: number) => String(value).replace('-', '−');

// By a unit of the core: what it is in feet, pounds and gallons, and how that is called.
const CONVERTED = new Map<string, readonly [number, string]>([
  ['L per week', [GALLONS_PER_LITRE, 'gal per week']],
  ['L per min', [GALLONS_PER_LITRE, 'gal per min']],
  ['mm per day', [MM_TO_INCHES, 'in per day']],
  ['m/s', [MPH_PER_M_S, 'mph']],
  ['N', [POUNDS_PER_NEWTON, 'lb of force']],
  ['Pa', [0.020_885_4, 'lb per sq ft']],
  ['kPa', [20.885_4, 'lb per sq ft']],
  ['g N', [OZ_PER_GRAM, 'oz N']],
  ['g N per m²', [LB_PER_KG / 10 / SQUARE_FEET_PER_M2, 'lb N per 100 sq ft']],
  ['kg per m', [(LB_PER_KG * CM_PER_FOOT) / 100, 'lb per ft']],
  ['kg per m²', [LB_PER_KG / SQUARE_FEET_PER_M2, 'lb per sq ft']],
  ['kg per m³', [LB_PER_KG / (CUBIC_FEET_PER_LITRE * 1000), 'lb per cu ft']],
  ['kg per L', [LB_PER_KG / GALLONS_PER_LITRE, 'lb per gal']],
  ['L per m²', [GALLONS_PER_LITRE / SQUARE_FEET_PER_M2, 'gal per sq ft']],
  ['mm', [MM_TO_INCHES, 'in']],
  ['mm per week', [MM_TO_INCHES, 'in per week']],
  ['mm per month', [MM_TO_INCHES, 'in per month']],
  ['m per min', [100 / CM_PER_FOOT, 'ft per min']],
  ['m² per day', [SQUARE_FEET_PER_M2, 'sq ft per day']],
  ['MPa', [145.038, 'lb per sq in']],
  ['°C difference', [F_PER_C, '°F difference']],
  ['°C per week', [F_PER_C, '°F per week']],
  ['°C per cm', [F_PER_C * CM_PER_INCH, '°F per in']],
  ['days per cm', [CM_PER_INCH, 'days per in']],
  ['h per m³', [1 / CUBIC_YARDS_PER_M3, 'h per cu yd']],
  ['h per m² and 20 cm', [1 / SQUARE_FEET_PER_M2, 'h per sq ft and 8 in']],
]);

/** A unit that goes on in words, as its measure and the rest: cm · over the soil. */
function inParts(unit: string): readonly [string, string] | null {
  for (const known of [...CONVERTED.keys()].toSorted((a, b) => b.length - a.length))
    if (unit.startsWith(known) && /^[ ,]/.test(unit.slice(known.length)))
      return [known, unit.slice(known.length)];
  const [, plain, rest] = /^(cm|kg|g|L|m|m²|°C)([ ,].*)$/.exec(unit) ?? [];
  return plain && rest && !/^ (per|and) /.test(rest) ? [plain, rest] : null;
}

function converted(value: number, unit: string): string | null {
  switch (unit) {
    case 'cm':
      return Math.abs(value) < SEEN_CM && value !== 0
        ? `${figure(value / CM_PER_INCH)} in`
        : feetAndInches(value);
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
    default: {
      const into = CONVERTED.get(unit);
      if (into) return `${figure(value * into[0])} ${into[1]}`;
      const parts = inParts(unit);
      const measure = parts && converted(value, parts[0]);
      return parts && measure ? `${measure}${parts[1]}` : null;
    }
  }
}

export function unitsFor(system: UnitSystem): Units {
  return system === 'imperial' ? imperial : metric;
}

// A number as growers type it: 3, 3.5, 1/2, 1 1/2.
export const NUMBER = String.raw`(\d+(?:\.\d+)?|(?:\d+\s+)?\d+/[1-9]\d*)`;
const FEET = new RegExp(
  String.raw`^${NUMBER}\s*(?:'|ft|feet|foot)\s*(?:${NUMBER}\s*(?:"|in|inch|inches)?)?$`,
);
const PLAIN = new RegExp(String.raw`^${NUMBER}\s*(m|cm|mm|"|in|inch|inches)?$`);

/** A whole number, a decimal or a fraction, as it stands in `NUMBER`. */
export function mixedNumber(text = ''): number {
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
