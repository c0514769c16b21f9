import type { HeldGarden } from '../../api/merge';
import type { OrderReport } from '../../api/types';
import { Heads } from '../../kit/Heads';
import { useUnits } from '../../kit/preferences';
import { grouped } from '../../kit/units';
import { PlaceWorking } from '../../shared/PlaceWorking';
import { Figure, Sum } from '../../shared/Working';

interface Props {
  state: HeldGarden;
  order: OrderReport | undefined;
  chosen: string | null;
  bought: ReadonlySet<string>;
  onChoose: (id: string) => void;
  onBuy: (id: string, buy: boolean) => void;
}

/** What each place takes, and what all that are ticked take together. */
export function FillTable({ state, order, chosen, bought, onChoose, onBuy }: Props) {
  const units = useUnits();
  const rows = state.report.places;
  return (
    <table className="w-full">
      <caption className="sr-only">
        What each place takes of soil, and what it weighs soaked
      </caption>
      <Heads
        columns={[
          ['Fill'],
          ['Place'],
          ['Mix'],
          ['Settled', 'right'],
          ['Settles by', 'right', 'roomy'],
          ['To pour', 'right'],
          [`Soaked, ${units.weightUnit}`, 'right'],
          [units.system === 'imperial' ? 'lb per sq ft' : 'kg per m²', 'right', 'roomy'],
        ]}
      />
      <tbody>
        {rows.map((row) => {
          const name = state.plan.places.find((p) => p.id === row.id)?.name ?? row.id;
          return (
            <tr
              key={row.id}
              className={`border-t border-faint ${row.id === chosen ? 'bg-wash' : ''}`}
            >
              <td>
                <input
                  type="checkbox"
                  className="min-h-0"
                  aria-label={`Fill ${name} now`}
                  checked={bought.has(row.id)}
                  onChange={(event) => onBuy(row.id, event.target.checked)}
                />
              </td>
              <th scope="row" className="pl-1 text-left font-normal">
                <button type="button" className="press" onClick={() => onChoose(row.id)}>
                  {name}
                </button>
              </th>
              <td>{row.soil.label}</td>
              <td className="text-right whitespace-nowrap">{units.bulk(row.soil.fill_litres)}</td>
              <td className="text-right max-sm:hidden">{`${Math.round(row.soil.settling * 100)} %`}</td>
              <td className="pl-2 text-right font-semibold whitespace-nowrap">
                <Figure
                  label={`${name}, to pour: working`}
                  working={() => (
                    <Sum title={`Soil to pour, ${name}`} terms={[...row.soil.working]} />
                  )}
                >
                  {units.bulk(row.soil.order_litres)}
                </Figure>
              </td>
              <td className="text-right">
                <Figure
                  label={`${name}, soaked: working`}
                  working={() => (
                    <PlaceWorking
                      state={state}
                      place={row.id}
                      title={`Weight, ${name}`}
                      pick={(w) => w.weight}
                    />
                  )}
                >
                  {grouped(units.weightValue(row.weight.kg))}
                </Figure>
              </td>
              <td className="text-right max-sm:hidden">
                {Math.round(units.loadValue(row.weight.kg_per_m2))}
              </td>
            </tr>
          );
        })}
      </tbody>
      <tfoot>
        <tr className="double-rule font-semibold">
          <td />
          <td colSpan={3}>{`${bought.size} of ${rows.length} places, as one order`}</td>
          <td className="max-sm:hidden" />
          <td className="text-right whitespace-nowrap text-damson">
            {order && bought.size > 0 ? units.bulk(order.litres) : '–'}
          </td>
          <td className="text-right">
            {order && bought.size > 0 ? grouped(units.weightValue(order.kg_wet)) : '–'}
          </td>
          <td className="max-sm:hidden" />
        </tr>
      </tfoot>
    </table>
  );
}
