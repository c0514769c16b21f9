import { useMemo, useState } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { Edit, PlaceReport } from '../../api/types';
import { useExtent } from '../../kit/useExtent';
import { Buying } from './Buying';
import { FillTable } from './FillTable';
import { GettingReady } from './GettingReady';
import { PlaceSoil } from './PlaceSoil';
import { Sections } from './Sections';
import { useOrder } from '../../api/useSoil';
import { WaterYear } from './WaterYear';

interface Props {
  state: HeldGarden;
  chosen: PlaceReport;
  nameOf: (id: string) => string;
  onChoose: (id: string) => void;
  onEdit: (edit: Edit) => void;
}

const SOIL_NOTES = new Set([
  'load',
  'woody-base',
  'below-ignored',
  'native-unknown',
  'container-heat',
]);

/** Places cut across, what each takes, and everything ticked as one order. */
export function Filling({ state, chosen, nameOf, onChoose, onEdit }: Props) {
  const { slug, version } = state.head;
  const [sheet, extent] = useExtent<HTMLDivElement>();
  const [ticks, setTicks] = useState<ReadonlyMap<string, boolean>>(new Map());
  const bought = useMemo(() => {
    // What stands already, or comes later, is not bought now unless it is ticked.
    const now = (id: string) =>
      ticks.get(id) ?? (state.plan.places.find((p) => p.id === id)?.stage ?? NOW) === NOW;
    return new Set(state.report.places.map((p) => p.id).filter(now));
  }, [state, ticks]);
  const order = useOrder(slug, version, [...bought]);
  const document = state.plan.places.find((p) => p.id === chosen.id);
  return (
    <>
      <div className="sheet flex min-h-0 flex-col overflow-y-auto">
        <div ref={sheet} className="shrink-0">
          <Sections
            places={state.report.places}
            nameOf={nameOf}
            chosen={chosen.id}
            width={extent.width}
            onChoose={onChoose}
          />
        </div>
        <div className="px-4 pb-3 pt-1">
          <FillTable
            state={state}
            order={order.data}
            chosen={chosen.id}
            bought={bought}
            onChoose={onChoose}
            onBuy={(id, buy) => setTicks((now) => new Map(now).set(id, buy))}
          />
          <GettingReady place={chosen} name={nameOf(chosen.id)} />
        </div>
      </div>
      <aside className="side flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule px-3 pb-3 pt-2">
        <Buying
          key={`buying-${version}`}
          state={state}
          order={bought.size > 0 ? order.data : undefined}
          onEdit={onEdit}
        />
        {document && (
          <div className="border-t border-rule pt-2">
            <PlaceSoil
              key={`${chosen.id}-${version}`}
              slug={slug}
              soil={state.plan.soil}
              place={document}
              areaM2={chosen.inside_area_m2}
              notes={state.report.notes.filter(
                (n) => n.place === chosen.id && SOIL_NOTES.has(n.code),
              )}
              onEdit={onEdit}
            />
          </div>
        )}
      </aside>
      <div className="strip overflow-y-auto border-t border-rule px-4 pt-1.5">
        <WaterYear state={state} place={chosen} name={nameOf(chosen.id)} />
      </div>
    </>
  );
}

const NOW = 'this-year';
