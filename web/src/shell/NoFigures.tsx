import { Link } from 'react-router';

import { useEditor } from '../api/garden';
import type { HeldGarden } from '../api/merge';
import { MarginNotes } from '../shared/MarginNotes';
import { useUnits } from '../kit/preferences';

/** The largest squares that there are. */
const LARGE_CM = 60;

/** A garden that is kept and whole, but has no figures now: why, and how to get them back. */
export function NoFigures({ state }: { state: HeldGarden }) {
  const editor = useEditor(state.head.slug);
  const units = useUnits();
  const stops = state.report.notes.filter((note) => note.place === null && note.level === 'stop');
  return (
    <main className="max-w-3xl space-y-4 overflow-y-auto p-6">
      <h1 className="text-xl">No figures at the moment</h1>
      <MarginNotes notes={stops} onFix={(edit) => void editor.edit(edit)} />
      <ul aria-label="Places">
        {state.plan.places.map((place) => (
          <li key={place.id} className="flex items-baseline gap-4 border-b border-faint py-1">
            <span className="grow">{place.name ?? place.id}</span>
            <button
              type="button"
              className="press"
              onClick={() =>
                void editor.edit({
                  do: 'change-place',
                  id: place.id,
                  changes: { cell_cm: LARGE_CM },
                })
              }
            >
              {`Squares of ${units.length(LARGE_CM)}`}
            </button>
            <button
              type="button"
              className="press"
              onClick={() => void editor.edit({ do: 'remove-place', id: place.id })}
            >
              Delete
            </button>
          </li>
        ))}
      </ul>
      <p className="flex gap-4">
        <a className="press" href={`/api/gardens/${state.head.slug}/plan.amplerows.json`} download>
          Export the plan document
        </a>
        <Link className="press" to={`/gardens/${state.head.slug}/garden`}>
          The garden
        </Link>
      </p>
    </main>
  );
}
