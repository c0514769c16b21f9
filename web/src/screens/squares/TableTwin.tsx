import type { PlantingReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import type { Units } from '../../kit/units';

const HEADS = [
  '',
  'Crop',
  'Squares',
  'Plants',
  'Apart',
  'Start',
  'First pick',
  'Cleared',
  'Depth',
  'Low',
  'Likely',
  'High',
];

function cellsOf(planting: PlantingReport, units: Units): string[] {
  const kg = planting.harvest_kg;
  return [
    planting.mark,
    planting.name,
    planting.cells.join(' '),
    String(planting.plants),
    units.length(planting.spacing_cm),
    planting.start_date,
    planting.first_pick ?? 'none',
    planting.clear_date ?? 'none',
    planting.depth.verdict,
    units.weight(kg.p10),
    units.weight(kg.p50),
    units.weight(kg.p90),
  ];
}

function asCsv(rows: readonly string[][]): string {
  return rows
    .map((row) => row.map((text) => `"${text.replaceAll('"', '""')}"`).join(','))
    .join('\n');
}

/** The drawing as a table, for reading aloud, copying and printing. */
export function TableTwin({
  plantings,
  title,
}: {
  plantings: readonly PlantingReport[];
  title: string;
}) {
  const units = useUnits();
  const rows = plantings.map((planting) => cellsOf(planting, units));
  if (plantings.length === 0) {
    return (
      <p className="py-4">
        Nothing is planted here yet. Choose squares in the drawing, then a crop that fits them.
      </p>
    );
  }
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={`${title} as a table`}>
      <table className="w-full text-[13px]">
        <caption className="text-left text-muted">{`${title}, harvest in ${units.weightUnit}`}</caption>
        <thead>
          <tr className="border-b border-ink text-left">
            {HEADS.map((head, i) => (
              <th key={head} scope="col" className="px-1.5 font-semibold">
                {i === 0 ? <span className="sr-only">Mark</span> : head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, index) => (
            <tr key={plantings[index]?.id} className="border-b border-faint align-top">
              {row.map((text, i) => (
                <td
                  key={HEADS[i]}
                  className={`px-1.5 ${i > 8 || i === 3 ? 'text-right' : ''} ${i === 2 ? 'max-w-44' : i > 3 ? 'whitespace-nowrap' : ''}`}
                >
                  {text}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <button
        type="button"
        className="press no-print mt-2"
        onClick={() => void navigator.clipboard.writeText(asCsv([HEADS, ...rows]))}
      >
        Copy as CSV
      </button>
    </div>
  );
}
