import type { Learnt, LearntCrop, LearntFactor, OwnFactors } from '../api/types';

/** What the plan goes by once one factor is taken up, or put down again with null; null where
 * nothing is left of it. */
export function goBy(
  own: OwnFactors | null,
  what: string,
  factor: LearntFactor | LearntCrop | null,
): OwnFactors | null {
  if (what === 'garden') return orNone({ ...own, garden: factor });
  const others = Object.entries(own?.crops ?? {}).filter(([crop]) => crop !== what);
  const crops = Object.fromEntries(factor ? [...others, [what, factor]] : others);
  return orNone({ ...own, crops });
}

/** All that was learnt: of the crops and families that were weighed, and of the garden. */
export function goByAll(learnt: Learnt): OwnFactors | null {
  return orNone({
    garden: learnt.garden,
    families: weighed(learnt.families),
    crops: weighed(learnt.crops),
  });
}

function weighed<T extends LearntFactor>(factors: Record<string, T>): Record<string, T> {
  return Object.fromEntries(Object.entries(factors).filter(([, of]) => of.n > 0));
}

function orNone({ garden, families, crops }: OwnFactors): OwnFactors | null {
  const kept: OwnFactors = {};
  if (garden) kept.garden = garden;
  if (families && Object.keys(families).length > 0) kept.families = families;
  if (crops && Object.keys(crops).length > 0) kept.crops = crops;
  return Object.keys(kept).length > 0 ? kept : null;
}
