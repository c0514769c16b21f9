import { Link, useSearchParams } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import type { Compared, SeasonTotal } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import type { Units } from '../../kit/units';
import { useDay } from '../../shared/DayContext';
import { ClosedSeasonView } from './ClosedSeasonView';
import { NextYearPanel } from './NextYearPanel';
import { RecordFiles } from './RecordFiles';
import { RotationTable } from './RotationTable';
import { SeasonSheetView } from './SeasonSheetView';
import { SpanView } from './SpanView';
import { calendarYear, spanOf } from './span';
import { useRotation, useSeasons } from './useRecord';

/** Seasons side by side, what was picked beside what was estimated; and the year that comes. */
export function Seasons({ state }: { state: HeldGarden }) {
  const [asked] = useSearchParams();
  const season = asked.get('season');
  if (season && asked.has('drawn'))
    return <ClosedSeasonView slug={state.head.slug} season={season} />;
  if (season) return <SeasonSheetView state={state} season={season} />;
  return asked.has('since') ? <SpanView state={state} /> : <SideBySide state={state} />;
}

function SideBySide({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const units = useUnits();
  const told = useSeasons(slug, version);
  const rotation = useRotation(slug, version);
  const { day } = useDay();
  return (
    <div className="grid gap-x-8 px-[14px] pb-4 lg:grid-cols-[minmax(0,1fr)_minmax(300px,380px)]">
      <div className="min-w-0 overflow-x-auto">
        <p className="max-w-prose">
          What was picked of what was estimated, season by season. A dash: nothing was weighed.
        </p>
        <p>
          <Link className="press" to={spanOf(calendarYear(day))}>
            A calendar year, or any other days
          </Link>
        </p>
        {told.error && <p role="alert">{told.error.message}</p>}
        {told.data && <Table told={told.data} units={units} />}
        {rotation.data && rotation.data.seasons.length > 1 && (
          <RotationTable told={rotation.data} />
        )}
        <RecordFiles slug={slug} />
      </div>
      <NextYearPanel state={state} />
    </div>
  );
}

function Table({ told, units }: { told: Compared; units: Units }) {
  const running = told.seasons.at(-1)?.id;
  return (
    <table className="mt-2 w-full max-w-3xl text-[14px] tabular-nums">
      <caption className="sr-only">{`What was picked and estimated, in ${units.weightUnit}`}</caption>
      <thead className="text-muted">
        <tr>
          <th scope="col" className="text-left font-normal">
            {`Picked of estimated, ${units.weightUnit}`}
          </th>
          {told.seasons.map((season) => (
            <th key={season.id} scope="col" className="pl-4 text-right font-normal">
              <Link className="press" to={`?view=seasons&season=${season.id}`}>
                {season.id === running ? `${season.id}, running` : season.id}
              </Link>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        <tr className="border-b border-rule">
          <th scope="row" className="text-left font-normal">
            All
          </th>
          {told.seasons.map((season) => (
            <td key={season.id} className="pl-4 text-right whitespace-nowrap">
              <Whole season={season} units={units} />
            </td>
          ))}
        </tr>
        {told.crops.map((row) => (
          <tr key={row.crop}>
            <th scope="row" className="text-left font-normal">
              {row.name}
            </th>
            {told.seasons.map(({ id }) => {
              const of = row.seasons.find((each) => each.season === id);
              return (
                <td key={id} className="pl-4 text-right whitespace-nowrap">
                  {of ? pair(of.picked_kg, of.estimated_kg, units) : ''}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Whole({ season, units }: { season: SeasonTotal; units: Units }) {
  const { p10, p90 } = season.estimated_kg;
  return (
    <>
      {pair(season.picked_kg, season.estimated_kg.p50, units)}
      <span className="block text-muted">{`range ${units.weight(p10)}–${units.weight(p90)}`}</span>
    </>
  );
}

const pair = (picked: number, estimated: number, units: Units) =>
  `${picked > 0 ? units.weight(picked) : '–'} of ${units.weight(estimated)}`;
