import type { PlaceReport, Support } from '../api/types';

/** Where a support stands, as its keys: on an edge, or along a line in the bed. */
export function standsAt(
  where: string,
  [x0, y0, x1, y1]: PlaceReport['bounds_cm'],
): Partial<Support> {
  const [x, y] = [(x0 + x1) / 2, (y0 + y1) / 2];
  if (where === 'along')
    return {
      edge: null,
      run_cm: null,
      line_cm: [
        [x, y0],
        [x, y1],
      ],
    };
  if (where === 'across')
    return {
      edge: null,
      run_cm: null,
      line_cm: [
        [x0, y],
        [x1, y],
      ],
    };
  if (where === 'line') return {};
  return { edge: (where || null) as Support['edge'], line_cm: null, sides: null };
}
