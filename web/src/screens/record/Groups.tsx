import type { GroupLine } from '../../api/types';
import { fieldUnit, measureText } from '../../kit/measures';
import type { Units } from '../../kit/units';

interface GroupsProps {
  title: string;
  lines: readonly GroupLine[];
  units: Units;
  /** With what each square metre and each 100 litres of soil gave. */
  ground?: boolean;
}

/** Crops, kinds or places: what was picked of what was estimated, and for each measure of ground. */
export function Groups({ title, lines, units, ground = false }: GroupsProps) {
  const area = fieldUnit('kg per m²', units.system).label;
  const perLitres =
    units.system === 'metric'
      ? ([1, 'kg per 100 L'] as const)
      : ([0.624_28, 'lb per cu ft'] as const);
  const head = ground
    ? [area, perLitres[1]]
    : lines.some((line) => line.worth !== null)
      ? ['worth']
      : [];
  const more = (line: GroupLine) => {
    if (!ground) return head.length > 0 ? [line.worth?.toFixed(2) ?? ''] : [];
    const { kg_per_m2: m2, kg_per_100_litres: litres } = line;
    return [
      m2 === null ? '' : measureText(Number(m2.toPrecision(2)), 'kg per m²', units.system),
      litres === null ? '' : (litres * perLitres[0]).toPrecision(2),
    ];
  };
  return (
    <table className="mt-3 text-[14px] tabular-nums">
      <caption className="text-left text-base">{title}</caption>
      <thead className="text-muted">
        <tr>
          <th scope="col" className="pr-5 text-left font-normal">
            <span className="sr-only">Name</span>
          </th>
          {[`picked, ${units.weightUnit}`, 'estimated', ...head].map((words) => (
            <th key={words} scope="col" className="pr-5 text-right font-normal">
              {words}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.id}>
            <th scope="row" className="pr-5 text-left font-normal">
              {line.name}
            </th>
            {[units.weight(line.picked_kg), units.weight(line.estimated_kg), ...more(line)].map(
              (words, at) => (
                <td key={at} className="pr-5 text-right">
                  {words}
                </td>
              ),
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
