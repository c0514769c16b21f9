import { useState } from 'react';

import type { HeldGarden } from '../api/merge';
import type { Edit } from '../api/types';
import { Choice } from '../app/Choice';
import { Field } from '../app/Field';
import { NumberField, textOf, useTyped } from '../app/useTyped';

interface Props {
  state: HeldGarden;
  onEdit: (edit: Edit) => void;
}

const SCHOOLS = [
  ['from-start', 'bought soil is fed from the first day'],
  ['mix', 'a rich mix feeds itself for a season'],
] as const;
const LEVELS = [
  ['', 'not tested'],
  ['low', 'low'],
  ['middle', 'middling'],
  ['high', 'high'],
] as const;

/** The school on feeding, the packet's analysis, and what a soil test said. */
export function FeedForm({ state, onEdit }: Props) {
  const soil = state.plan.soil;
  const [school, setSchool] = useState(soil?.feeding ?? 'from-start');
  const [phosphate, setPhosphate] = useState(soil?.test?.phosphate ?? '');
  const [potash, setPotash] = useState(soil?.test?.potash ?? '');
  const packet = soil?.packet;
  const form = useTyped({
    name: packet?.name ?? '',
    n: textOf(packet?.n_percent),
    p: textOf(packet?.p2o5_percent),
    k: textOf(packet?.k2o_percent),
    price: textOf(packet?.price_per_kg),
    ph: textOf(soil?.test?.ph),
  });
  const save = () => {
    const reader = form.reader();
    const n = reader.number('n', 0, 100);
    const given = {
      name: form.typed.name?.trim() || null,
      n_percent: n,
      p2o5_percent: reader.number('p', 0, 100),
      k2o_percent: reader.number('k', 0, 100),
      price_per_kg: reader.number('price', 0),
    };
    const test = {
      ph: reader.number('ph', 2, 12),
      phosphate: phosphate || null,
      potash: potash || null,
    };
    if (!reader.sound()) return;
    const tested = Object.values(test).some((value) => value !== null);
    onEdit({
      do: 'change-soil',
      changes: {
        feeding: school,
        packet: n === null ? null : given,
        test: tested ? { ...soil?.test, ...test } : null,
      },
    });
  };
  return (
    <form
      className="grid grid-cols-3 gap-x-3 gap-y-1"
      aria-label="Feed"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <h2 className="col-span-full text-base">Feed</h2>
      <div className="col-span-full">
        <Choice label="School" value={school} options={SCHOOLS} onChange={setSchool} />
      </div>
      <div className="col-span-2">
        <Field label="What the packet is called">
          <input
            value={form.typed.name ?? ''}
            maxLength={120}
            onChange={(event) => form.set('name', event.target.value)}
          />
        </Field>
      </div>
      <NumberField form={form} name="price" label="Price a kg" />
      <NumberField form={form} name="n" label="Nitrogen, %" />
      <NumberField form={form} name="p" label="Phosphate, %" />
      <NumberField form={form} name="k" label="Potash, %" />
      <h3 className="col-span-full mt-1 font-sans text-[13px] font-semibold">A soil test</h3>
      <NumberField form={form} name="ph" label="pH" />
      <Choice label="Phosphate" value={phosphate} options={LEVELS} onChange={setPhosphate} />
      <Choice label="Potash" value={potash} options={LEVELS} onChange={setPotash} />
      <p className="col-span-full pt-1">
        <button type="submit" className="act act-main">
          Save
        </button>
      </p>
    </form>
  );
}
