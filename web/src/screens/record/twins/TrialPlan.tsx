import { useState } from 'react';

import { useEditor } from '../../../api/garden';
import type { HeldGarden } from '../../../api/merge';
import type { Edit, TrialLayout } from '../../../api/types';
import { useIndex } from '../../../api/useBook';
import { nextId } from '../../../edits/edits';
import { Choice } from '../../../kit/Choice';
import { isoOf, words } from '../../../kit/day';
import { useDay } from '../../../shared/DayContext';
import { freshId } from '../useRecord';
import { useLayout } from './useTwins';
import type { How, useTrials } from './useTwins';

const HOWS = [
  ['alternate', 'alternate squares'],
  ['random', 'by chance, pair by pair'],
  ['mirrored', 'mirrored'],
] as const;

const BEGIN: Record<TrialLayout['start'], string> = {
  sow: 'Sow',
  transplant: 'Set out',
  set: 'Plant',
  division: 'Plant',
};

interface Props {
  state: HeldGarden;
  trials: ReturnType<typeof useTrials>;
}

const parts = (address: string) => {
  const at = address.search(/\d/);
  return [address.slice(0, at), Number(address.slice(at))] as const;
};

/** The squares from one corner to another. */
function between(cells: readonly string[], from: string, to: string): string[] {
  const columns = [...new Set(cells.map((cell) => parts(cell)[0]))];
  const [a, b] = [parts(from), parts(to)];
  const [left, right] = [columns.indexOf(a[0]), columns.indexOf(b[0])].sort((x, y) => x - y);
  const [top, bottom] = [a[1], b[1]].sort((x, y) => x - y);
  return cells.filter((cell) => {
    const [column, row] = parts(cell);
    const at = columns.indexOf(column);
    return at >= (left ?? 0) && at <= (right ?? 0) && row >= (top ?? 0) && row <= (bottom ?? 0);
  });
}

/** Before a trial: how many plants and seasons it takes, and which squares each side has. */
export function TrialPlan({ state, trials }: Props) {
  const { slug, version } = state.head;
  const { day } = useDay();
  const editor = useEditor(slug);
  const index = useIndex(state, null);
  const places = state.report.places;
  const [place, setPlace] = useState(places[0]?.id ?? '');
  const cells = places.find((p) => p.id === place)?.cells.map((cell) => cell.address) ?? [];
  const [crop, setCrop] = useState('carrot');
  const [corners, setCorners] = useState<[string, string]>();
  const [how, setHow] = useState<How>('alternate');
  const [from, to] = corners ?? [cells[0] ?? '', cells.at(-1) ?? ''];
  const chosen = cells.length > 1 ? between(cells, from, to) : [];
  const layout = useLayout(slug, version, { place, crop, cells: chosen, how });
  const told = layout.data;
  const choices = cells.map((cell) => [cell, cell] as const);
  const plant = async ({ start, one, other }: TrialLayout) => {
    const ids = state.plan.plantings.map((p) => p.id);
    const first = nextId(ids, 'p');
    const second = nextId([...ids, first], 'p');
    const edits = [
      [first, one],
      [second, other],
    ].map(([id, squares]) => ({
      do: 'plant',
      planting: { id, place, crop, cells: squares, start, start_date: isoOf(day) },
    }));
    if (await editor.edit({ do: 'together', edits } as Edit)) {
      const name = index.data?.find((line) => line.id === crop)?.name ?? crop;
      const named = {
        differs: `${name}, ${nameOf(state, place)}`,
        one_name: 'as usual',
        other_name: 'changed',
      };
      await trials.keep({
        id: freshId(),
        day: isoOf(day),
        ...named,
        one: [first],
        other: [second],
      });
    }
  };
  return (
    <section aria-label="Lay out a trial" className="mt-4 border-t border-rule pt-2">
      <h2 className="text-base">Lay out a trial</h2>
      <div className="grid grid-cols-2 gap-x-4 gap-y-1">
        <Choice
          label="Crop"
          value={crop}
          options={(index.data ?? []).map((line) => [line.id, line.name] as const)}
          onChange={setCrop}
        />
        <Choice
          label="Place"
          value={place}
          options={places.map((p) => [p.id, nameOf(state, p.id)] as const)}
          onChange={(id) => {
            setPlace(id);
            setCorners(undefined);
          }}
        />
        <Choice
          label="From square"
          value={from}
          options={choices}
          onChange={(cell) => setCorners([cell, to])}
        />
        <Choice
          label="To square"
          value={to}
          options={choices}
          onChange={(cell) => setCorners([from, cell])}
        />
        <Choice label="The sides" value={how} options={HOWS} onChange={setHow} />
      </div>
      {layout.error && <p role="alert">{layout.error.message}</p>}
      {told && chosen.length > 1 && (
        <>
          <p className="pt-1">{`One side: ${told.one.join(', ')}.`}</p>
          <p>{`Other side: ${told.other.join(', ')}.`}</p>
          <p className="text-[13px] text-muted">
            {`A difference of a fifth shows, four times in five, ${told.years_by_plants
              .map(
                ([plants, years]) =>
                  `with ${plants} plants a side after ${years} ${years === 1 ? 'season' : 'seasons'}`,
              )
              .join('; ')}.`}
          </p>
          <button type="button" className="act" onClick={() => void plant(told)}>
            {`${BEGIN[told.start]} both sides on ${words(day)}`}
          </button>
          <p className="text-[13px] text-muted">
            Then change one thing in the second planting: its kind, its spacing or its day.
          </p>
        </>
      )}
    </section>
  );
}

const nameOf = (state: HeldGarden, id: string) =>
  state.plan.places.find((p) => p.id === id)?.name ?? id;
