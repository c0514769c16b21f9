import { Tabs } from 'radix-ui';
import { useMemo, useState } from 'react';
import type { KeyboardEvent } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';

import { useEditor, useShelf } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Closeness, Edit, PlantingReport, ShelfEntry } from '../../api/types';
import { useMessages } from '../../kit/messages';
import { usePreferences, useUnits } from '../../kit/preferences';
import { useExtent } from '../../kit/useExtent';
import { Ledger } from './Ledger';
import { Workings } from '../../shared/Working';
import { SpacingPanel } from './spacing/SpacingPanel';
import { MarginNotes } from '../../shared/MarginNotes';
import { dayOf, isoOf, words } from '../../kit/day';
import { useDay } from '../../shared/DayContext';
import { timeScale } from '../../shared/SeasonRuler';
import { gestureCells } from './BedSheet';
import {
  addressOf,
  freeAddresses,
  gridSize,
  plantingAt,
  rectangle,
  spotOf,
} from '../../drawing/cells';
import type { Spot } from '../../drawing/cells';
import { clearEdit, draggedEdit, plantEdit } from '../../edits/edits';
import { DepthSchools } from './DepthSchools';
import { FilledSheet } from './FilledSheet';
import { Holding } from './Holding';
import { RiserForm } from './RiserForm';
import { moved, typed } from '../../drawing/gesture';
import type { TypedMark } from '../../drawing/gesture';
import { measuresOf } from './measures';
import { PlantingCard } from './PlantingCard';
import { Shelf } from './Shelf';
import { StarterBeds } from './StarterBeds';
import { TableTwin } from './TableTwin';
import { useGesture } from '../../drawing/useGesture';
import { Wedges } from '../../drawing/Wedges';

type Panel = 'notes' | 'shelf' | 'planting' | 'spacing';

interface Chosen {
  cells: readonly string[];
  anchor: Spot;
  planting: string | null;
}

const NOTHING: Chosen = { cells: [], anchor: { column: 0, row: 0 }, planting: null };

/** The workbench: one place from above, in section and through time, with its ledger. */
export function SquaresScreen({ state }: { state: HeldGarden }) {
  const { place: id } = useParams();
  const known = state.report.places.find((p) => p.id === id) ?? state.report.places[0];
  if (!known) {
    return (
      <main className="p-6">
        <h1 className="text-xl">No bed yet</h1>
        <p className="my-3">
          A garden begins with one place that holds soil: a bed or a container.
        </p>
        <Link className="act act-main inline-block" to={`/gardens/${state.head.slug}/places/new`}>
          Add a place
        </Link>
      </main>
    );
  }
  return <Workbench key={known.id} state={state} placeId={known.id} />;
}

