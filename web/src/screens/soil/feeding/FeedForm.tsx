import { useState } from 'react';

import type { HeldGarden } from '../../../api/merge';
import type { Edit } from '../../../api/types';
import { Choice } from '../../../kit/Choice';
import { NumberField, TextField, textOf, useTyped } from '../../../kit/useTyped';

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

/** Only what was given: an absent figure is not known. */
function said(figures: Readonly<Record<string, string | number | null>>) {
  return Object.fromEntries(Object.entries(figures).filter(([, value]) => value !== null));
}

/** The school on feeding, the packet's analysis, and what a soil test said. */
export function FeedForm({ state, onEdit }: Props) {
  const soil = state.plan.soil;
  const [school, setSchool] = useState(soil?.feeding ?? 'from-start');
  const [phosphate, setPhosphate] = useState(soil?.test?.phosphate ?? '');
  const [potash, setPotash] = useState(soil?.test?.potash ?? '');
  const packet = soil?.packet;
  const liquid = soil?.liquid;
  const form = useTyped({
    name: packet?.name ?? '',
    n: textOf(packet?.n_percent),
    p: textOf(packet?.p2o5_percent),
    k: textOf(packet?.k2o_percent),
    price: textOf(packet?.price_per_kg),
    atOnce: textOf(packet?.at_once_g_per_m2),
    every: textOf(packet?.every_days),
    wait: textOf(packet?.wait_days),
    liquid: liquid?.name ?? '',
    dose: textOf(liquid?.ml_per_10_l),
    poured: textOf(liquid?.every_days),
    liquidWait: textOf(liquid?.wait_days),
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
      at_once_g_per_m2: reader.number('atOnce', 0.1, 5000),
      every_days: reader.number('every', 0, 365),
      wait_days: reader.number('wait', 0, 365),
    };
    const dose = reader.number('dose', 0.01, 1000);
    const poured = {
      name: form.typed.liquid?.trim() || null,
      ml_per_10_l: dose,
      every_days: reader.number('poured', 1, 365),
      wait_days: reader.number('liquidWait', 0, 365),
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
        packet: n === null ? null : said(given),
        liquid: dose === null ? null : said(poured),
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
        <Choice label="Feeding school" value={school} options={SCHOOLS} onChange={setSchool} />
      </div>
      <div className="col-span-2">
        <TextField form={form} name="name" label="Name of the packet" />
      </div>
      <NumberField form={form} name="price" label="Price per kg" />
      <NumberField form={form} name="n" label="Nitrogen, %" />
      <NumberField form={form} name="p" label="Phosphate, %" />
      <NumberField form={form} name="k" label="Potash, %" />
      <NumberField form={form} name="atOnce" label="Most at once, g per m²" />
      <NumberField form={form} name="every" label="Again after, days" />
      <NumberField form={form} name="wait" label="Wait before picking, days" />
      <h3 className="col-span-full mt-1 font-sans text-[13px] font-semibold">
        Liquid feed for pots
      </h3>
      <div className="col-span-2">
        <TextField form={form} name="liquid" label="Name of the bottle" />
      </div>
      <NumberField form={form} name="dose" label="mL in 10 L" />
      <NumberField form={form} name="poured" label="Every, days" />
      <NumberField form={form} name="liquidWait" label="Wait before picking, days" />
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
