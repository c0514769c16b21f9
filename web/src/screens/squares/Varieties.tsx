import type { HeldGarden } from '../../api/merge';
import type { Planting, PlantingReport } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { useIndex } from '../../api/useBook';

interface Props {
  state: HeldGarden;
  planting: Planting;
  report: PlantingReport;
  change: (changes: Record<string, unknown>) => void;
}

type Run = Planting['varieties'][number];

/** What kind a planting is of, and which of its first plants are of another. */
export function Varieties({ state, planting, report, change }: Props) {
  const index = useIndex(state, null);
  const kinds = (index.data ?? [])
    .filter((line) => line.id === planting.crop || line.variety_of === planting.crop)
    .map((line) => [line.id, line.name] as const);
  if (kinds.length < 2) return null;
  const own = planting.variety ?? planting.crop;
  const other = kinds.find(([id]) => id !== own)?.[0] ?? own;
  const runs = planting.varieties;
  const assigned = runs.reduce((sum, run) => sum + run.plants, 0);
  const set = (changed: readonly Run[]) =>
    change({ varieties: changed.length > 0 ? changed : null });
  const replace = (at: number, run: Run | null) =>
    set(runs.flatMap((old, i) => (i !== at ? [old] : run ? [run] : [])));
  return (
    <>
      <Choice
        label={runs.length > 0 ? 'The rest are' : 'Kind'}
        value={own}
        options={kinds}
        onChange={(id) => change({ variety: id === planting.crop ? null : id })}
      />
      <p className="self-end">
        {assigned < report.plants && (
          <button
            type="button"
            className="press"
            onClick={() => set([...runs, { variety: other, plants: 1 }])}
          >
            Another kind along the row
          </button>
        )}
      </p>
      {runs.map((run, i) => (
        <VarietyRun
          key={`${i} ${run.variety} ${run.plants}`}
          first={runs.slice(0, i).reduce((sum, before) => sum + before.plants, 1)}
          run={run}
          kinds={kinds}
          most={report.plants}
          onChange={(changed) => replace(i, changed)}
        />
      ))}
    </>
  );
}

function VarietyRun({
  first,
  run,
  kinds,
  most,
  onChange,
}: {
  first: number;
  run: Run;
  kinds: readonly (readonly [string, string])[];
  most: number;
  onChange: (run: Run | null) => void;
}) {
  const last = first + run.plants - 1;
  const which = last === first ? `Plant ${first}` : `Plants ${first}–${last}`;
  return (
    <>
      <Choice
        label={which}
        value={run.variety}
        options={kinds}
        onChange={(variety) => onChange({ ...run, variety })}
      />
      <Field label={`How many, from ${first}`}>
        <input
          type="number"
          min={0}
          max={most}
          defaultValue={run.plants}
          onBlur={(e) => {
            const plants = Math.round(Number(e.target.value));
            if (plants === run.plants || Number.isNaN(plants)) return;
            onChange(plants > 0 ? { ...run, plants } : null);
          }}
          onKeyDown={(e) => {
            if (e.key === 'Enter') e.currentTarget.blur();
          }}
        />
      </Field>
    </>
  );
}
