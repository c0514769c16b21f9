import { useState } from 'react';
import { Link, useParams } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import type { Edit, Place } from '../../api/types';
import { gridWouldFit } from '../../drawing/cells';
import { words } from '../../kit/day';
import { useUnits } from '../../kit/preferences';
import { useExtent } from '../../kit/useExtent';
import { Workings } from '../../shared/Working';
import { BenchPanels } from './BenchPanels';
import { BenchStrip } from './BenchStrip';
import { DepthSchools } from './DepthSchools';
import { FilledSheet } from './FilledSheet';
import { Ledger } from './Ledger';
import { measuresOf } from './measures';
import { TableTwin } from './TableTwin';
import { useBench } from './useBench';
import type { Bench, OnBench } from './useBench';

/** The workbench: one place from above, in section and through time, with its ledger. */
export function SquaresScreen({ state }: { state: HeldGarden }) {
  const { place: id } = useParams();
  const place = state.report.places.find((p) => p.id === id) ?? state.report.places[0];
  const document = state.plan.places.find((p) => p.id === place?.id);
  if (!place || !document) return <NoPlace slug={state.head.slug} />;
  return <Workbench key={place.id} state={state} place={place} document={document} />;
}

function NoPlace({ slug }: { slug: string }) {
  return (
    <main className="p-6">
      <h1 className="text-xl">No bed yet</h1>
      <p className="my-3">A garden begins with one place that holds soil: a bed or a container.</p>
      <Link className="act act-main inline-block" to={`/gardens/${slug}/places/new`}>
        Add a place
      </Link>
    </main>
  );
}

function Workbench(onBench: OnBench) {
  const { state, place, document } = onBench;
  const { slug, version } = state.head;
  const bench = useBench(onBench);
  const { plantings, chosen, selected, day, edit } = bench;
  const [asTable, setAsTable] = useState(false);
  const title = document.name ?? place.id;
  return (
    <main className="workbench">
      <Header
        onBench={onBench}
        chosen={chosen.cells}
        asTable={asTable}
        onTable={setAsTable}
        onEdit={edit}
      />
      <p className="print-only print-day px-4">{`${state.plan.garden.name}, as it stands on ${words(day)}`}</p>
      <Sheet state={state} bench={bench} asTable={asTable} />
      <aside className="side flex min-h-0 flex-col border-l border-rule px-3 pt-2">
        <Workings>
          <Ledger
            place={place}
            plantings={plantings}
            day={day}
            selected={chosen.planting}
            schools={() => (
              <DepthSchools slug={slug} version={version} place={place.id} onEdit={edit} />
            )}
            folded={selected !== null || chosen.cells.length > 0}
            changed={state.changed.find((c) => c.place === place.id)}
            onSelect={bench.selectPlanting}
          />
        </Workings>
        <BenchPanels state={state} bench={bench} />
      </aside>
      <BenchStrip bench={bench} />
      <div className="print-only print-table px-4">
        <TableTwin plantings={plantings} title={title} />
      </div>
    </main>
  );
}

interface HeaderProps {
  onBench: OnBench;
  chosen: readonly string[];
  asTable: boolean;
  onTable: (asTable: boolean) => void;
  onEdit: (edit: Edit) => void;
}

/** Whether a place is a rectangle whose squares are not fitted to it yet. */
const fittable = ({ shape, grid }: Place) =>
  (shape.type === 'rectangle' || shape.type === 'mound') && grid !== 'fitted';

function Header({ onBench, chosen, asTable, onTable, onEdit }: HeaderProps) {
  const { state, place, document } = onBench;
  const units = useUnits();
  const toFill = new URLSearchParams({ place: place.id });
  if (chosen.length > 0) toFill.set('cells', chosen.join(','));
  const here = `/gardens/${state.head.slug}/places/${place.id}`;
  return (
    <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2">
      <h1 className="text-xl">{document.name ?? place.id}</h1>
      <p className="text-[13px] text-muted">{measuresOf(document, place, units)}</p>
      <span className="no-print ml-auto flex gap-4">
        <button
          type="button"
          className="press"
          aria-pressed={asTable}
          onClick={() => onTable(!asTable)}
        >
          {asTable ? 'Drawing' : 'Table'}
        </button>
        <Link className="press" to={`${here}/change`}>
          Edit
        </Link>
        {fittable(document) && gridWouldFit(place) && (
          <button
            type="button"
            className="press"
            onClick={() => onEdit({ do: 'fit-grid', id: place.id })}
          >
            Fit the grid
          </button>
        )}
        <Link className="press" to={`/gardens/${state.head.slug}/fill?${toFill.toString()}`}>
          {chosen.length > 0 ? 'Fill these' : 'Fill'}
        </Link>
        <Link className="press" to={`${here}/marking`}>
          Mark out
        </Link>
        <Link
          className="press"
          to={`${here}/${document.supports.length > 0 ? 'supports' : 'covers'}`}
        >
          Put up
        </Link>
        <button type="button" className="press" onClick={() => window.print()}>
          Print
        </button>
      </span>
    </header>
  );
}

interface SheetProps {
  state: HeldGarden;
  bench: Bench;
  asTable: boolean;
}

/** The place drawn, or its table. */
function Sheet({ state, bench, asTable }: SheetProps) {
  const [sheet, extent] = useExtent<HTMLDivElement>();
  const { place, document, plantings, drawn, chosen, cursor, selected } = bench;
  return (
    <div ref={sheet} className="sheet min-h-0 px-1">
      {asTable ? (
        <div className="h-full overflow-y-auto px-4 pt-2">
          <TableTwin plantings={plantings} title={document.name ?? place.id} />
        </div>
      ) : (
        <FilledSheet
          slug={state.head.slug}
          version={state.head.version}
          place={place}
          plantings={drawn}
          year={state.report.year}
          day={bench.day}
          extent={extent}
          chosen={chosen.cells}
          cursor={cursor}
          anchor={chosen.cells.length > 0 ? chosen.anchor : cursor}
          selected={drawn.find((p) => p.id === selected?.id) ?? null}
          adding={bench.adding}
          lines={bench.lines}
          gesture={bench.gesture}
          send={bench.send}
          onRelease={bench.release}
          onKey={bench.onKey}
        />
      )}
    </div>
  );
}
