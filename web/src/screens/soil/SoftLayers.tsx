import { useState } from 'react';

import type { Edit, Place, Soil } from '../../api/types';
import { dayOf, words } from '../../kit/day';
import { ChoiceField, DayField, LengthField, MeasureField, useTyped } from '../../kit/form';
import { useUnits } from '../../kit/preferences';
import { useSoftMatter } from '../../api/useSoil';

type Added = NonNullable<Place['added']>[number];

const CUT = [
  ['whole', 'as it comes'],
  ['fine', 'chopped or shredded'],
] as const;

const HOW = [
  ['laid', 'laid on top'],
  ['dug-in', 'dug in'],
  ['trench', 'buried in a trench'],
] as const;

/** Soft matter on a place: leaves, clippings, manure or greens, each with its day. */
export function SoftLayers({
  place,
  own,
  areaM2,
  onEdit,
}: {
  place: Place;
  areaM2: number;
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
              {`${units.length(layer.cm)} of ${layer.fine ? 'chopped ' : ''}${matters[layer.material]?.label ?? layer.material}, ${HOW.find(([how]) => how === layer.how)?.[1] ?? layer.how}, ${words(dayOf(layer.on))}`}
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
        <LayerForm areaM2={areaM2} matters={matters} onSave={(layer) => save([...layers, layer])} />
      ) : (
        <button type="button" className="press" onClick={() => setOpen(true)}>
          Leaves, manure or greens
        </button>
      )}
    </div>
  );
}

function LayerForm({
  areaM2,
  matters,
  onSave,
}: {
  areaM2: number;
  matters: Readonly<Record<string, { label: string }>>;
  onSave: (layer: Added) => void;
}) {
  const first = {
    material: 'leaves',
    how: 'laid' as Added['how'],
    cut: 'whole',
    deep: '',
    much: '',
    on: '',
  };
  const form = useTyped(first, (read): Added => {
    const { material, how, on } = read.typed;
    if (on === '') read.fault('on', 'Enter the day.');
    const litres = read.measure('much', 'L of soil', 0.1);
    const spread = litres !== null && how !== 'trench';
    if (litres !== null && !spread) read.fault('much', 'For a trench, enter its depth.');
    const cm = spread ? litres / areaM2 / 10 : read.length('deep', 0.1);
    return { material, cm, how, on, fine: read.text('cut') === 'fine' ? true : null };
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
      <ChoiceField form={form} name="cut" label="Cut" options={CUT} />
      <LengthField form={form} name="deep" label="Depth as laid" />
      <MeasureField form={form} name="much" label="or so much in all" unit="L of soil" />
      <DayField form={form} name="on" label="On" />
      <p className="col-span-full pt-1">
        <button type="submit" className="act">
          Add it
        </button>
      </p>
    </form>
  );
}
