import { useState } from 'react';

import type { Edit, Place, PlantingReport } from '../../api/types';
import { freeEdit, holdEdit } from '../../edits/edits';

interface Props {
  place: Place;
  cells: readonly string[];
  plantings: readonly PlantingReport[];
  onEdit: (edit: Edit) => void;
}

/** Squares kept for something that is no crop: hold the chosen ones, free those held. */
export function Holding({ place, cells, plantings, onEdit }: Props) {
  const [reason, setReason] = useState('');
  const users = new Set(
    plantings.filter((p) => p.cells.some((cell) => cells.includes(cell))).map((p) => p.name),
  );
  return (
    <section aria-label="Held squares" className="mt-3 border-t border-faint pt-1">
      {users.size > 0 && (
        <p className="text-muted">
          {`To hold these squares, move what grows here in the year: ${[...users].join(', ')}.`}
        </p>
      )}
      {cells.length > 0 && users.size === 0 && (
        <form
          className="flex items-baseline gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            onEdit(holdEdit(place, cells, reason));
            setReason('');
          }}
        >
          <input
            value={reason}
            maxLength={120}
            onChange={(event) => setReason(event.target.value)}
            placeholder="a post, a seat, later"
            aria-label="Hold for"
            className="min-h-0 grow px-1.5 py-0.5"
          />
          <button type="submit" className="press">
            Hold these squares
          </button>
        </form>
      )}
      <ul>
        {place.held.map((part, index) => (
          <li key={part.cells.join()} className="flex items-baseline justify-between gap-2">
            <span className="text-muted">{`${part.cells.join(', ')}: ${part.reason ?? 'held'}`}</span>
            <button
              type="button"
              className="press"
              aria-label={`Free ${part.cells.join(', ')}`}
              onClick={() => onEdit(freeEdit(place, index))}
            >
              Free
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
