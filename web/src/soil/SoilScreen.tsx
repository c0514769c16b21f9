import { useMemo, useState } from 'react';
import { Link } from 'react-router';

import { useEditor } from '../api/garden';
import type { HeldGarden } from '../api/merge';
import type { Edit } from '../api/types';
import { useExtent } from '../app/useExtent';
import { Workings } from '../ledger/Working';
import { Buying } from './Buying';
import { FillTable } from './FillTable';
import { PlaceSoil } from './PlaceSoil';
import { Sections } from './Sections';
import { useOrder } from './useSoil';
import { WaterYear } from './WaterYear';

const SOIL_NOTES = new Set(['load', 'woody-base', 'below-ignored', 'native-unknown']);

/** What fills the places: litres, mixes, money, weight, and the water they will want. */
export function SoilScreen({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const editor = useEditor(slug);
  const [sheet, extent] = useExtent<HTMLDivElement>();
  const [asked, setAsked] = useState<string | null>(null);
  const [later, setLater] = useState<ReadonlySet<string>>(new Set());
  const chosen = state.report.places.find((p) => p.id === asked) ?? state.report.places[0];
  const bought = useMemo(
    () => new Set(state.report.places.map((p) => p.id).filter((id) => !later.has(id))),
    [state.report.places, later],
  );
  const order = useOrder(slug, version, [...bought]);
  const edit = (change: Edit) => void editor.edit(change);
  const nameOf = (id: string) => state.plan.places.find((p) => p.id === id)?.name ?? id;
  if (!chosen) {
    return (
      <main className="p-6">
        <h1 className="text-xl">Nothing to fill yet</h1>
        <p className="my-3">Soil is reckoned for each bed and container.</p>
        <Link className="act act-main inline-block" to={`/gardens/${slug}/places/new`}>
          Add a place
        </Link>
      </main>
    );
  }
  const document = state.plan.places.find((p) => p.id === chosen.id);
  return (
    <main className="workbench soil">
      <header className="px-4 pt-2">
        <h1 className="text-xl">Soil</h1>
      </header>
      <Workings>
        <div className="sheet flex min-h-0 flex-col overflow-y-auto">
          <div ref={sheet} className="h-[170px] shrink-0">
            <Sections
              places={state.report.places}
              nameOf={nameOf}
              chosen={chosen.id}
              extent={extent}
              onChoose={setAsked}
            />
          </div>
          <div className="px-4 pt-1">
            <FillTable
              state={state}
              order={order.data}
              chosen={chosen.id}
              bought={bought}
              onChoose={setAsked}
              onBuy={(id, buy) =>
                setLater((now) => {
                  const next = new Set(now);
                  if (buy) next.delete(id);
                  else next.add(id);
                  return next;
                })
              }
            />
          </div>
        </div>
        <aside className="side flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule px-3 pb-3 pt-2">
          <Buying
            key={`buying-${version}`}
            state={state}
            order={bought.size > 0 ? order.data : undefined}
            onEdit={edit}
          />
          {document && (
            <div className="border-t border-rule pt-2">
              <PlaceSoil
                key={`${chosen.id}-${version}`}
                place={document}
                notes={state.report.notes.filter(
                  (n) => n.place === chosen.id && SOIL_NOTES.has(n.code),
                )}
                onEdit={edit}
              />
            </div>
          )}
        </aside>
      </Workings>
      <div className="strip overflow-y-auto border-t border-rule px-4 pt-1.5">
        <WaterYear place={chosen} name={nameOf(chosen.id)} />
      </div>
    </main>
  );
}
