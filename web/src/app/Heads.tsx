type Column = readonly [words: string, side?: 'right' | 'after'];

/** The heads of a table's columns: words to the left, figures to the right, `after` set off. */
export function Heads({ columns }: { columns: readonly Column[] }) {
  return (
    <thead className="text-muted">
      <tr>
        {columns.map(([words, side]) => (
          <th
            key={words}
            scope="col"
            className={`font-normal ${side === 'right' ? 'text-right' : 'text-left'} ${side === 'after' ? 'pl-4' : ''}`}
          >
            {words}
          </th>
        ))}
      </tr>
    </thead>
  );
}
