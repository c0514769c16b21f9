import { Link } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import type { PlantingLine, SeasonSheet } from '../../api/types';
import { dayOf, shortWords } from '../../kit/day';
import { useUnits } from '../../kit/preferences';
import type { Units } from '../../kit/units';
import { Groups } from './Groups';
import { useSheet } from './useRecord';

/** One season told whole, to be read and printed. */
export function SeasonSheetView({ state, season }: { state: HeldGarden; season: string }) {
  const { slug, version } = state.head;
  const units = useUnits();
  const { data: sheet, error } = useSheet(slug, version, season);
  if (error) return <p role="alert">{error.message}</p>;
  if (!sheet) return null;
  return (
    <article aria-label={`Season ${season}`} className="season-sheet px-[14px] pb-4">
      <p className="no-print flex flex-wrap gap-x-5">
        <Link className="press" to="?view=seasons">
          All seasons
        </Link>
        <a
          className="press"
          href={`/api/gardens/${slug}/seasons/${season}/plan.amplerows.json`}
          download
        >
          Its plan as a file
        </a>
        <Link className="press" to={`?view=seasons&season=${season}&drawn=1`}>
          Its beds, drawn
        </Link>
        <button type="button" className="press" onClick={() => window.print()}>
          Print
        </button>
      </p>
      <h2 className="text-lg">{`${state.plan.garden.name}, season ${season}`}</h2>
      <p>{headline(sheet, units)}</p>
      <Groups title="By place" lines={sheet.places} units={units} ground />
      <Groups title="By crop" lines={sheet.crops} units={units} />
      <Plantings lines={sheet.plantings} units={units} state={state} />
    </article>
  );
}

function headline(sheet: SeasonSheet, units: Units): string {
  const { p10, p90 } = sheet.estimated_kg;
  const parts = [
    `${units.mass(sheet.picked_kg)} picked; ${units.weight(p10)}–${units.weight(p90)} ${units.weightUnit} estimated for the whole season`,
    sheet.worth === null ? null : `worth ${sheet.worth.toFixed(2)} at the shop`,
    sheet.hours > 0
      ? `${sheet.hours.toFixed(1)} hours entered of ${Math.round(sheet.hours_planned)} planned`
      : `${Math.round(sheet.hours_planned)} hours planned, none entered`,
    sheet.kg_per_hour === null ? null : `${units.mass(sheet.kg_per_hour)} an hour`,
  ];
  return [`${parts.filter(Boolean).join('; ')}.`, costs(sheet, units)].filter(Boolean).join(' ');
}

/** What a kilogram or a pound cost, against the shop. */
function costs(sheet: SeasonSheet, units: Units): string | null {
  if (sheet.cost_per_kg === null) return null;
  const { times, words } =
    units.system === 'metric'
      ? { times: 1, words: 'a kilogram' }
      : { times: 0.453_592, words: 'a pound' };
  const per = (kg: number) => `${(kg * times).toFixed(2)} ${words}`;
  const of = [
    sheet.seed_cost === null ? null : `seed and plants ${sheet.seed_cost.toFixed(2)}`,
    sheet.build_cost === null
      ? null
      : `a year’s use of what was built ${sheet.build_cost.toFixed(2)}`,
  ].filter(Boolean);
  const shop = sheet.shop_per_kg === null ? '' : ` against ${per(sheet.shop_per_kg)} at the shop`;
  return `It cost ${per(sheet.cost_per_kg)}${shop}: ${of.join(', ')}.`;
}

const WHERE: Record<PlantingLine['where'], string> = {
  below: 'below the range',
  within: 'within the range',
  above: 'above the range',
  'going on': 'going on',
  'not weighed': 'not weighed',
};

interface PlantingsProps {
  lines: readonly PlantingLine[];
  units: Units;
  state: HeldGarden;
}

/** Each planting beside its range, with what came up, what stood, and what explains a miss. */
function Plantings({ lines, units, state }: PlantingsProps) {
  const places = new Map(state.plan.places.map((place) => [place.id, place.name ?? place.id]));
  const share = (of: number) => `${Math.round(of * 100)} %`;
  return (
    <table className="mt-3 w-full max-w-5xl text-[14px] tabular-nums">
      <caption className="text-left text-base">By planting</caption>
      <thead className="text-muted">
        <tr>
          {[
            '',
            `picked, ${units.weightUnit}`,
            'range',
            'first pick',
            'came up',
            'stood',
            'what explains it',
          ].map((words, at) => (
            <th
              key={words}
              scope="col"
              className={`pr-4 font-normal ${at > 0 && at < 6 ? 'text-right' : 'text-left'}`}
            >
              {words || <span className="sr-only">Planting</span>}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.planting} className="align-baseline">
            <th scope="row" className="pr-4 text-left font-normal">
              {`${line.name}, ${places.get(line.place) ?? line.place} ${line.cells[0] ?? ''}`}
            </th>
            <td className="pr-4 text-right">{units.weight(line.picked_kg)}</td>
            <td className="pr-4 text-right whitespace-nowrap">
              {`${units.weight(line.estimated_kg.p10)}–${units.weight(line.estimated_kg.p90)}`}
            </td>
            <td className="pr-4 text-right whitespace-nowrap">
              {line.first_pick ? shortWords(dayOf(line.first_pick)) : ''}
            </td>
            <td className="pr-4 text-right whitespace-nowrap">
              {line.came_up === null
                ? ''
                : `${share(line.came_up)} of ${share(line.came_up_expected)}`}
            </td>
            <td className="pr-4 text-right whitespace-nowrap">
              {line.stood === null ? '' : `${line.stood} of ${Math.round(line.stand_expected)}`}
            </td>
            <td>{[WHERE[line.where], ...line.why].join('; ')}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
