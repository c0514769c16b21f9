import { numberOf } from './text';
import { fieldUnit, readMeasure } from './measures';
import type { CoreUnit } from './measures';
import { readLength } from './units';
import type { Units } from './units';

/** A form's fields as they are typed. */
export type Texts<T> = { [K in keyof T]: string };

/** What is wrong, field by field; `whole` is for what no single field is to blame for. */
export type Faults = Record<string, string>;

/** Values read from what is typed; what cannot be read is kept as a fault of its field. */
export interface Reader<T> {
  typed: T;
  /** The words of a field; null where it is empty. */
  text: (key: keyof T) => string | null;
  /** A number; null where the field is empty. */
  number: (key: keyof T, least: number, most?: number) => number | null;
  /** A number that has to be given. */
  needed: (key: keyof T, least: number, most?: number) => number;
  /** A measure in the core's unit, typed in any; null where the field is empty. */
  measure: (key: keyof T, unit: CoreUnit, least: number, most?: number) => number | null;
  /** A length in centimetres that has to be given; below zero where the least is. */
  length: (key: keyof T, leastCm: number, mostCm?: number) => number;
  /** The same in metres. */
  metres: (key: keyof T, leastM: number) => number;
  fault: (key: keyof T | 'whole', words: string) => void;
}

/** A reader of these fields, and the faults that it finds as it reads. */
export function readerOf<T extends Texts<T>>(
  typed: T,
  units: Units,
): { reader: Reader<T>; faults: Faults } {
  const faults: Faults = {};
  const fault = (key: keyof T | 'whole', words: string) => {
    faults[String(key)] ??= words;
  };
  const textOf = (key: keyof T): string => (typed[key] as string | undefined)?.trim() ?? '';
  const needed = (key: keyof T, least: number, most = Infinity) => {
    const text = textOf(key);
    const value = numberOf(text);
    if (text === '' || Number.isNaN(value) || value < least || value > most)
      fault(key, `Enter a number from ${least}${most === Infinity ? '' : ` to ${most}`}.`);
    return value;
  };
  const length = (key: keyof T, leastCm: number, mostCm = Infinity) => {
    const text = textOf(key).replace('−', '-');
    const cm = readLength(text.replace(/^-/, ''), units.system);
    const signed = (cm ?? 0) * (text.startsWith('-') ? -1 : 1);
    if (cm === null || signed < leastCm || signed > mostCm)
      fault(key, lengthFault(units, leastCm, mostCm));
    return signed;
  };
  const measure = (key: keyof T, unit: CoreUnit, least: number, most = Infinity) => {
    if (textOf(key) === '') return null;
    const own = fieldUnit(unit, units.system);
    const value = readMeasure(textOf(key), unit, units.system);
    // What stood in the field was rounded, so the bounds are as they would stand there.
    const [low, high] = [own.read(Number(own.shown(least))), own.read(Number(own.shown(most)))];
    if (Number.isNaN(value) || value < Math.min(low, least) || value > Math.max(high, most)) {
      const upTo = most === Infinity ? '' : ` to ${own.shown(most)}`;
      fault(key, `Enter a number from ${own.shown(least)}${upTo} (${own.label}).`);
    }
    return value;
  };
  const reader: Reader<T> = {
    typed,
    text: (key) => textOf(key) || null,
    number: (key, least, most) => (textOf(key) === '' ? null : needed(key, least, most)),
    needed,
    measure,
    length,
    metres: (key, leastM) => Math.round(length(key, leastM * 100) * 100) / 10_000,
    fault,
  };
  return { reader, faults };
}

export function lengthFault(units: Units, leastCm: number, mostCm = Infinity): string {
  const example = units.system === 'imperial' ? `4', 3'6" or 42in` : '120, 1.2m or 45cm';
  const least = leastCm > 0 ? ` of at least ${units.length(leastCm)}` : '';
  const most = mostCm < Infinity ? ` of at most ${units.length(mostCm)}` : '';
  const bound = least && most ? `${least} and${most.replace(' of', '')}` : least || most;
  return `Enter a length${bound}, such as ${example}.`;
}

/** A figure as it stands in a field; nothing where it is not known. */
export function textOf(value: number | null | undefined): string {
  return value?.toString() ?? '';
}
