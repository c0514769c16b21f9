import { useState } from 'react';
import { useSearchParams } from 'react-router';

import type { HeldGarden } from '../../../api/merge';
import type { PlantingReport, Row } from '../../../api/types';
import { Choice } from '../../../kit/Choice';
import { useUnits } from '../../../kit/preferences';
import { namedIn } from '../../../shared/weighing';
import { LostLabel } from './LostLabel';
import { PlantEntry } from './PlantEntry';
import { useRow } from './useRow';

const MOST_PLANTS = 300;

/** A row walked along, plant by plant in the order in which they were set out. */
export function RowWalk({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const [asked, ask] = useSearchParams();
  const rows = state.report.plantings.filter((of) => of.plants > 1 && of.plants <= MOST_PLANTS);
  const planting = rows.find((of) => of.id === asked.get('planting')) ?? rows[0];
  const row = useRow(slug, version, planting?.id ?? null);
  const [at, setAt] = useState(1);
  if (!planting) {
    return (
      <p className="px-[14px] text-muted">
        {`No row of 2 to ${MOST_PLANTS} plants is planned yet. Plant one under Squares.`}
      </p>
    );
  }
  const walk = (id: string) => {
    ask({ view: 'row', planting: id }, { replace: true });
    setAt(1);
  };
  return (
    <div className="flex flex-col gap-3 px-[14px] pb-4">
      <div className="max-w-md">
        <Choice
          label="Walk along"
          value={planting.id}
          options={rows.map((of) => [of.id, `${namedIn(state, of)} ${of.cells[0] ?? ''}`] as const)}
          onChange={walk}
        />
      </div>
      {row.error && <p role="alert">{row.error.message}</p>}
      {row.data?.planting === planting.id && (
        <Along state={state} planting={planting} row={row.data} at={at} onGo={setAt} />
      )}
    </div>
  );
}

interface AlongProps {
  state: HeldGarden;
  planting: PlantingReport;
  row: Row;
  at: number;
  onGo: (number: number) => void;
}

function Along({ state, planting, row, at, onGo }: AlongProps) {
  const units = useUnits();
  const plant = row.plants[at - 1];
  const name = (kind: string) => row.kinds.find((each) => each.kind === kind)?.name ?? kind;
  const several = row.kinds.length > 1;
  return (
    <>
      <ol aria-label="The plants in their order" className="flex flex-wrap gap-1">
        {row.plants.map((each) => (
          <li key={each.number}>
            <button
              type="button"
              className={`act min-h-11 min-w-11 px-2 tabular-nums ${each.number === at ? 'act-main' : ''}`}
              aria-current={each.number === at ? 'step' : undefined}
              aria-label={`Plant ${each.number}, ${name(each.kind)}${each.entries.length > 0 ? ', entered' : ''}`}
              onClick={() => onGo(each.number)}
            >
              {`${each.number}${each.entries.length > 0 ? ' ✓' : ''}`}
            </button>
          </li>
        ))}
      </ol>
      {plant ? (
        <section aria-label={`Plant ${plant.number}`} className="max-w-2xl">
          <h2 className="text-lg">
            {`Plant ${plant.number} of ${row.plants.length}${several ? `: ${name(plant.kind)}` : ''}`}
          </h2>
          <PlantEntry
            key={`${row.planting} ${plant.number}`}
            state={state}
            planting={planting}
            plant={plant}
            onNext={() => onGo(at + 1)}
          />
          {row.traits.length > 0 && (
            <LostLabel
              key={`label ${row.planting} ${plant.number}`}
              state={state}
              row={row}
              plant={plant}
            />
          )}
        </section>
      ) : (
        <p role="status">The end of the row.</p>
      )}
      <table className="max-w-xl text-[14px] tabular-nums">
        <caption className="text-left font-semibold">What came of each kind</caption>
        <thead className="text-muted">
          <tr>
            <th scope="col" className="text-left font-normal">
              Kind
            </th>
            <th scope="col" className="pl-4 text-right font-normal">
              Plants
            </th>
            <th scope="col" className="pl-4 text-right font-normal">
              Picked
            </th>
            <th scope="col" className="pl-4 text-right font-normal">
              A plant
            </th>
          </tr>
        </thead>
        <tbody>
          {row.kinds.map((kind) => (
            <tr key={kind.kind} className="border-b border-rule">
              <th scope="row" className="text-left font-normal">
                {kind.name}
              </th>
              <td className="pl-4 text-right">{kind.plants}</td>
              <td className="pl-4 text-right">{units.mass(kind.picked_kg)}</td>
              <td className="pl-4 text-right">
                {kind.plants > 0 ? units.mass(kind.picked_kg / kind.plants) : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {row.whole_kg > 0 && (
        <p className="text-[13px] text-muted">
          {`${units.mass(row.whole_kg)} more was picked of the whole row.`}
        </p>
      )}
    </>
  );
}
