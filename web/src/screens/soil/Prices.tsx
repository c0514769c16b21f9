import { useState } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { Edit, Soil } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { MeasureField, NumberField, useTyped } from '../../kit/form';
import { measureText } from '../../kit/measures';
import type { CoreUnit } from '../../kit/measures';
import { useUnits } from '../../kit/preferences';
import { textOf } from '../../kit/reader';
import type { Reader } from '../../kit/reader';
import type { UnitSystem } from '../../kit/units';
import { MixChoice } from './MixChoice';
import { useIngredients } from '../../api/useSoil';

interface Props {
  state: HeldGarden;
  onEdit: (edit: Edit) => void;
  onSaved: () => void;
}

/** The mix for the beds, and what bags, loads, ingredients and fetching cost here. */
export function Prices({ state, onEdit, onSaved }: Props) {
  const soil = state.plan.soil;
  const { system } = useUnits();
  const [mix, setMix] = useState(soil?.mix ?? '');
  const [bags, setBags] = useState(Math.max(2, soil?.bags.length ?? 0));
  const [parts, setParts] = useState(() => (soil?.ingredients ?? []).map((part) => part.name));
  const ingredients = useIngredients().data ?? {};
  const form = useTyped(typedOf(soil, system), (read) => ({
    mix: mix || null,
    ...readOf(read, soil, bags),
    ingredients: parts.map((name) => ({
      name,
      litres: read.measure(`there ${name}`, 'L of soil', 0),
      price_per_litre: read.measure(`cost ${name}`, 'per L', 0),
    })),
  }));
  const free = Object.keys(ingredients).filter((name) => !parts.includes(name));
  return (
    <form
      className="grid grid-cols-3 gap-x-3 gap-y-1"
      onSubmit={form.sent((changes) => {
        onEdit({ do: 'change-soil', changes });
        onSaved();
      })}
    >
      <div className="col-span-full">
        <MixChoice
          label="Mix for the beds"
          value={mix}
          none="as suits each bed"
          recipes={soil?.recipes ?? []}
          onChange={setMix}
        />
      </div>
      {Array.from({ length: bags }, (_, i) => [
        <MeasureField
          key={`bag${i}`}
          form={form}
          name={`bag${i}`}
          label={`Bag ${i + 1}`}
          unit="L of soil"
        />,
        <MeasureField
          key={`opened${i}`}
          form={form}
          name={`opened${i}`}
          label="opened"
          unit="L of soil"
        />,
        <NumberField key={`price${i}`} form={form} name={`price${i}`} label="its price" />,
      ])}
      <button type="button" className="press col-span-full" onClick={() => setBags(bags + 1)}>
        Add a bag
      </button>
      <MeasureField form={form} name="m3" label="Loose" unit="per m³" />
      <NumberField form={form} name="delivery" label="Delivery" />
      <NumberField form={form} name="shared" label="shared by, homes" />
      <MeasureField form={form} name="least" label="Least load" unit="m³" />
      <MeasureField form={form} name="own" label="Own mix" unit="L of soil" />
      <span />
      <MeasureField form={form} name="vehicleLitres" label="Vehicle load" unit="L of soil" />
      <MeasureField form={form} name="vehicleKg" label="and at most" unit="kg" />
      <h3 className="col-span-full mt-2 font-sans text-[13px] font-semibold">
        To mix from at home
      </h3>
      {parts.map((name) => [
        <span key={name} className="self-end pb-1">
          {name}
        </span>,
        <MeasureField
          key={`there ${name}`}
          form={form}
          name={`there ${name}`}
          label="there"
          unit="L of soil"
        />,
        <MeasureField
          key={`cost ${name}`}
          form={form}
          name={`cost ${name}`}
          label="more"
          unit="per L"
        />,
      ])}
      <div className="col-span-full">
        <Choice
          label="Add an ingredient"
          value=""
          options={[['', 'choose…'], ...free.map((name) => [name, name] as const)]}
          onChange={(name) => name && setParts([...parts, name])}
        />
      </div>
      <p className="col-span-full pt-1">
        <button type="submit" className="act act-main">
          Save
        </button>
      </p>
    </form>
  );
}

/** Bags, loose mix, what there is and what is fetched with, as they were typed. */
function readOf(read: Reader<Record<string, string>>, soil: Soil | null | undefined, bags: number) {
  const sold = Array.from({ length: bags }, (_, i) => ({
    ...soil?.bags[i],
    litres: read.measure(`bag${i}`, 'L of soil', 1),
    opened_litres: read.measure(`opened${i}`, 'L of soil', 1),
    price: read.number(`price${i}`, 0),
  }));
  const bulk = {
    price_per_m3: read.measure('m3', 'per m³', 0),
    delivery: read.number('delivery', 0),
    shared_by: read.number('shared', 1, 50),
    least_m3: read.measure('least', 'm³', 0),
  };
  const own = read.measure('own', 'L of soil', 0);
  const vehicle = {
    litres: read.measure('vehicleLitres', 'L of soil', 1),
    kg: read.measure('vehicleKg', 'kg', 1),
  };
  const fetches = vehicle.litres !== null || vehicle.kg !== null;
  return {
    bags: sold.filter((bag) => bag.litres !== null),
    bulk: bulk.price_per_m3 === null ? null : { ...soil?.bulk, ...bulk },
    own: own === null ? null : { ...soil?.own, litres: own },
    vehicle: fetches ? { ...soil?.vehicle, ...vehicle } : null,
  };
}

function typedOf(soil: Soil | null | undefined, system: UnitSystem): Record<string, string> {
  const text = (value: number | null | undefined, unit: CoreUnit) =>
    measureText(value, unit, system);
  return {
    ...Object.fromEntries(
      (soil?.bags ?? []).flatMap((bag, i) => [
        [`bag${i}`, text(bag.litres, 'L of soil')],
        [`opened${i}`, text(bag.opened_litres, 'L of soil')],
        [`price${i}`, textOf(bag.price)],
      ]),
    ),
    ...Object.fromEntries(
      (soil?.ingredients ?? []).flatMap((part) => [
        [`there ${part.name}`, text(part.litres, 'L of soil')],
        [`cost ${part.name}`, text(part.price_per_litre, 'per L')],
      ]),
    ),
    m3: text(soil?.bulk?.price_per_m3, 'per m³'),
    delivery: textOf(soil?.bulk?.delivery),
    shared: textOf(soil?.bulk?.shared_by),
    least: text(soil?.bulk?.least_m3, 'm³'),
    own: text(soil?.own?.litres, 'L of soil'),
    vehicleLitres: text(soil?.vehicle?.litres, 'L of soil'),
    vehicleKg: text(soil?.vehicle?.kg, 'kg'),
  };
}
