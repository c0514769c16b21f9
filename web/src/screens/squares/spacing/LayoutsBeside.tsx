import type { LaidOut } from '../../../api/types';
import { Heads } from '../../../kit/Heads';
import { useUnits } from '../../../kit/preferences';

interface Props {
  layouts: readonly LaidOut[];
  shown: LaidOut | null;
  onShow: (laid: LaidOut) => void;
}

/** One planting by each way of setting out; the way that is pressed stands in the drawing. */
export function LayoutsBeside({ layouts, shown, onShow }: Props) {
  const units = useUnits();
  return (
    <table className="w-full">
      <caption className="text-left text-[14px] font-semibold">
        Other ways, in the same squares
      </caption>
      <Heads
        columns={[
          ['Way'],
          ['Plants', 'right'],
          [units.weightUnit, 'right'],
          ['Each', 'right'],
          ['Seeds', 'right'],
        ]}
      />
      <tbody>
        {layouts.map((laid) => (
          <tr
            key={laid.layout}
            className={`border-t border-faint ${shown?.layout === laid.layout ? 'bg-wash' : ''}`}
          >
            <th scope="row" className="text-left font-normal">
              <button
                type="button"
                className="press"
                aria-pressed={shown?.layout === laid.layout}
                onClick={() => onShow(laid)}
              >
                {laid.label}
              </button>
              {laid.own && <span className="text-muted"> now</span>}
            </th>
            <td className="text-right">{laid.found.plants}</td>
            <td className="text-right font-semibold">{units.weight(laid.found.kg)}</td>
            <td className="text-right">
              {laid.found.plants ? units.mass(laid.found.kg_per_plant) : '–'}
            </td>
            <td className="text-right">{laid.found.seeds}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
