import { inRegion } from './region';
import { CM_PER_INCH, mixedNumber, NUMBER, readLength } from './units';
import type { UnitSystem } from './units';

/** A figure of the core in a field: how many of the grower's unit one of the core's is. */
interface Shown {
  label: string;
  times: number;
  plus?: number;
}

interface Measure {
  metric: string;
  imperial: Shown;
  /** What may be typed behind the number, and how much of the core's unit one of it is. */
  typed: Readonly<Record<string, number>>;
  /** Where a scale does not begin at nought: its number there. */
  typedFrom?: Readonly<Record<string, number>>;
}

const LITRES = {
  l: 1,
  litre: 1,
  litres: 1,
  liter: 1,
  liters: 1,
  ml: 0.001,
  qt: 0.946_353,
  quart: 0.946_353,
  quarts: 0.946_353,
  gal: 3.785_412,
  gallon: 3.785_412,
  gallons: 3.785_412,
  'cu ft': 28.316_847,
  ft3: 28.316_847,
  'ft³': 28.316_847,
  'cubic feet': 28.316_847,
  'cu yd': 764.554_858,
  yd3: 764.554_858,
  'yd³': 764.554_858,
  'cubic yards': 764.554_858,
  m3: 1000,
  'm³': 1000,
};
const KILOGRAMS = { kg: 1, g: 0.001, lb: 0.453_592, lbs: 0.453_592, oz: 0.028_349_5 };

/** A table of one unit from another: everything in it so many times as much. */
function scaled(table: Readonly<Record<string, number>>, by: number): Record<string, number> {
  return Object.fromEntries(Object.entries(table).map(([unit, value]) => [unit, value * by]));
}

const SOIL_OR_WATER = new Set(['L', 'L by hand', 'L of soil', 'm³']);
const own = new Map<string, number>();

/** From here on "2 barrows" is read by what the grower's own barrow holds, in litres. */
export function measureBy(held: Readonly<Record<string, number>>): void {
  own.clear();
  for (const [measure, litres] of Object.entries(held)) {
    for (const name of [measure, inRegion(measure, 'en-US')]) {
      own.set(name, litres);
      own.set(`${name}s`, litres);
    }
  }
}

/** How much of the core's unit a word behind a number stands for; NaN where it is none. */
function worth(word: string, unit: string): number {
  const known = BY_UNIT.get(unit)?.typed[word];
  if (known !== undefined) return known;
  const litres = SOIL_OR_WATER.has(unit) ? own.get(word) : undefined;
  return (litres ?? NaN) * (unit === 'm³' ? 0.001 : 1);
}

