import { useState } from 'react';

import type { HeldGarden } from '../../../api/merge';
import type { BuildReport, Edit } from '../../../api/types';
import { Heads } from '../../../kit/Heads';
import { useBuild } from '../../../api/useSoil';
import { Figure, Sum } from '../../../shared/Working';
import { money } from '../../../kit/units';
import { BillTable } from '../../../shared/BillTable';
import { BuildPrices } from './BuildPrices';
import { CutList } from './CutList';
import { PlacesToBuild } from './PlacesToBuild';

interface Props {
  state: HeldGarden;
  onEdit: (edit: Edit) => void;
}

const STAGES: Record<string, string> = {
  standing: 'standing already',
  'this-year': 'this year',
  later: 'later',
};

/** What frames take: boards and how to cut them, what else, what it costs, lasts and asks in hours. */
export function Building({ state, onEdit }: Props) {
  const [open, setOpen] = useState(false);
  const build = useBuild(state.head.slug, state.head.version).data;
  if (!build) return <div className="sheet px-4 text-muted">Calculating the cut list …</div>;
  return (
    <>
      <div className="sheet overflow-y-auto px-4 pb-4">
        <PlacesToBuild state={state} build={build} onEdit={onEdit} />
        {build.boards.map((order) => (
          <CutList key={order.material} order={order} />
        ))}
        {build.lines.length > 0 && <BillTable caption="Other materials" lines={build.lines} />}
        {build.paths.length > 0 && (
          <BillTable
            caption="Paths, laid anew when their years are over"
            lines={build.paths}
            total={summed(build.paths.map((line) => line.cost))}
          />
        )}
      </div>
      <aside className="side flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule px-3 pb-3 pt-2">
        <section aria-labelledby="build-cost">
          <header className="flex items-baseline justify-between">
            <h2 id="build-cost" className="text-base">
              Total
            </h2>
            <button
              type="button"
              className="press"
              aria-expanded={open}
              onClick={() => setOpen(!open)}
            >
              {open ? 'Done' : 'Boards and prices'}
            </button>
          </header>
          {open ? (
            <BuildPrices
              key={state.head.version}
              state={state}
              build={build}
              onEdit={onEdit}
              onSaved={() => setOpen(false)}
            />
          ) : (
            <Costs build={build} />
          )}
        </section>
      </aside>
    </>
  );
}

/** A sum of costs; null while one of them is not known. */
const summed = (costs: readonly (number | null)[]) =>
  costs.reduce<number | null>(
    (sum, cost) => (sum === null || cost === null ? null : sum + cost),
    0,
  );

function Costs({ build }: { build: BuildReport }) {
  return (
    <>
      {build.missing.length > 0 && (
        <p className="mb-2">{`Still needed for a total: ${build.missing.join('; ')}.`}</p>
      )}
      <table className="w-full">
        <caption className="sr-only">Cost and hours by stage</caption>
        <Heads
          columns={[['Stage'], ['Soil', 'right'], ['Building', 'right'], ['Hours', 'right']]}
        />
        <tbody>
          {build.stages.map((stage) => (
            <tr key={stage.stage} className="border-t border-faint">
              <th scope="row" className="text-left font-normal">
                {`${STAGES[stage.stage] ?? stage.stage} (${stage.places})`}
              </th>
              <td className="text-right">{money(stage.soil_cost)}</td>
              <td className="text-right">{money(stage.build_cost)}</td>
              <td className="text-right">{Math.round(stage.hours)}</td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr className="double-rule font-semibold">
            <td colSpan={2}>In use, per year</td>
            <td className="text-right">
              <Figure
                label="a year of use: working"
                working={() => <Sum title="Building" terms={[...build.working]} />}
              >
                {money(build.a_year)}
              </Figure>
            </td>
            <td />
          </tr>
        </tfoot>
      </table>
      <h3 className="mt-3 font-sans text-[14px] font-semibold">To get started</h3>
      <ul>
        {build.starts.map((start) => (
          <li key={start.name} className="border-t border-faint py-0.5">
            <span className="flex justify-between gap-3">
              <span className="inline-block first-letter:uppercase">{start.name}</span>
              <span className="font-semibold">{money(start.cost)}</span>
            </span>
            <span className="block text-[12.5px] text-muted">{start.what}</span>
          </li>
        ))}
      </ul>
      {build.cautions.map((caution) => (
        <p key={caution} className="mt-2 text-[12.5px] text-muted">
          {caution}
        </p>
      ))}
    </>
  );
}
