import type { OtherWay } from '../../../api/types';
import { Heads } from '../../../kit/Heads';
import { useUnits } from '../../../kit/preferences';

interface Props {
  layouts: readonly OtherWay[];
  shown: OtherWay | null;
  onShow: (way: OtherWay) => void;
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
        {layouts.map((way) => (
          <tr
            key={way.layout}
            className={`border-t border-faint ${shown?.layout === way.layout ? 'bg-wash' : ''}`}
          >
            <th scope="row" className="text-left font-normal">
              <button
                type="button"
                className="press"
                aria-pressed={shown?.layout === way.layout}
                onClick={() => onShow(way)}
              >
                {way.label}
              </button>
              {way.own && <span className="text-muted"> now</span>}
            </th>
            <td className="text-right">{way.closeness.plants}</td>
            <td className="text-right font-semibold">{units.weight(way.closeness.kg)}</td>
            <td className="text-right">
              {way.closeness.plants ? units.mass(way.closeness.kg_per_plant) : '–'}
            </td>
            <td className="text-right">{way.closeness.seeds}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
