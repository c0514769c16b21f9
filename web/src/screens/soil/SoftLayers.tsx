import { useState } from 'react';

import type { Edit, Place } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { usePreferences, useUnits } from '../../kit/preferences';
import { readLength } from '../../kit/units';
import { useSoftMatter } from '../../api/useSoil';

type Added = NonNullable<Place['added']>[number];

const HOW = [
  ['laid', 'laid on top'],
  ['dug-in', 'dug in'],
  ['trench', 'buried in a trench'],
] as const;

/** Soft matter on a place: leaves, clippings, manure or greens, each with its day. */
export function SoftLayers({ place, onEdit }: { place: Place; onEdit: (edit: Edit) => void }) {
  const units = useUnits();
  const known = useSoftMatter().data ?? {};
  const [open, setOpen] = useState(false);
  const layers = place.added;
  const save = (added: readonly Added[]) =>
    onEdit({ do: 'change-place', id: place.id, changes: { added: [...added] } });
  return (
    <div className="mt-2">
      <ul>
        {layers.map((layer, i) => (
          <li key={i} className="flex justify-between gap-3">
            <span>
              {`${units.length(layer.cm)} of ${known[layer.material]?.label ?? layer.material}, ${HOW.find(([how]) => how === layer.how)?.[1] ?? layer.how} ${layer.on}`}
            </span>
            <button
              type="button"
              className="press"
              onClick={() => save(layers.filter((_, j) => j !== i))}
            >
              Delete
            </button>
          </li>
        ))}
      </ul>
      {open ? (
        <LayerForm onSave={(layer) => save([...layers, layer])} known={known} />
      ) : (
        <button type="button" className="press" onClick={() => setOpen(true)}>
          Leaves, manure or greens
        </button>
      )}
    </div>
  );
}

function LayerForm({
  known,
  onSave,
}: {
  known: Readonly<Record<string, { label: string }>>;
  onSave: (layer: Added) => void;
}) {
  const units = useUnits();
  const { preferences } = usePreferences();
  const [material, setMaterial] = useState('leaves');
  const [how, setHow] = useState<Added['how']>('laid');
  const [deep, setDeep] = useState('');
  const [on, setOn] = useState('');
  const [fault, setFault] = useState<{ deep?: string; on?: string }>({});
  const save = () => {
    const cm = readLength(deep, preferences.units);
    const wrong: typeof fault = {};
    if (cm === null || cm <= 0) wrong.deep = 'Enter a depth, such as 30 or 12in.';
    if (on === '') wrong.on = 'Enter the day.';
    setFault(wrong);
    if (cm !== null && cm > 0 && on !== '') onSave({ material, cm, how, on });
  };
  return (
    <form
      className="grid grid-cols-2 gap-x-3 gap-y-1"
      aria-label="Soft matter"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <Choice
        label="What"
        value={material}
        options={Object.entries(known).map(([id, matter]) => [id, matter.label] as const)}
        onChange={setMaterial}
      />
      <Choice label="How" value={how} options={HOW} onChange={setHow} />
      <Field label={`Depth as laid, ${units.lengthUnit}`} fault={fault.deep}>
        <input value={deep} inputMode="decimal" onChange={(e) => setDeep(e.target.value)} />
      </Field>
      <Field label="On" fault={fault.on}>
        <input type="date" value={on} onChange={(e) => setOn(e.target.value)} />
      </Field>
      <p className="col-span-full pt-1">
        <button type="submit" className="act">
          Add it
        </button>
      </p>
    </form>
  );
}
