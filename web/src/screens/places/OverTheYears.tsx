import { useState } from 'react';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Place } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { useIndex } from '../../api/useBook';
import { dayOf, shortWords } from '../../kit/day';

const PROBES = [
  ['', 'none: calculated from the air'],
  ['stand-in', 'a stand-in probe'],
] as const;
const OLDEST_YEARS = 20;

/** What grew in a place before, where it rests on purpose, and the thermometer in its soil. */
export function OverTheYears({ state, place }: { state: HeldGarden; place: Place }) {
  const editor = useEditor(state.head.slug);
  const change = (changes: Record<string, unknown>) =>
    void editor.edit({ do: 'change-place', id: place.id, changes });
  const without = <T,>(all: readonly T[], index: number) => all.filter((_, i) => i !== index);
  const names = new Map((useIndex(state, null).data ?? []).map((c) => [c.id, c.name]));
  return (
    <section aria-label="Over the years" className="mt-6 space-y-3">
      <h2 className="text-base">Over the years</h2>
      <ul>
        {place.grew.map((one, index) => (
          <li key={`${one.year}${one.crops.join()}`} className="flex gap-4 border-b border-faint">
            <span className="grow">
              {`${one.year}: ${one.crops.map((crop) => names.get(crop) ?? crop).join(', ')}`}
              {one.cells === 'all' ? '' : ` in ${one.cells.length} squares`}
            </span>
            <button
              type="button"
              className="press"
              onClick={() => change({ grew: orNull(without(place.grew, index)) })}
            >
              {`Delete ${one.year}`}
            </button>
          </li>
        ))}
        {place.rests.map((rest, index) => (
          <li key={`${rest.since}${rest.reason}`} className="flex gap-4 border-b border-faint">
            <span className="grow">
              {`Free from ${shortWords(dayOf(rest.since))} to ${shortWords(dayOf(rest.until))}: ${rest.reason}`}
            </span>
            <button
              type="button"
              className="press"
              onClick={() => change({ rests: orNull(without(place.rests, index)) })}
            >
              Delete
            </button>
          </li>
        ))}
      </ul>
      <AddYear
        state={state}
        onAdd={(year, crop) => change({ grew: [...place.grew, { year, crops: [crop] }] })}
      />
      <Choice
        label="Thermometer in its soil"
        value={place.probe ?? ''}
        options={PROBES}
        onChange={(probe) => change({ probe: probe || null })}
      />
    </section>
  );
}

function orNull<T>(all: readonly T[]): readonly T[] | null {
  return all.length > 0 ? all : null;
}

interface AddProps {
  state: HeldGarden;
  onAdd: (year: number, crop: string) => void;
}

function AddYear({ state, onAdd }: AddProps) {
  const latest = Number(state.report.year.start.slice(0, 4)) - 1;
  const [year, setYear] = useState(String(latest));
  const [crop, setCrop] = useState('');
  const [fault, setFault] = useState<string>();
  const index = useIndex(state, null);
  const crops = (index.data ?? []).map((line) => [line.id, line.name] as const);
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        const typed = Number(year);
        const sound = Number.isInteger(typed) && typed <= latest && typed > latest - OLDEST_YEARS;
        setFault(
          sound ? undefined : `Enter a year from ${latest - OLDEST_YEARS + 1} to ${latest}.`,
        );
        if (sound && crop) onAdd(typed, crop);
      }}
    >
      <Field label="In the year" fault={fault}>
        <input
          value={year}
          inputMode="numeric"
          className="w-24"
          onChange={(event) => setYear(event.target.value)}
        />
      </Field>
      <Choice
        label="grew here"
        value={crop}
        options={[['', 'choose a crop'], ...crops]}
        onChange={setCrop}
      />
      <button type="submit" className="press">
        Add
      </button>
    </form>
  );
}
