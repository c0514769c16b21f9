import type { HeldGarden } from '../../api/merge';
import type { Entry } from '../../api/types';
import type { Units } from '../../kit/units';

const DONE: Record<Entry['kind'], string> = {
  sown: 'sown',
  up: 'came up',
  thinned: 'thinned',
  'set-out': 'set out',
  tied: 'tied',
  fed: 'fed',
  watered: 'watered',
  seen: 'seen',
  picked: 'picked',
  cleared: 'cleared',
  soil: 'soil added',
  note: 'note',
  verdict: 'verdict',
};

/** What was done, and to which crop, kind and plant. */
export function told(state: HeldGarden, entry: Entry): string {
  const of = state.report.plantings.find((planting) => planting.id === entry.planting);
  const kind = of?.by_variety.find((each) => each.variety === entry.variety);
  const plant = entry.plant ? `, plant ${entry.plant}` : '';
  // What is said of a crop, not of one of its plantings, is told by the name it is grown under.
  const named = of ?? state.report.plantings.find((planting) => planting.crop === entry.crop);
  const name = kind?.name ?? named?.name ?? entry.crop?.replaceAll('-', ' ');
  const support = entry.support && supportName(state, entry);
  const done = isLoss(entry) ? 'lost' : DONE[entry.kind];
  return [done, name ?? support].filter(Boolean).join(' ') + plant;
}

/** What was seen is that plants are gone. */
function isLoss(entry: Entry): boolean {
  return entry.kind === 'seen' && entry.quality === 'lost';
}

/** In what words: how good it was or what was made of it, and what else was said. */
export function inWords(entry: Entry): string {
  const quality = isLoss(entry) ? null : entry.quality;
  return [quality, entry.text].filter(Boolean).join(', ');
}

/** How much: weight, pieces, plants, minutes. */
export function amount(entry: Entry, units: Units): string {
  const parts = [
    entry.kg === null || entry.kg === undefined ? null : weighed(entry.kg, units),
    entry.pieces ? `${entry.pieces} ${entry.pieces === 1 ? 'piece' : 'pieces'}` : null,
    entry.count ? `${entry.count}` : null,
    entry.minutes ? `${entry.minutes} min` : null,
  ];
  return parts.filter(Boolean).join(', ');
}

/** A weight as it was on the scale, not rounded like an estimate. */
function weighed(kg: number, units: Units): string {
  if (units.system === 'metric')
    return kg < 1 ? `${Math.round(kg * 1000)} g` : `${Number(kg.toFixed(3))} kg`;
  const ounces = Math.round(kg * 35.273_962 * 10) / 10;
  const [pounds, rest] = [Math.floor(ounces / 16), Math.round((ounces % 16) * 10) / 10];
  return [pounds > 0 ? `${pounds} lb` : '', rest > 0 || pounds === 0 ? `${rest} oz` : '']
    .filter(Boolean)
    .join(' ');
}

/** The system of the support that an entry is of, as far as it still stands. */
function supportName(state: HeldGarden, entry: Entry): string | undefined {
  const place = state.plan.places.find((each) => each.id === entry.place);
  return place?.supports.find((each) => each.id === entry.support)?.system.replaceAll('-', ' ');
}
