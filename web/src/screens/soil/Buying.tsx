import { useState } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { Edit, MixOrder, OrderReport } from '../../api/types';
import { useRegional, useUnits } from '../../kit/preferences';
import { grouped, money } from '../../kit/units';
import type { Units } from '../../kit/units';
import { Prices } from './Prices';
import { Recipes } from './Recipes';

type Form = 'recipes' | 'prices';

interface Props {
  state: HeldGarden;
  order: OrderReport | undefined;
  onEdit: (edit: Edit) => void;
}

/** What the ticked places take, every way to buy it side by side, and the prices here. */
export function Buying({ state, order, onEdit }: Props) {
  const [open, setOpen] = useState<Form | null>(null);
  return (
    <section aria-labelledby="to-buy">
      <header className="flex items-baseline justify-between">
        <h2 id="to-buy" className="text-base">
          To buy
        </h2>
        <span className="flex gap-4">
          <Opener name="recipes" open={open} onOpen={setOpen}>
            Recipes
          </Opener>
          <Opener name="prices" open={open} onOpen={setOpen}>
            Mix and prices
          </Opener>
        </span>
      </header>
      {open === 'prices' ? (
        <Prices state={state} onEdit={onEdit} onSaved={() => setOpen(null)} />
      ) : open === 'recipes' ? (
        <Recipes state={state} onEdit={onEdit} />
      ) : (
        <>
          {order && order.litres > 0 ? (
            order.mixes.map((mix) => <MixToBuy key={mix.mix} order={mix} />)
          ) : (
            <p className="text-muted">Tick a place to see what it takes.</p>
          )}
          {order?.cautions.map((caution) => (
            <p key={caution} className="mb-1 text-[12.5px] text-muted">
              {caution}
            </p>
          ))}
        </>
      )}
    </section>
  );
}

function Opener({
  name,
  open,
  onOpen,
  children,
}: {
  name: Form;
  open: Form | null;
  onOpen: (form: Form | null) => void;
  children: string;
}) {
  const isOpen = open === name;
  return (
    <button
      type="button"
      className="press"
      aria-expanded={isOpen}
      onClick={() => onOpen(isOpen ? null : name)}
    >
      {isOpen ? 'Done' : children}
    </button>
  );
}

/** One mix: how much, every way to buy it, and its parts. */
function MixToBuy({ order }: { order: MixOrder }) {
  const units = useUnits();
  const say = useRegional();
  const cheapest = order.options.find((o) => o.cost !== null);
  return (
    <div className="mb-3">
      <h3 className="font-sans text-[14px] font-semibold first-letter:uppercase">{order.label}</h3>
      <p>
        {say(
          `${units.bulk(order.litres)} to pour: ${counted(order.barrows, 'barrow')}, or ${counted(order.buckets, 'bucket')}.`,
        )}
      </p>
      {order.fetched && (
        <p>
          {`${order.fetched.count === 1 ? 'One load' : `${order.fetched.count} loads`} of the ${order.fetched.vehicle}, limited by ${order.fetched.limited_by}: ${grouped(units.weightValue(order.fetched.kg))} ${units.weightUnit} loose.`}
        </p>
      )}
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
              <td className="whitespace-nowrap text-right">{bought(option, units)}</td>
              <td className="whitespace-nowrap pl-2 text-right font-normal text-muted">
                {`${units.bulk(option.over_litres)} left over`}
              </td>
              <td className="pl-2 text-right">{money(option.cost)}</td>
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
        {`Its parts: ${Object.entries(order.recipe_litres)
          .map(([what, litres]) => `${units.bulk(litres)} ${say(what)}`)
          .join(', ')}.`}
      </p>
    </div>
  );
}

/** So many bags, or so much that is tipped loose. */
function bought(option: MixOrder['options'][number], units: Units): string {
  return option.unit === 'm³' ? units.loose(option.units) : `${option.units} ${option.unit}`;
}

const counted = (count: number, what: string) =>
  `${grouped(count)} ${what}${count === 1 ? '' : 's'}`;
