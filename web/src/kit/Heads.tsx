type Column = readonly [words: string, side?: 'right' | 'after', room?: 'roomy'];

/** The heads of a table's columns: words to the left, figures to the right, `after` set off, `roomy` ones
 * where there is room for them. `tucked` heads are for the ear only on a phone, where each row is laid out by itself. */
export function Heads({ columns, tucked }: { columns: readonly Column[]; tucked?: boolean }) {
  return (
    <thead className={`text-muted ${tucked ? 'max-sm:sr-only' : ''}`}>
      <tr>
        {columns.map(([words, side, room]) => (
          <th
            key={words}
            scope="col"
            className={`font-normal ${side === 'right' ? 'pl-2 text-right' : 'pr-1 text-left'} ${side === 'after' ? 'pl-4' : ''} ${room ? 'max-sm:hidden' : ''}`}
          >
            {words}
          </th>
        ))}
      </tr>
    </thead>
  );
}
