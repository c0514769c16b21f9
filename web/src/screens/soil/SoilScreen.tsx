import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Edit } from '../../api/types';
import { Building } from './building/Building';
import { Feeding } from './feeding/Feeding';
import { Workings } from '../../shared/Working';
import { Watering } from './watering/Watering';
import { Filling } from './Filling';

const VIEWS = [
  ['fill', 'Fill'],
  ['building', 'Building'],
  ['watering', 'Watering'],
  ['feeding', 'Feeding'],
] as const;
/** Views without a strip of months at the foot. */
const TALL = new Set<string>(['building', 'feeding']);

/** What fills the places: litres, mixes, money, weight, and the water they will want. */
export function SoilScreen({ state }: { state: HeldGarden }) {
  const { slug } = state.head;
  const editor = useEditor(slug);
  const search = useSearchParams()[0];
  const wanted = search.get('view');
  const view = VIEWS.find(([id]) => id === wanted)?.[0] ?? 'fill';
  const [asked, setAsked] = useState(() => search.get('place'));
  const chosen = state.report.places.find((p) => p.id === asked) ?? state.report.places[0];
  const edit = (change: Edit) => void editor.edit(change);
  const nameOf = (id: string) => state.plan.places.find((p) => p.id === id)?.name ?? id;
  if (!chosen) {
    return (
      <main className="p-6">
        <h1 className="text-xl">Nothing to fill yet</h1>
        <p className="my-3">Soil is calculated for each bed and container.</p>
        <Link className="act act-main inline-block" to={`/gardens/${slug}/places/new`}>
          Add a place
        </Link>
      </main>
    );
  }
  return (
    <main className={`workbench soil ${TALL.has(view) ? 'tall' : ''}`}>
      <header className="flex flex-wrap items-baseline gap-x-4 px-4 pt-2">
        <h1 className="text-xl">Soil</h1>
        <nav aria-label="Views of the soil" className="ml-auto flex flex-wrap gap-x-4">
          {VIEWS.map(([id, words]) => (
            <Link
              key={id}
              to={id === 'fill' ? '.' : `?view=${id}`}
              className="press"
              aria-current={view === id ? 'page' : undefined}
            >
              {words}
            </Link>
          ))}
        </nav>
      </header>
      <Workings>
        {view === 'building' && <Building state={state} onEdit={edit} />}
        {view === 'watering' && (
          <Watering
            state={state}
            chosen={chosen}
            nameOf={nameOf}
            onChoose={setAsked}
            onEdit={edit}
          />
        )}
        {view === 'feeding' && (
          <Feeding
            state={state}
            chosen={chosen}
            nameOf={nameOf}
            onChoose={setAsked}
            onEdit={edit}
          />
        )}
        {view === 'fill' && (
          <Filling
            state={state}
            chosen={chosen}
            nameOf={nameOf}
            onChoose={setAsked}
            onEdit={edit}
          />
        )}
      </Workings>
    </main>
  );
}
