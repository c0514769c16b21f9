import type { Planting, PlantingReport } from '../../api/types';
import { spotChanges } from '../../edits/edits';
import { CommittedInput } from '../../kit/CommittedInput';
import { usePreferences } from '../../kit/preferences';
import { readLength } from '../../kit/units';

const MOST_TYPED = 60;

interface Props {
  planting: Planting;
  report: PlantingReport;
  change: (changes: Record<string, unknown>) => void;
}

/** Where each plant stands, to be typed exactly; dragging one on the plan does the same. */
export function Spots({ planting, report, change }: Props) {
  const { units } = usePreferences();
  if (planting.support || planting.between || report.plants > MOST_TYPED || report.plants === 0)
    return null;
  const spots = report.positions_cm;
  const move = (index: number, axis: 0 | 1, typed: string) => {
    const cm = readLength(typed, units.system);
    if (cm === null || cm === spots[index]?.[axis]) return;
    change(
      spotChanges(
        spots,
        index,
        axis === 0 ? [cm, spots[index]?.[1] ?? 0] : [spots[index]?.[0] ?? 0, cm],
      ),
    );
  };
  return (
    <details>
      <summary className="press">
        {planting.spots_cm ? 'Each plant at its own spot' : 'Move single plants'}
      </summary>
      <p className="text-muted">
        {`From the corner of A1, ${units.lengthUnit}: along the letters, then along the numbers. A plant can be dragged on the plan, too.`}
      </p>
      {planting.spots_cm && (
        <button type="button" className="press" onClick={() => change({ spots_cm: null })}>
          Spread them evenly again
        </button>
      )}
      <ol className="grid grid-cols-2 gap-x-3 gap-y-1">
        {spots.map(([x, y], index) => (
          <li key={index} className="flex items-baseline gap-1">
            <span className="w-6 text-muted">{index + 1}</span>
            {([x, y] as const).map((cm, axis) => (
              <CommittedInput
                key={axis}
                type="text"
                inputMode="decimal"
                className="min-h-0 w-16 px-1 py-0.5"
                aria-label={`Plant ${index + 1}, along the ${axis === 0 ? 'letters' : 'numbers'}`}
                value={units.toField(cm)}
                onCommit={(typed) => move(index, axis === 0 ? 0 : 1, typed)}
              />
            ))}
          </li>
        ))}
      </ol>
    </details>
  );
}
