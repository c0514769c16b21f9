/**
 * The row in which each label of a running measure is written so that none covers another.
 *
 * @param labels Middle and width of each, in order along the line. [px]
 */
export function rowsOf(labels: readonly (readonly [middle: number, width: number])[]): number[] {
  const ends: number[] = [];
  return labels.map(([middle, width]) => {
    const begin = middle - width / 2;
    const free = ends.findIndex((end) => end <= begin);
    const row = free < 0 ? ends.length : free;
    ends[row] = middle + width / 2;
    return row;
  });
}
