import type { HeldGarden } from '../../../api/merge';
import type { BuildReport, Edit } from '../../../api/types';
import { Heads } from '../../../kit/Heads';
import { useUnits } from '../../../kit/preferences';
import { useMaterials } from '../../../api/useSoil';
import type { Units } from '../../../kit/units';

type Piece = BuildReport['places'][number]['pieces'][number];

interface Props {
  state: HeldGarden;
  build: BuildReport;
  onEdit: (edit: Edit) => void;
}

const MANY: Record<string, string> = { side: 'sides', post: 'posts', 'tie across': 'ties across' };

function piecesOf(piece: Piece, units: Units): string {
  const what = piece.count === 1 ? piece.what : (MANY[piece.what] ?? piece.what);
  return `${piece.count} ${what} of ${units.length(piece.length_cm)}`;
}

/** What a place takes: its pieces, its card, its roll. */
function whatFor(row: BuildReport['places'][number], units: Units): string {
  const { pieces, card_sheets: card, roll_m: roll, roll_cm: wide } = row;
  const parts = pieces.map((piece) => piecesOf(piece, units));
  if (card !== null) parts.push(`${card} sheets of card`);
  if (roll !== null && wide !== null)
    parts.push(`${units.distance(Math.ceil(roll * 10) / 10)} of a roll ${units.length(wide)} wide`);
  return parts.join(', ') || '–';
}

/** Every place with its stage, what it is made of, its pieces and its hours. */
export function PlacesToBuild({ state, build, onEdit }: Props) {
  const units = useUnits();
  const materials = useMaterials().data ?? {};
  const change = (id: string, changes: Record<string, string | null>) =>
    onEdit({ do: 'change-place', id, changes });
  return (
    <table className="w-full">
      <caption className="sr-only">Places by stage, with their pieces and hours</caption>
      <Heads tucked columns={[['Place'], ['When'], ['Made of'], ['Pieces'], ['Hours', 'right']]} />
      <tbody>
        {build.places.map((row) => {
          const place = state.plan.places.find((p) => p.id === row.place);
          if (!place) return null;
          const use = place.kind === 'container' ? 'container' : 'frame';
          const hasWalls = place.kind === 'container' || place.kind === 'framed';
          const fitting = Object.entries(materials).filter(([, m]) => m.used_for === use);
          const usual = use === 'frame' ? 'softwood-board' : '';
          return (
            <tr
              key={row.place}
              className="border-t border-faint align-top max-sm:grid max-sm:grid-cols-2 max-sm:gap-x-2 max-sm:pb-2"
            >
              <th scope="row" className="py-1 text-left font-semibold max-sm:col-span-2">
                {row.label}
              </th>
              <td className="py-0.5 pr-2">
                <select
                  aria-label={`When ${row.label} is built`}
                  value={row.stage}
                  onChange={(event) => change(row.place, { stage: event.target.value })}
                >
                  <option value="standing">stands already</option>
                  <option value="this-year">this year</option>
                  <option value="later">later</option>
                </select>
              </td>
              <td className="py-0.5 pr-2">
                {hasWalls ? (
                  <select
                    aria-label={`What ${row.label} is made of`}
                    className="max-w-[11rem] max-sm:max-w-full"
                    value={place.material ?? usual}
                    onChange={(event) =>
                      change(row.place, { material: event.target.value || null })
                    }
                  >
                    {use === 'container' && <option value="">not said</option>}
                    {fitting.map(([id, material]) => (
                      <option key={id} value={id}>
                        {material.label}
                      </option>
                    ))}
                  </select>
                ) : (
                  <span className="text-muted">no frame</span>
                )}
              </td>
              <td className="py-1 pr-2 max-sm:col-span-2">{whatFor(row, units)}</td>
              <td className="py-1 text-right max-sm:col-span-2 max-sm:text-left">
                {row.hours.toFixed(1)}
                <span className="sm:hidden"> hours</span>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
