import { useState } from 'react';

import type { HeldGarden } from '../api/merge';
import type { Edit, MixOrder, OrderReport, Soil } from '../api/types';
import { Field } from '../app/Field';
import { useUnits } from '../app/preferences';
import { MixChoice } from './MixChoice';

interface Props {
  state: HeldGarden;
  order: OrderReport | undefined;
  onEdit: (edit: Edit) => void;
}

/** What the ticked places take, every way to buy it side by side, and the prices here. */
export function Buying({ state, order, onEdit }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <section aria-labelledby="to-buy">
      <header className="flex items-baseline justify-between">
        <h2 id="to-buy" className="text-base">
          To buy
        </h2>
        <button type="button" className="press" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Done' : 'Mix and prices'}
        </button>
      </header>
      {open ? (
        <PriceForm state={state} onEdit={onEdit} onSaved={() => setOpen(false)} />
      ) : (
        <>
          {order && order.litres > 0 ? (
            order.mixes.map((mix) => <MixToBuy key={mix.mix} order={mix} />)
          ) : (
            <p className="text-muted">Tick a place to see what it takes.</p>
          )}
        </>
      )}
    </section>
  );
}

/** One mix: how much, every way to buy it, and its parts. */
function MixToBuy({ order }: { order: MixOrder }) {
  const units = useUnits();
  const cheapest = order.options.find((o) => o.cost !== null);
  return (
    <div className="mb-3">
      <h3 className="font-sans text-[14px] font-semibold first-letter:uppercase">{order.label}</h3>
      <p>
        {`${units.volume(order.litres)} to pour: ${order.barrows} barrows, or ${order.buckets} buckets.`}
      </p>
      <table className="w-full">
        <caption className="sr-only">{`Ways to buy ${order.label}, cheapest first`}</caption>
        <tbody>
          {order.options.map((option) => (
            <tr
              key={option.name}
              className={option === cheapest ? 'bg-wash font-semibold text-damson' : ''}
            >
              <th scope="row" className="text-left font-[inherit]">
                {option.name}
              </th>
              <td className="whitespace-nowrap text-right">{`${option.units} ${option.unit}`}</td>
              <td className="whitespace-nowrap pl-2 text-right font-normal text-muted">
                {`${units.volume(option.over_litres)} over`}
              </td>
              <td className="pl-2 text-right">
                {option.cost === null ? 'no price' : option.cost.toFixed(2)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {cheapest && order.options.length > 1 && <p>{`Cheapest: ${cheapest.name}.`}</p>}
      {order.options.length === 0 && (
        <p className="text-muted">
          Enter a bag’s size and price, or a loose load’s, and they are costed here.
        </p>
      )}
      <p className="text-muted">
        {`Mixed here: ${Object.entries(order.recipe_litres)
          .map(([what, litres]) => `${units.volume(litres)} ${what}`)
          .join(', ')}.`}
      </p>
    </div>
  );
}

function PriceForm({
  state,
  onEdit,
  onSaved,
}: {
  state: HeldGarden;
  onEdit: (edit: Edit) => void;
  onSaved: () => void;
}) {
  const soil = state.plan.soil;
  const [mix, setMix] = useState(soil?.mix ?? '');
  const [typed, setTyped] = useState<Record<string, string>>(() => typedOf(soil));
  const [count, setCount] = useState(Math.max(2, soil?.bags.length ?? 0));
  const [faults, setFaults] = useState<Record<string, string>>({});
  const save = () => {
    const found: Record<string, string> = {};
    const amount = (key: string, least: number): number | null => {
      const text = (typed[key] ?? '').trim().replace(',', '.');
      if (text === '') return null;
      const value = Number(text);
      if (Number.isNaN(value) || value < least) found[key] = `Give a number from ${least}.`;
      return value;
    };
    const bags = Array.from({ length: count }, (_, i) => ({
      litres: amount(`bag${i}`, 1),
      price: amount(`price${i}`, 0),
    })).filter((bag): bag is { litres: number; price: number | null } => bag.litres !== null);
    const bulk = {
      price_per_m3: amount('m3', 0),
      delivery: amount('delivery', 0),
      least_m3: amount('least', 0),
    };
    const own = amount('own', 0);
    setFaults(found);
    if (Object.keys(found).length > 0) return;
    onEdit({
      do: 'change-soil',
      changes: {
        mix: mix || null,
        bags,
        bulk: bulk.price_per_m3 === null ? null : { ...soil?.bulk, ...bulk },
        own: own === null ? null : { ...soil?.own, litres: own },
      },
    });
    onSaved();
  };
  const field = (key: string, label: string) => (
    <Field key={key} label={label} fault={faults[key]}>
      <input
        value={typed[key] ?? ''}
        inputMode="decimal"
        onChange={(event) => setTyped((now) => ({ ...now, [key]: event.target.value }))}
      />
    </Field>
  );
  return (
    <form
      className="grid grid-cols-2 gap-x-3 gap-y-1"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <MixChoice label="Mix for the beds" value={mix} none="as suits each bed" onChange={setMix} />
      {Array.from({ length: count }, (_, i) => [
        field(`bag${i}`, `Bag ${i + 1}, litres`),
        field(`price${i}`, 'its price'),
      ])}
      <button type="button" className="press col-span-full" onClick={() => setCount(count + 1)}>
        Another bag
      </button>
      {field('m3', 'Loose, a m³')}
      {field('delivery', 'Delivery')}
      {field('least', 'Least load, m³')}
      {field('own', 'Own material, litres')}
      <p className="col-span-full pt-1">
        <button type="submit" className="act act-main">
          Save
        </button>
      </p>
    </form>
  );
}

function typedOf(soil: Soil | null | undefined): Record<string, string> {
  const text = (value: number | null | undefined) => value?.toString() ?? '';
  return {
    ...Object.fromEntries(
      (soil?.bags ?? []).flatMap((bag, i) => [
        [`bag${i}`, text(bag.litres)],
        [`price${i}`, text(bag.price)],
      ]),
    ),
    m3: text(soil?.bulk?.price_per_m3),
    delivery: text(soil?.bulk?.delivery),
    least: text(soil?.bulk?.least_m3),
    own: text(soil?.own?.litres),
  };
}
