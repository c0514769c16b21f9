import type { HeldGarden } from '../../../api/merge';
import type { Edit } from '../../../api/types';
import { ChoiceField, MeasureField, NumberField, TextField, useTyped } from '../../../kit/form';
import { measureText } from '../../../kit/measures';
import { useUnits } from '../../../kit/preferences';
import { textOf } from '../../../kit/reader';
import type { Reader } from '../../../kit/reader';
import type { UnitSystem } from '../../../kit/units';

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

type Soil = NonNullable<HeldGarden['plan']['soil']>;

function typedOf(soil: Soil | null | undefined, system: UnitSystem) {
  const { packet, liquid, test } = soil ?? {};
  return {
    school: soil?.feeding ?? 'from-start',
    name: packet?.name ?? '',
    n: textOf(packet?.n_percent),
    p: textOf(packet?.p2o5_percent),
    k: textOf(packet?.k2o_percent),
    handful: measureText(packet?.handful_g, 'g', system),
    price: measureText(packet?.price_per_kg, 'per kg', system),
    atOnce: measureText(packet?.at_once_g_per_m2, 'g per m²', system),
    every: textOf(packet?.every_days),
    wait: textOf(packet?.wait_days),
    liquid: liquid?.name ?? '',
    dose: measureText(liquid?.ml_per_10_l, 'mL in 10 L', system),
    poured: textOf(liquid?.every_days),
    liquidWait: textOf(liquid?.wait_days),
    ph: textOf(test?.ph),
    phosphate: test?.phosphate ?? '',
    potash: test?.potash ?? '',
  } as const;
}

function changesOf(read: Reader<ReturnType<typeof typedOf>>, soil: Soil | null | undefined) {
  const packet = {
    name: read.text('name'),
    n_percent: read.number('n', 0, 100),
    p2o5_percent: read.number('p', 0, 100),
    k2o_percent: read.number('k', 0, 100),
    price_per_kg: read.measure('price', 'per kg', 0),
    handful_g: read.measure('handful', 'g', 1, 1000),
    at_once_g_per_m2: read.measure('atOnce', 'g per m²', 0.1, 5000),
    every_days: read.number('every', 0, 365),
    wait_days: read.number('wait', 0, 365),
  };
  const liquid = {
    name: read.text('liquid'),
    ml_per_10_l: read.measure('dose', 'mL in 10 L', 0.01, 1000),
    every_days: read.number('poured', 1, 365),
    wait_days: read.number('liquidWait', 0, 365),
  };
  const test = {
    ph: read.number('ph', 2, 12),
    phosphate: read.text('phosphate'),
    potash: read.text('potash'),
  };
  const tested = Object.values(test).some((value) => value !== null);
  return {
    feeding: read.typed.school,
    packet: packet.n_percent === null ? null : said(packet),
    liquid: liquid.ml_per_10_l === null ? null : said(liquid),
    test: tested ? { ...soil?.test, ...test } : null,
  };
}

/** The school on feeding, the packet's analysis, and what a soil test said. */
export function FeedForm({ state, onEdit }: Props) {
  const { soil } = state.plan;
  const { system } = useUnits();
  const form = useTyped(typedOf(soil, system), (read) => changesOf(read, soil));
  return (
    <form
      className="grid grid-cols-3 items-end gap-x-3 gap-y-1"
      aria-label="Feed"
      onSubmit={form.sent((changes) => onEdit({ do: 'change-soil', changes }))}
    >
      <h2 className="col-span-full text-base">Feed</h2>
      <div className="col-span-full">
        <ChoiceField form={form} name="school" label="Feeding school" options={SCHOOLS} />
      </div>
      <div className="col-span-2">
        <TextField form={form} name="name" label="Name of the packet" />
      </div>
      <MeasureField form={form} name="price" label="Price" unit="per kg" />
      <NumberField form={form} name="n" label="Nitrogen, %" />
      <NumberField form={form} name="p" label="Phosphate, %" />
      <NumberField form={form} name="k" label="Potash, %" />
      <MeasureField form={form} name="handful" label="A handful" unit="g" />
      <MeasureField form={form} name="atOnce" label="Most at once" unit="g per m²" />
      <NumberField form={form} name="every" label="Again after, days" />
      <NumberField form={form} name="wait" label="Wait before picking, days" />
      <h3 className="col-span-full mt-1 font-sans text-[13px] font-semibold">
        Liquid feed for pots
      </h3>
      <div className="col-span-2">
        <TextField form={form} name="liquid" label="Name of the bottle" />
      </div>
      <MeasureField form={form} name="dose" label="Dose" unit="mL in 10 L" />
      <NumberField form={form} name="poured" label="Every, days" />
      <NumberField form={form} name="liquidWait" label="Wait before picking, days" />
      <h3 className="col-span-full mt-1 font-sans text-[13px] font-semibold">A soil test</h3>
      <NumberField form={form} name="ph" label="pH" />
      <ChoiceField form={form} name="phosphate" label="Phosphate" options={LEVELS} />
      <ChoiceField form={form} name="potash" label="Potash" options={LEVELS} />
      <p className="col-span-full pt-1">
        <button type="submit" className="act act-main">
          Save
        </button>
      </p>
    </form>
  );
}
