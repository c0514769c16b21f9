import type { Difference, Edit, Planting } from '../../api/types';

/** The edit that takes some differences of an offered plan over into the garden, as one. */
export function takeEdit(
  differences: readonly Difference[],
  plan: readonly Planting[],
  standing: ReadonlySet<string>,
): Edit | null {
  const offered = new Map(plan.map((planting) => [planting.id, planting]));
  const plants = differences.flatMap(({ comes, planting: { id } }): Edit[] => {
    const planting = comes ? offered.get(id) : undefined;
    return planting && !standing.has(id) ? [{ do: 'plant', planting: { ...planting } }] : [];
  });
  const gone = differences.flatMap((one) => (one.comes ? one.replaces : [one.planting.id]));
  const removes = [...new Set(gone)]
    .filter((id) => standing.has(id))
    .map((id): Edit => ({ do: 'remove-planting', id }));
  const edits = [...plants, ...removes];
  return edits.length > 0 ? { do: 'together', edits } : null;
}
