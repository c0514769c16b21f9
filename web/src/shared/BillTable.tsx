import type { BillLine } from '../api/types';
import { Heads } from '../kit/Heads';
import { useUnits } from '../kit/preferences';
import { money } from '../kit/units';
import type { Units } from '../kit/units';

interface Props {
  caption: string;
  lines: readonly BillLine[];
  /** The sum of all lines; null while a price is missing; left out where it stands elsewhere. */
  total?: number | null;
}

/** So much of each material, the years it lasts and what it costs. */
export function BillTable({ caption, lines, total }: Props) {
  const units = useUnits();
  return (
    <table className="mt-4 w-full">
      <caption className="mb-1 text-left font-semibold">{caption}</caption>
      <Heads
        columns={[
          ['Material'],
          ['Amount', 'right'],
          ['Lasts, years', 'right'],
          ['Cost', 'right'],
          ['per year', 'right'],
        ]}
      />
      <tbody>
        {lines.map((line) => (
          <tr key={line.material} className="border-t border-faint">
            <th scope="row" className="text-left font-normal first-letter:uppercase">
              {line.label}
            </th>
            <td className="pl-3 text-right whitespace-nowrap">{amountOf(line, units)}</td>
            <td className="pl-3 text-right">{`${line.low_years}–${line.high_years}`}</td>
            <td className="pl-3 text-right">{money(line.cost)}</td>
            <td className="pl-3 text-right">{money(line.a_year)}</td>
          </tr>
        ))}
      </tbody>
      {total !== undefined && (
        <tfoot>
          <tr className="double-rule font-semibold">
            <td colSpan={3}>In all</td>
            <td className="text-right">{money(total)}</td>
            <td />
          </tr>
        </tfoot>
      )}
    </table>
  );
}

function amountOf(line: BillLine, units: Units): string {
  const amount = Math.round(line.amount * 10) / 10;
  if (line.unit === 'm') return units.distance(amount);
  if (line.unit === 'm2') return units.area(line.amount);
  if (line.unit === 'L') return units.bulk(line.amount);
  return String(amount);
}
