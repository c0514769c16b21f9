import { useState } from 'react';

import type { Edit, Place, Soil } from '../../api/types';
import { ChoiceField, DayField, LengthField, useTyped } from '../../kit/form';
import { useUnits } from '../../kit/preferences';
import { useSoftMatter } from '../../api/useSoil';

type Added = NonNullable<Place['added']>[number];

const HOW = [
  ['laid', 'laid on top'],
  ['dug-in', 'dug in'],
  ['trench', 'buried in a trench'],
] as const;

/** Soft matter on a place: leaves, clippings, manure or greens, each with its day. */
export function SoftLayers({
  place,
  own,
  onEdit,
}: {
  place: Place;
  own: Soil['materials'];
  onEdit: (edit: Edit) => void;
}) {
  const units = useUnits();
  const shipped = useSoftMatter().data ?? {};
  const mine = own
    .filter((material) => material.stays)
    .map((material) => [material.id, { label: material.name ?? material.id }] as const);
  const matters: Record<string, { label: string }> = { ...Object.fromEntries(mine), ...shipped };
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
              {`${units.length(layer.cm)} of ${matters[layer.material]?.label ?? layer.material}, ${HOW.find(([how]) => how === layer.how)?.[1] ?? layer.how} ${layer.on}`}
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
        <LayerForm onSave={(layer) => save([...layers, layer])} matters={matters} />
      ) : (
        <button type="button" className="press" onClick={() => setOpen(true)}>
          Leaves, manure or greens
        </button>
      )}
    </div>
  );
}

function LayerForm({
  matters,
  onSave,
}: {
  matters: Readonly<Record<string, { label: string }>>;
  onSave: (layer: Added) => void;
}) {
  const first = { material: 'leaves', how: 'laid' as Added['how'], deep: '', on: '' };
  const form = useTyped(first, (read): Added => {
    const { material, how, on } = read.typed;
    if (on === '') read.fault('on', 'Enter the day.');
    return { material, cm: read.length('deep', 0.1), how, on };
  });
  return (
    <form
      className="grid grid-cols-2 gap-x-3 gap-y-1"
      aria-label="Soft matter"
      onSubmit={form.sent(onSave)}
    >
      <ChoiceField
        form={form}
        name="material"
        label="What"
        options={Object.entries(matters).map(([id, matter]) => [id, matter.label] as const)}
      />
      <ChoiceField form={form} name="how" label="How" options={HOW} />
      <LengthField form={form} name="deep" label="Depth as laid" />
      <DayField form={form} name="on" label="On" />
      <p className="col-span-full pt-1">
        <button type="submit" className="act">
          Add it
        </button>
      </p>
    </form>
  );
}