function Workbench({ state, placeId }: { state: HeldGarden; placeId: string }) {
  const { slug, version } = state.head;
  const { day, start, end, setDay } = useDay();
  const units = useUnits();
  const { preferences } = usePreferences();
  const { say } = useMessages();
  const editor = useEditor(slug);
  const [sheet, extent] = useExtent<HTMLDivElement>();
  const [strip, stripExtent] = useExtent<HTMLDivElement>();
  const planted = state.plan.plantings.some((p) => p.place === placeId);
  const named = useSearchParams()[0].get('planting');
  const known = state.report.plantings.some((p) => p.place === placeId && p.id === named);
  const [chosen, setChosen] = useState<Chosen>({ ...NOTHING, planting: known ? named : null });
  const [cursor, setCursor] = useState<Spot>(NOTHING.anchor);
  const [gesture, send] = useGesture(state.report);
  const [mark, setMark] = useState<TypedMark>({ letters: '', atMs: 0 });
  const [panel, setPanel] = useState<Panel>(known ? 'planting' : planted ? 'notes' : 'shelf');
  const [asTable, setAsTable] = useState(false);
  const [tried, setTried] = useState<Closeness | null>(null);

  const scale = useMemo(
    () => timeScale(start, end, stripExtent.width),
    [start, end, stripExtent.width],
  );

  const place = state.report.places.find((p) => p.id === placeId);
  const document = state.plan.places.find((p) => p.id === placeId);
  const plantings = state.report.plantings.filter((p) => p.place === placeId);
  const shelf = useShelf(slug, version, placeId, chosen.cells, isoOf(day));
  if (!place || !document) return null;

  const notes = state.report.notes.filter((n) => n.place === placeId || n.place === null);
  const selected = plantings.find((p) => p.id === chosen.planting) ?? null;
  const drawn = tried
    ? plantings.map((p) => (p.id === selected?.id ? setOutAs(p, tried) : p))
    : plantings;
  const planned = state.plan.plantings.find((p) => p.id === selected?.id);
  const edit = (change: Edit) => void editor.edit(change);

  const choose = (cells: readonly string[], anchor: Spot, planting: string | null) => {
    setChosen({ cells, anchor, planting });
    setTried(null);
    setPanel(planting ? 'planting' : cells.length > 0 ? 'shelf' : 'notes');
  };
  const onSquares = (change: Edit) => {
    edit(change);
    choose([], chosen.anchor, null);
    setPanel('shelf');
  };
  const selectPlanting = (planting: string) => {
    const report = plantings.find((p) => p.id === planting);
    if (report) choose([], chosen.anchor, planting);
  };
  const choosePainted = (from: Spot, to: Spot) => {
    const cells = rectangle(place, from, to);
    const standing = new Set(cells.map((cell) => plantingAt(plantings, cell, day)?.id ?? null));
    const only = standing.size === 1 ? ([...standing][0] ?? null) : null;
    setCursor(to);
    choose(cells, from, only);
  };

  const release = () => {
    const done = gesture;
    send({ kind: 'letGo' });
    if (done.kind === 'painting') choosePainted(done.from, done.to);
    if (done.kind === 'resizing') {
      const cells = gestureCells(place, done) ?? [];
      edit({ do: 'change-planting', id: done.planting, changes: { cells, run_cm: null } });
    }
    if (done.kind === 'movingWedge') {
      const change = draggedEdit(state.plan, plantings, done.planting, done.byDays);
      if (change) void editor.edit(change).then((saved) => !saved && send({ kind: 'settled' }));
    }
  };

  const plant = (entry: ShelfEntry) => {
    void editor.edit(plantEdit(state.plan, placeId, entry, day)).then((saved) => {
      if (saved) choose([], chosen.anchor, null);
    });
  };
  const clear = () => {
    const cells =
      chosen.cells.length > 0 ? chosen.cells : selected ? selected.cells : [addressOf(cursor)];
    const standing =
      selected && chosen.cells.length === 0
        ? [selected]
        : plantings.filter((p) => cells.some((cell) => plantingAt([p], cell, day)));
    const change = clearEdit(cells, standing);
    if (change) edit(change);
    choose([], chosen.anchor, null);
  };
  const plantMark = (letters: string) => {
    const entry = shelf.data?.entries.find((e) => e.mark === letters);
    if (chosen.cells.length === 0) {
      say({
        kind: 'tip',
        text: 'Choose squares first: arrows move, Shift and arrows choose more.',
      });
    } else if (!entry) {
      say({ kind: 'care', text: `No crop has the mark ${letters}.` });
    } else if (shelf.data?.blocked) {
      say({ kind: 'care', text: `${shelf.data.blocked}. Delete clears it, or move the day.` });
    } else {
      plant(entry);
    }
  };

  const onKey = (event: KeyboardEvent<SVGSVGElement>) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const to = moved(cursor, event.key, gridSize(place));
    if (to) {
      setCursor(to);
      if (event.shiftKey) {
        const from = chosen.cells.length > 0 ? chosen.anchor : cursor;
        setChosen({ cells: rectangle(place, from, to), anchor: from, planting: null });
        setPanel('shelf');
      } else if (freeAddresses(place).has(addressOf(to))) {
        choosePainted(to, to);
      }
    } else if (event.key === 'Delete' || event.key === 'Backspace') clear();
    else if (event.key === 'Escape') choose([], cursor, null);
    else if (event.key === 'Enter' || event.key === ' ') choosePainted(cursor, cursor);
    else if (preferences.letterKeys && /^[a-z]$/i.test(event.key)) {
      const now = typed(mark, event.key, event.timeStamp);
      setMark(now);
      if (now.letters.length === 2) plantMark(now.letters);
    } else return;
    event.preventDefault();
  };

  const stops = notes.filter((n) => n.level !== 'tip').length;
  return (
    <main className="workbench">
      <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2">
        <h1 className="text-xl">{document.name ?? placeId}</h1>
        <p className="text-[13px] text-muted">{measuresOf(document, place, units)}</p>
        <span className="no-print ml-auto flex gap-4">
          <button
            type="button"
            className="press"
            aria-pressed={asTable}
            onClick={() => setAsTable(!asTable)}
          >
            {asTable ? 'Drawing' : 'Table'}
          </button>
          <Link className="press" to={`/gardens/${slug}/places/${placeId}/change`}>
            Edit
          </Link>
          <Link className="press" to={`/gardens/${slug}/places/${placeId}/marking`}>
            Mark out
          </Link>
          <Link
            className="press"
            to={`/gardens/${slug}/places/${placeId}/${document.supports.length > 0 ? 'supports' : 'covers'}`}
          >
            Put up
          </Link>
          <button type="button" className="press" onClick={() => window.print()}>
            Print
          </button>
        </span>
      </header>
      <p className="print-only print-day px-4">{`${state.plan.garden.name}, as it stands on ${words(day)}`}</p>
      <div ref={sheet} className="sheet min-h-0 px-1">
        {asTable ? (
          <div className="h-full overflow-y-auto px-4 pt-2">
            <TableTwin plantings={plantings} title={document.name ?? placeId} />
          </div>
        ) : (
          <FilledSheet
            slug={slug}
            version={version}
            place={place}
            plantings={drawn}
            year={state.report.year}
            day={day}
            extent={extent}
            chosen={chosen.cells}
            cursor={cursor}
            anchor={chosen.cells.length > 0 ? chosen.anchor : cursor}
            selected={drawn.find((p) => p.id === selected?.id) ?? null}
            gesture={gesture}
            send={send}
            onRelease={release}
            onKey={onKey}
          />
        )}
      </div>
      <aside className="side flex min-h-0 flex-col border-l border-rule px-3 pt-2">
        <Workings>
          <Ledger
            place={place}
            plantings={plantings}
            day={day}
            selected={chosen.planting}
            schools={() => (
              <DepthSchools slug={slug} version={version} place={placeId} onEdit={edit} />
            )}
            folded={selected !== null || chosen.cells.length > 0}
            changed={state.changed.find((c) => c.place === placeId)}
            onSelect={selectPlanting}
          />
        </Workings>
        <Tabs.Root
          value={panel}
          onValueChange={(value) => setPanel(value as Panel)}
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
                choose(cells, cells[0] ? spotOf(cells[0]) : cursor, planting)
              }
            />
          </Tabs.Content>
          <Tabs.Content value="shelf" className="panel">
            <Shelf
              cells={chosen.cells}
              day={day}
              answer={shelf.data}
              onDay={setDay}
              problem={shelf.error}
              onPlant={plant}
            />
            {plantings.length === 0 && chosen.cells.length === 0 && (
              <StarterBeds slug={slug} version={version} place={placeId} onTake={edit} />
            )}
            {chosen.cells.length > 0 && !document.stands_on && (
              <RiserForm
                place={document}
                cells={chosen.cells}
                taken={state.plan.places.map((p) => p.id)}
                onEdit={onSquares}
              />
            )}
            <Holding
              place={document}
              cells={chosen.cells}
              plantings={plantings}
              onEdit={onSquares}
            />
          </Tabs.Content>
          {selected && planned && (
            <Tabs.Content value="planting" className="panel">
              <PlantingCard
                key={selected.id}
                state={state}
                planting={planned}
                report={selected}
                place={document}
                chosen={chosen.cells}
                onEdit={edit}
              />
            </Tabs.Content>
          )}
          {selected && (
            <Tabs.Content value="spacing" className="panel">
              <SpacingPanel
                key={selected.id}
                state={state}
                report={selected}
                onEdit={edit}
                onShow={setTried}
              />
            </Tabs.Content>
          )}
        </Tabs.Root>
      </aside>
      <div ref={strip} className="strip border-t border-rule">
        <svg
          className="block h-full w-full touch-none select-none"
          viewBox={`0 0 ${stripExtent.width} ${stripExtent.height}`}
          role="group"
          aria-label="Plantings through the year"
        >
          {stripExtent.width > 0 && (
            <Wedges
              place={place}
              plantings={plantings}
              scale={scale}
              height={stripExtent.height}
              day={day}
              selected={chosen.planting}
              gesture={gesture}
              send={send}
              onRelease={release}
              onSelect={selectPlanting}
              onGap={(gap) => {
                setDay(dayOf(gap.since));
                choose(gap.cells, chosen.anchor, null);
              }}
            />
          )}
        </svg>
        {plantings.length === 0 && (
          <p className="absolute top-2 px-4 text-muted">
            Nothing planted yet: choose squares above, then a crop; or plant a whole bed from the
            right.
          </p>
        )}
      </div>
      <div className="print-only print-table px-4">
        <TableTwin plantings={plantings} title={document.name ?? placeId} />
      </div>
    </main>
  );
}

/** A planting as it would stand by another spacing or layout. */
function setOutAs(planting: PlantingReport, found: Closeness): PlantingReport {
  const { plants, spacing_cm, positions_cm } = found;
  return { ...planting, plants, spacing_cm, positions_cm };
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
