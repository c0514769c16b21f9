import type { CropPage } from '../../api/types';
import { Heads } from '../../kit/Heads';
import { useUnits } from '../../kit/preferences';

/** Ways of growing one crop side by side, by the bed's ground that each takes. */
export function WaysUp({ page }: { page: CropPage }) {
  const units = useUnits();
  if (page.ways_up.length === 0) return null;
  const bed = units.system === 'imperial' ? 'per sq ft' : 'per m²';
  return (
    <section aria-label="Ways of growing it" className="mb-3">
      <table className="w-full">
        <caption className="text-left text-[14px] font-semibold">
          Ways of growing it, by the bed’s own ground
        </caption>
        <Heads
          columns={[
            ['Way'],
            [`Plants ${bed}`, 'right'],
            [`${units.weightUnit} ${bed}`, 'right'],
            ['Weeks picked', 'right'],
            [`Hours ${bed}`, 'right'],
            [`Cost ${bed}, per year`, 'right'],
            ['Good to know', 'after'],
          ]}
        />
        <tbody>
          {page.ways_up.map((way) => (
            <tr key={way.system} className="border-t border-faint align-top">
              <th scope="row" className="text-left font-semibold first-letter:uppercase">
                {way.label}
              </th>
              <td className="text-right">{units.perArea(way.plants_per_m2)}</td>
              <td className="text-right font-semibold">
                {way.kg_per_m2 === null ? '–' : units.perArea(units.weightValue(way.kg_per_m2))}
              </td>
              <td className="text-right">{Math.round(way.picking_weeks)}</td>
              <td className="text-right">{units.perArea(way.hours_per_m2)}</td>
              <td className="whitespace-nowrap text-right">
                {way.cost_a_year === null ? 'no price' : units.perArea(way.cost_a_year)}
              </td>
              <td className="pl-4 text-[12.5px] text-muted">
                {`${way.air} At the top, ${way.at_the_top}. Shade: ${way.shades}`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
