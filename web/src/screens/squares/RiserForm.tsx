import { useState } from 'react';

import type { Edit, Place } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { readLength } from '../../kit/units';
import { nextId } from '../../edits/edits';

const USUAL_CM = 30;
const LEAST_CM = 5;
const MOST_CM = 300;

interface Props {
  place: Place;
  cells: readonly string[];
  taken: readonly string[];
  onEdit: (edit: Edit) => void;
}

/** A box of boards on the chosen squares, for what the bed is too shallow for. */
export function RiserForm({ place, cells, taken, onEdit }: Props) {
  const units = useUnits();
  const [typed, setTyped] = useState(units.toField(USUAL_CM));
  const [fault, setFault] = useState<string>();
  return (
    <form
      className="mt-3 border-t border-faint pt-1"
      aria-label="A box on these squares"
      onSubmit={(event) => {
        event.preventDefault();
        const cm = readLength(typed, units.system);
        if (cm === null || cm < LEAST_CM || cm > MOST_CM) {
          setFault(`Enter a height of ${units.both(LEAST_CM, MOST_CM, ' to ')}.`);
          return;
        }
        setFault(undefined);
        onEdit({
          do: 'stand-riser',
          id: place.id,
          cells: [...cells],
          new_id: nextId(taken, 'place-'),
          wall_height_cm: cm,
        });
      }}
    >
      <p className="flex items-baseline gap-2">
        <input
          value={typed}
          inputMode="decimal"
          onChange={(event) => setTyped(event.target.value)}
          aria-label={`Height of the box, ${units.lengthUnit}`}
          className="min-h-0 w-16 px-1.5 py-0.5"
        />
        <span className="grow text-muted">{units.lengthUnit} high, on the soil that is there</span>
        <button type="submit" className="press">
          Stand a box on these squares
        </button>
      </p>
      {fault && (
        <p role="alert" className="font-semibold text-damson">
          {fault}
        </p>
      )}
    </form>
  );
}