/** The core's units, as they are typed and shown where feet and pounds are used. */
const MEASURES = {
  cm: { metric: 'cm', imperial: { label: 'in', times: 1 / CM_PER_INCH }, typed: {} },
  kg: { metric: 'kg', imperial: { label: 'lb', times: 2.204_622_6 }, typed: KILOGRAMS },
  g: {
    metric: 'g',
    imperial: { label: 'oz', times: 0.035_274 },
    typed: scaled(KILOGRAMS, 1000),
  },
  L: { metric: 'L', imperial: { label: 'gal', times: 0.264_172 }, typed: LITRES },
  'L by hand': {
    metric: 'L',
    imperial: { label: 'qt', times: 1.056_688 },
    typed: LITRES,
  },
  'L of soil': {
    metric: 'litres',
    imperial: { label: 'cu ft', times: 1 / 28.316_847 },
    typed: LITRES,
  },
  'm³': {
    metric: 'm³',
    imperial: { label: 'cu yd', times: 1 / 0.764_555 },
    typed: scaled(LITRES, 0.001),
  },
  'm²': {
    metric: 'm²',
    imperial: { label: 'sq ft', times: 10.763_91 },
    typed: { m2: 1, 'm²': 1, 'sq ft': 0.092_903, ft2: 0.092_903, 'ft²': 0.092_903 },
  },
  '°C': {
    metric: '°C',
    imperial: { label: '°F', times: 1.8, plus: 32 },
    typed: { c: 1, '°c': 1, f: 1 / 1.8, '°f': 1 / 1.8 },
    typedFrom: { f: 32, '°f': 32 },
  },
  mm: {
    metric: 'mm',
    imperial: { label: 'in', times: 1 / 25.4 },
    typed: { mm: 1, cm: 10, in: 25.4, '"': 25.4 },
  },
  'm/s': {
    metric: 'm/s',
    imperial: { label: 'mph', times: 2.236_936 },
    typed: { 'm/s': 1, 'km/h': 1 / 3.6, mph: 0.447_04, kn: 0.514_444 },
  },
  'kg per L': {
    metric: 'kg per L',
    imperial: { label: 'lb per cu ft', times: 62.428 },
    typed: { 'kg per L': 1, 'kg/l': 1, 'lb per cu ft': 1 / 62.428 },
  },
  'kg per m²': {
    metric: 'kg per m²',
    imperial: { label: 'lb per sq ft', times: 0.204_816 },
    typed: { 'kg per m²': 1, 'kg/m²': 1, 'kg/m2': 1, 'lb per sq ft': 4.882_43, psf: 4.882_43 },
  },
  'g per m²': {
    metric: 'g per m²',
    imperial: { label: 'lb per 100 sq ft', times: 0.020_481_6 },
    typed: {
      'g per m²': 1,
      'g/m²': 1,
      'g/m2': 1,
      'lb per 100 sq ft': 48.824_3,
      'oz per sq ft': 305.152,
    },
  },
  'mL in 10 L': {
    metric: 'mL in 10 L',
    imperial: { label: 'oz per gallon', times: 0.012_8 },
    typed: { ml: 1, oz: 78.125, 'oz per gallon': 78.125, 'fl oz': 78.125 },
  },
  'g per L': {
    metric: 'g per litre',
    imperial: { label: 'oz per cu ft', times: 0.998_847 },
    typed: { 'g per litre': 1, 'g per l': 1, 'g/l': 1, 'oz per cu ft': 1 / 0.998_847 },
  },
  'per kg': { metric: 'per kg', imperial: { label: 'per lb', times: 0.453_592 }, typed: {} },
  'per m³': { metric: 'per m³', imperial: { label: 'per cu yd', times: 0.764_555 }, typed: {} },
  'per L': { metric: 'per litre', imperial: { label: 'per cu ft', times: 28.316_847 }, typed: {} },
} satisfies Record<string, Measure>;

export type CoreUnit = keyof typeof MEASURES;

const BY_UNIT = new Map<string, Measure>(Object.entries(MEASURES));

/** A unit of the core as it stands in a field: its name there, and the way there and back. */
export interface FieldUnit {
  label: string;
  shown: (value: number) => string;
  read: (typed: number) => number;
}

/** Any unit that the core names; one that is no measure here stands as it is. */
export function fieldUnit(unit: string, system: UnitSystem): FieldUnit {
  const measure = BY_UNIT.get(unit);
  const {
    label,
    times,
    plus = 0,
  }: Shown = measure && system === 'imperial'
    ? measure.imperial
    : { label: measure?.metric ?? unit, times: 1 };
  return {
    label,
    shown: (value) => String(Number((value * times + plus).toPrecision(4))),
    read: (typed) => (typed - plus) / times,
  };
}

const TYPED = new RegExp(String.raw`^([-−]?)${NUMBER}\s*([a-z°"].*)?$`);

/** A measure as it is typed, `3 cu ft`, `40 L` or a bare number in the grower's own unit, in the
 * core's unit; NaN where it cannot be read. */
export function readMeasure(text: string, unit: string, system: UnitSystem): number {
  if (unit === 'cm') return readLength(text, system) ?? NaN;
  const parts = TYPED.exec(text.trim().toLowerCase().replace(',', '.'));
  if (!parts) return NaN;
  const [, sign, digits, behind = ''] = parts;
  const value = mixedNumber(digits) * (sign ? -1 : 1);
  const field = fieldUnit(unit, system);
  if (behind === '' || behind === field.label.toLowerCase()) return field.read(value);
  return (value - (BY_UNIT.get(unit)?.typedFrom?.[behind] ?? 0)) * worth(behind, unit);
}

/** A figure of the core as it stands in a field; nothing where it is not known. */
export function measureText(
  value: number | null | undefined,
  unit: CoreUnit,
  system: UnitSystem,
): string {
  return value === null || value === undefined ? '' : fieldUnit(unit, system).shown(value);
}
