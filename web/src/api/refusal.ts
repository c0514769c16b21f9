import type { ProblemError } from './client';
import type { HeldGarden } from './merge';

type Named = Pick<HeldGarden, 'plan' | 'report'>;

const ONE_OF: Record<string, string> = {
  supports: 'support',
  covers: 'cover',
  paths: 'path',
  obstacles: 'obstacle',
  taps: 'tap',
  tanks: 'butt',
  line: 'point',
  spots: 'plant',
};
const UNITS = /_(cm|cm2|m|m2|m3|l|kg|g|deg|litres)$/;

/** Where in a garden a path of its document lies, as a gardener says it: "Bed 2, support 1". */
export function whereWords(path: string, { plan, report }: Named): string {
  const steps = [...path.matchAll(/([A-Za-z]\w*)(?:\[(\d+)\])?/g)];
  const words = steps.map(([, key = '', index]) => {
    const at = Number(index ?? -1);
    const place = plan.places[at];
    if (key === 'places' && place) return place.name ?? place.id;
    const planting = plan.plantings[at];
    if (key === 'plantings' && planting)
      return report.plantings.find((r) => r.id === planting.id)?.name ?? planting.crop;
    const plain = key.replace(UNITS, '');
    const named = index === undefined ? plain : (ONE_OF[plain] ?? plain);
    return `${named.replaceAll('_', ' ')}${index === undefined ? '' : ` ${at + 1}`}`;
  });
  return words.join(', ');
}

/** Why an edit was refused, with where in the garden each fault lies. */
export function refusalWords(why: ProblemError, garden: Named | undefined): string {
  const faults = why.problem?.errors ?? [];
  if (faults.length === 0 || !garden) return why.message;
  const told = faults.map(({ path, text }) =>
    path ? `${whereWords(path, garden)}: ${text}` : text,
  );
  return `${told.join('; ')}. Nothing was changed.`;
}
