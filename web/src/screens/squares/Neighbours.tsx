import type { HeldGarden } from '../../api/merge';
import type { Planting, PlantingReport } from '../../api/types';
import { Choice } from '../../kit/Choice';

/** Plantings of the same place that stand on some day of this one, to be named. */
function beside(state: HeldGarden, report: PlantingReport) {
  const until = report.clear_date ?? '9999-12-31';
  return state.report.plantings
    .filter(
      (other) =>
        other.place === report.place &&
        other.id !== report.id &&
        other.start_date < until &&
        report.start_date < (other.clear_date ?? '9999-12-31'),
    )
    .map((other) => [other.id, `${other.name}, ${other.cells[0] ?? ''}`] as const);
}

/** The crop it stands between, and the neighbour that it is cleared for. */
export function Neighbours({
  state,
  planting,
  report,
  change,
}: {
  state: HeldGarden;
  planting: Planting;
  report: PlantingReport;
  change: (changes: Record<string, unknown>) => void;
}) {
  const others = beside(state, report);
  if (others.length === 0) return null;
  const taken = new Set(report.cells);
  const guests = new Set(
    state.plan.plantings.filter((other) => other.between).map((other) => other.id),
  );
  const shared = state.report.plantings.filter((other) => other.cells.some((a) => taken.has(a)));
  const hosts = others.filter(([id]) => !guests.has(id) && shared.some((other) => other.id === id));
  return (
    <>
      {(hosts.length > 0 || planting.between) && !planting.support && (
        <Choice
          label="Set between"
          value={planting.between ?? ''}
          options={[['', 'nothing'], ...hosts]}
          onChange={(id) => change({ between: id || null, ...(id ? { per_cell: null } : {}) })}
        />
      )}
      <Choice
        label="Gives way to"
        value={planting.gives_way_to ?? ''}
        options={[['', 'nothing'], ...others]}
        onChange={(id) => change({ gives_way_to: id || null })}
      />
    </>
  );
}
