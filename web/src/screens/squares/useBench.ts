import { useState } from 'react';
import { useSearchParams } from 'react-router';

import { useEditor, useShelf } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type {
  Closeness,
  Edit,
  Place,
  PlaceReport,
  PlantingReport,
  ShelfEntry,
} from '../../api/types';
import { addressOf, plantingAt, rectangle, withMore } from '../../drawing/cells';
import type { Spot } from '../../drawing/cells';
import type { Gesture } from '../../drawing/gesture';
import { useGesture } from '../../drawing/useGesture';
import {
  clearEdit,
  draggedEdit,
  lineEdit,
  movedLine,
  plantEdit,
  spotEdit,
} from '../../edits/edits';
import { isoOf } from '../../kit/day';
import { useDay } from '../../shared/DayContext';
import { gestureCells } from './BedSheet';
import { useBenchKeys } from './useBenchKeys';

export type Panel = 'notes' | 'shelf' | 'planting' | 'spacing';

export interface Chosen {
  cells: readonly string[];
  anchor: Spot;
  planting: string | null;
}

const NOTHING: Chosen = { cells: [], anchor: { column: 0, row: 0 }, planting: null };

/** One place on the workbench, as it is planned and as it comes out. */
export interface OnBench {
  state: HeldGarden;
  place: PlaceReport;
  document: Place;
}

export type Bench = ReturnType<typeof useBench>;

/** What is chosen on the workbench, and all that can be done with it by pointer or keys. */
export function useBench({ state, place, document }: OnBench) {
  const { slug, version } = state.head;
  const { day, setDay } = useDay();
  const editor = useEditor(slug);
  const placeId = place.id;
  const plantings = state.report.plantings.filter((p) => p.place === placeId);
  const named = useSearchParams()[0].get('planting');
  const stands = plantings.some((p) => p.id === named);
  const [chosen, setChosen] = useState<Chosen>({ ...NOTHING, planting: stands ? named : null });
  const [cursor, setCursor] = useState<Spot>(NOTHING.anchor);
  const [gesture, send] = useGesture(state.report);
  const [panel, setPanel] = useState<Panel>(
    stands ? 'planting' : plantings.length > 0 ? 'notes' : 'shelf',
  );
  const [tried, setTried] = useState<Closeness | null>(null);
  const shelf = useShelf(slug, version, placeId, chosen.cells, isoOf(day));
  const selected = plantings.find((p) => p.id === chosen.planting) ?? null;
  const [adding, setAdding] = useState(false);
  const drawn = plantings.map((p) => {
    const held = movedPlant(p, gesture);
    return tried && p.id === selected?.id ? setOutAs(held, tried) : held;
  });
  const lines = document.supports.flatMap(({ id, line_cm }) =>
    line_cm ? [{ id, line_cm: movedLine(id, line_cm, gesture, place.outline_cm) }] : [],
  );
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
  const addPainted = (from: Spot, to: Spot) => {
    setCursor(to);
    choose(withMore(chosen.cells, rectangle(place, from, to)), from, null);
    setPanel('shelf');
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
    if (done.kind === 'painting') (done.adding ? addPainted : choosePainted)(done.from, done.to);
    if (done.kind === 'movingLine') {
      const change = lineEdit(document, done, place.outline_cm);
      if (change) edit(change);
    }
    if (done.kind === 'movingPlant') {
      const change = spotEdit(plantings, done, place.laid?.spots_cm);
      if (change) edit(change);
      else choosePainted(done.spot, done.spot);
    }
    if (done.kind === 'resizing') {
      const cells = gestureCells(place, done, []) ?? [];
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
  const onKey = useBenchKeys(
    place,
    { cursor, setCursor, chosen, shelf: shelf.data, adding },
    {
      choose,
      choosePainted,
      addPainted,
      clear,
      plant,
      lengthen: (from, to) => {
        setChosen({ cells: rectangle(place, from, to), anchor: from, planting: null });
        setPanel('shelf');
      },
    },
  );

  return {
    place,
    document,
    plantings,
    drawn,
    lines,
    chosen,
    adding,
    setAdding,
    cursor,
    gesture,
    send,
    panel,
    setPanel,
    setTried,
    setDay,
    day,
    shelf,
    selected,
    edit,
    choose,
    onSquares,
    selectPlanting,
    release,
    plant,
    onKey,
  };
}

/** A planting as it would stand by another spacing or layout. */
function setOutAs(planting: PlantingReport, found: Closeness): PlantingReport {
  const { plants, spacing_cm, positions_cm } = found;
  return { ...planting, plants, spacing_cm, positions_cm };
}

/** A planting while one of its plants is dragged. */
function movedPlant(planting: PlantingReport, gesture: Gesture): PlantingReport {
  if (gesture.kind !== 'movingPlant' || gesture.planting !== planting.id || !gesture.at)
    return planting;
  const at: [number, number] = [gesture.at[0], gesture.at[1]];
  const spots = planting.positions_cm.map((spot, i) => (i === gesture.plant ? at : spot));
  return { ...planting, positions_cm: spots };
}
