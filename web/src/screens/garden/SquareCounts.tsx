import { useState } from 'react';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { CropLine } from '../../api/types';
import { useIndex } from '../../api/useBook';
import { CommittedInput } from '../../kit/CommittedInput';
import { Find } from '../../kit/Find';
import { perSquareOf, perSquareWords } from '../../kit/text';

/** How many plants a square holds, crop by crop: the book's counts, each of them to change. */
export function SquareCounts({ state }: { state: HeldGarden }) {
  const editor = useEditor(state.head.slug);
  const index = useIndex(state, null);
  const [wanted, setWanted] = useState('');
  const own = state.plan.garden.per_square ?? {};
  const text = wanted.trim().toLowerCase();
  const lines = (index.data ?? []).filter((line) =>
    [line.name, ...line.names].some((name) => name.toLowerCase().includes(text)),
  );
  const change = (crop: string, count: number | null) => {
    const others = Object.entries(own).filter(([id]) => id !== crop);
    const counts = Object.fromEntries(count === null ? others : [...others, [crop, count]]);
    const per_square = Object.keys(counts).length > 0 ? counts : null;
    void editor.edit({ do: 'change-garden', changes: { per_square } });
  };
  return (
    <section aria-labelledby="counts">
      <h2 id="counts" className="mb-2 text-base">
        Plants in a square
      </h2>
      <p className="text-muted">
        For a square of 30 cm or 12 in, where beds are planted by a count for each square. 1/4 is
        one plant to four squares.
      </p>
      <Find label="Find a crop" value={wanted} onChange={setWanted} className="my-1 w-full" />
      <ul aria-label="Counts" className="max-h-80 overflow-y-auto pr-2">
        {lines.map((line) => (
          <Count key={line.id} line={line} own={own[line.id] ?? null} onChange={change} />
        ))}
      </ul>
    </section>
  );
}

function Count({
  line,
  own,
  onChange,
}: {
  line: CropLine;
  own: number | null;
  onChange: (crop: string, count: number | null) => void;
}) {
  const [fault, setFault] = useState(false);
  const commit = (typed: string) => {
    const count = typed.trim() === '' ? null : perSquareOf(typed);
    const wrong = count !== null && Number.isNaN(count);
    setFault(wrong);
    const next = count === line.per_square ? null : count;
    if (!wrong && next !== own) onChange(line.id, next);
  };
  return (
    <li className="border-b border-faint py-0.5">
      <label className="flex items-baseline justify-between gap-3">
        <span className={own === null ? '' : 'font-semibold'}>{line.name}</span>
        <CommittedInput
          type="text"
          inputMode="decimal"
          className="min-h-0 w-16 px-1.5 py-0.5 text-right"
          value={perSquareWords(own ?? line.per_square)}
          onCommit={commit}
        />
      </label>
      {fault && (
        <p role="alert" className="font-semibold text-damson">
          Enter a whole number such as 4, or a part such as 1/4.
        </p>
      )}
    </li>
  );
}
