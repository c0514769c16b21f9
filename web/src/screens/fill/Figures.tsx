import type { OfferedPlan } from '../../api/types';
import { Heads } from '../../kit/Heads';
import { useUnits } from '../../kit/preferences';
import { squareWeeks } from '../../kit/units';

/** What the best plan so far puts on the table, crop by crop. */
export function Figures({ plan }: { plan: OfferedPlan }) {
  const units = useUnits();
  return (
    <div>
      <p className="text-[13px] text-muted">
        {`${plan.plantings} plantings begun, ${plan.weeks_short} weeks short over all crops, ${squareWeeks(plan.idle_cell_weeks)} idle`}
      </p>
      <table>
        <caption className="sr-only">What is eaten of each crop, of what is wanted</caption>
        <Heads
          columns={[
            ['Eaten in the year'],
            [units.weightUnit, 'right'],
            ['of', 'right'],
            ['weeks short', 'right'],
          ]}
        />
        <tbody>
          {plan.eaten.map((one) => (
            <tr key={one.crop} className="border-t border-faint">
              <th scope="row" className="text-left font-normal">
                {one.name}
              </th>
              <td className="pl-2 text-right tabular-nums">{units.weight(one.eaten_kg)}</td>
              <td className="pl-2 text-right tabular-nums text-muted">
                {units.weight(one.want_kg)}
              </td>
              <td className="pl-2 text-right tabular-nums">{one.weeks_short || '–'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
