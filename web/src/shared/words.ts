import type { Planting } from '../api/types';
import type { Options } from '../kit/Choice';

type Layout = NonNullable<Planting['layout']>;

/** Ways of setting plants out, in words. */
export const LAYOUTS: Options<Layout> = [
  ['merged', 'squares merged'],
  ['single-squares', 'a count for each square'],
  ['offset', 'offset rows'],
  ['rows', 'straight rows'],
  ['band', 'thick band'],
  ['stations', 'stations'],
];

/** How near to the walls plants stand, in words. */
export const WALLS: Options<NonNullable<Planting['walls']>> = [
  ['half', 'half a spacing'],
  ['near', 'near the walls'],
];

/** How well it is known that neighbours matter to each other. */
export const EVIDENCE: Record<string, string> = {
  tested: 'tested in trials',
  some: 'some evidence',
  belief: 'an old belief',
};

/** What is done to start a planting, before its number. */
export const HOW_STARTED = {
  sow: 'sow',
  transplant: 'set out plants',
  set: 'set',
  division: 'plant',
} as const;

/** Ways of starting, in words. */
export const STARTS: Options<Planting['start']> = [
  ['sow', 'sown here'],
  ['transplant', 'set out as plants'],
  ['set', 'sets, cloves or tubers'],
  ['division', 'divided or runners'],
];
