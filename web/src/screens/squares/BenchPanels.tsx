import { Tabs } from 'radix-ui';
import { lazy, Suspense } from 'react';

import type { HeldGarden } from '../../api/merge';
import { spotOf } from '../../drawing/cells';
import { MarginNotes } from '../../shared/MarginNotes';
import { usePlaceVerdicts, useVerdicts, Verdict } from '../../shared/Verdict';
import { ChoosingMore } from './ChoosingMore';
import { Holding } from './Holding';
import { RiserForm } from './RiserForm';
import { Shelf } from './Shelf';
import { StarterBeds } from './StarterBeds';
import type { Bench, Panel } from './useBench';

// What is asked of one planting is fetched when a planting is chosen.
const PlantingCard = lazy(() =>
  import('./PlantingCard').then((part) => ({ default: part.PlantingCard })),
);
const SpacingPanel = lazy(() =>
  import('./spacing/SpacingPanel').then((part) => ({ default: part.SpacingPanel })),
);

/** Beside the ledger: notes, what fits, and the planting that is chosen. */
export function BenchPanels({ state, bench }: { state: HeldGarden; bench: Bench }) {
  const { place, document, plantings, chosen, selected, edit } = bench;
  const { slug, version } = state.head;
  const verdicts = useVerdicts(slug);
  const ofPlaces = usePlaceVerdicts(slug);
  const notes = state.report.notes.filter((n) => n.place === place.id || n.place === null);
  const stops = notes.filter((n) => n.level !== 'tip').length;
  const planned = state.plan.plantings.find((p) => p.id === selected?.id);
  // What stands below the list comes with it, or it would move as the list arrives.
  const listed = chosen.cells.length === 0 || Boolean(bench.shelf.data ?? bench.shelf.error);
  return (
    <Tabs.Root
      value={bench.panel}
      onValueChange={(value) => bench.setPanel(value as Panel)}
      className="no-print mt-2 flex min-h-0 grow flex-col"
    >
      <Tabs.List aria-label="Beside the ledger" className="flex gap-4 border-b border-rule">
        <PanelTab value="notes">
          {stops > 0 && !selected ? `Notes, ${stops} to fix` : 'Notes'}
        </PanelTab>
        <PanelTab value="shelf">What fits</PanelTab>
        {selected && <PanelTab value="planting">This planting</PanelTab>}
        {selected && <PanelTab value="spacing">Spacing</PanelTab>}
      </Tabs.List>
      <Tabs.Content value="notes" className="panel">
        <MarginNotes
          notes={notes}
          onFix={edit}
          onChoose={(cells, planting) =>
            bench.choose(cells, cells[0] ? spotOf(cells[0]) : bench.cursor, planting)
          }
        />
      </Tabs.Content>
      <Tabs.Content value="shelf" className="panel">
        <Verdict of={ofPlaces.data?.[place.id]} />
        <ChoosingMore bench={bench} />
        <Shelf
          cells={chosen.cells}
          day={bench.day}
          answer={bench.shelf.data}
          verdicts={verdicts.data}
          onDay={bench.setDay}
          problem={bench.shelf.error}
          onPlant={bench.plant}
        />
        {plantings.length === 0 && chosen.cells.length === 0 && (
          <StarterBeds slug={slug} version={version} place={place.id} onTake={edit} />
        )}
        {listed && chosen.cells.length > 0 && !document.stands_on && (
          <RiserForm
            place={document}
            cells={chosen.cells}
            taken={state.plan.places.map((p) => p.id)}
            onEdit={bench.onSquares}
          />
        )}
        {listed && (
          <Holding
            place={document}
            cells={chosen.cells}
            plantings={plantings}
            onEdit={bench.onSquares}
          />
        )}
      </Tabs.Content>
      {selected && planned && (
        <Tabs.Content value="planting" className="panel">
          <Suspense>
            <PlantingCard
              key={selected.id}
              state={state}
              planting={planned}
              report={selected}
              place={document}
              chosen={chosen.cells}
              onEdit={edit}
            />
          </Suspense>
        </Tabs.Content>
      )}
      {selected && (
        <Tabs.Content value="spacing" className="panel">
          <Suspense>
            <SpacingPanel
              key={selected.id}
              state={state}
              report={selected}
              onEdit={edit}
              onShow={bench.setTried}
            />
          </Suspense>
        </Tabs.Content>
      )}
    </Tabs.Root>
  );
}

function PanelTab({ value, children }: { value: Panel; children: string }) {
  return (
    <Tabs.Trigger
      value={value}
      className="-mb-px min-h-[28px] border-b-[3px] border-transparent data-[state=active]:border-damson data-[state=active]:font-semibold"
    >
      {children}
    </Tabs.Trigger>
  );
}
