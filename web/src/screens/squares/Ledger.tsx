import { memo, useState } from 'react';
import type { ReactNode } from 'react';

import type { PlaceChange, PlaceReport, PlantingReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { grouped, squareWeeks } from '../../kit/units';
import { dayOf, shortWords, words } from '../../kit/day';
import type { Day } from '../../kit/day';
import { PlantingWorking } from '../../shared/PlantingWorking';
import { Figure, Sum } from '../../shared/Working';

interface Props {
  place: PlaceReport;
  plantings: readonly PlantingReport[];
  day: Day;
  selected: string | null;
  changed: PlaceChange | undefined;
  /** Something is chosen, and what is said of it below has the room: one line of totals. */
  folded: boolean;
  /** What stands below the working of the depth. */
  schools: () => ReactNode;
  onSelect: (planting: string) => void;
}

/** The place as an account book: what stands, what it costs in ground, what it gives. */
export function Ledger(props: Props) {
  const { place, plantings, day, selected, changed, folded, onSelect } = props;
  const [opened, setOpened] = useState(false);
  const whole = opened || !folded;
  return (
    <section aria-label="Ledger">
      <header className="flex items-baseline gap-x-3">
        <h2 className="text-base">Ledger</h2>
        {whole ? <span className="text-muted">{words(day)}</span> : <Total place={place} />}
        {folded && (
          <button
            type="button"
            className="press no-print ml-auto"
            aria-expanded={opened}
            onClick={() => setOpened(!opened)}
          >
            {opened ? 'Fold' : 'Show all'}
          </button>
        )}
      </header>
      {whole && <PlaceFigures {...props} />}
      {whole && (
        <HarvestTable place={place} plantings={plantings} selected={selected} onSelect={onSelect} />
      )}
      <Changed changed={changed} />
    </section>
  );
}

/** What the whole place gives, in one line. */
function Total({ place }: { place: PlaceReport }) {
  const units = useUnits();
  const { p10, p50, p90 } = place.harvest_kg;
  return (
    <span className="tabular-nums">
      <strong className="text-damson">{`${units.weight(p50)} ${units.weightUnit}`}</strong>
      <span className="text-muted">{` likely, ${units.weight(p10)}–${units.weight(p90)}`}</span>
    </span>
  );
}

function PlaceFigures({ place, plantings, day, schools }: Props) {
  const units = useUnits();
  const now = place.standing.filter((entry) => dayOf(entry.start) <= day).at(-1);
  return (
    <dl>
      <Line term="Squares taken">
        <Figure
          label="Squares taken: working"
          working={() => <Standing plantings={plantings} day={day} />}
        >
          {`${now?.cells_taken ?? 0} of ${place.cells_usable}`}
        </Figure>
      </Line>
      <Line term="Plants standing">
        <Figure
          label="Plants standing: working"
          working={() => <Standing plantings={plantings} day={day} />}
        >
          {String(now?.plants ?? 0)}
        </Figure>
      </Line>
      <Line term="Usable depth">
        <Figure
          label="Usable depth: working"
          working={() => (
            <>
              <Sum title="Usable depth and soil" terms={[...place.working]} />
              {schools()}
            </>
          )}
        >
          {units.length(place.usable_depth_cm)}
        </Figure>
      </Line>
      <Line term="Soil">
        <Figure
          label="Soil: working"
          working={() => <Sum title="Usable depth and soil" terms={[...place.working]} />}
        >
          {units.bulk(place.soil_litres)}
        </Figure>
      </Line>
      <Line term="Idle in season">
        <Figure label="Idle in season: working" working={() => <IdleSum place={place} />}>
          {squareWeeks(place.idle_cell_weeks - place.rested_cell_weeks)}
        </Figure>
      </Line>
    </dl>
  );
}

function Line({ term, children }: { term: string; children: ReactNode }) {
  return (
    <div className="flex items-baseline justify-between leading-[1.55]">
      <dt>{term}</dt>
      <dd className="font-semibold">{children}</dd>
    </div>
  );
}

function HarvestTable({
  place,
  plantings,
  selected,
  onSelect,
}: Pick<Props, 'place' | 'plantings' | 'selected' | 'onSelect'>) {
  const units = useUnits();
  const total = place.harvest_kg;
  return (
    <div className="mt-1 border-t border-rule pt-1">
      <div
        className="scrolls max-h-[206px]"
        tabIndex={0}
        role="region"
        aria-label="Harvest by crop"
      >
        <table className="w-full">
          <caption className="sr-only">{`Harvest of this place, ${units.weightUnit}`}</caption>
          <thead className="sticky top-0 bg-ground text-muted">
            <tr>
              <th scope="col" className="text-left font-normal" colSpan={2}>
                {`Harvest, ${units.weightUnit}`}
              </th>
              <th scope="col" className="w-11 text-right font-normal">
                low
              </th>
              <th scope="col" className="w-12 text-right font-normal">
                likely
              </th>
              <th scope="col" className="w-11 text-right font-normal">
                high
              </th>
            </tr>
          </thead>
          <tbody>
            {plantings.map((p) => (
              <HarvestRow
                key={p.id}
                planting={p}
                selected={p.id === selected}
                onSelect={onSelect}
              />
            ))}
          </tbody>
        </table>
      </div>
      <p className="double-rule flex items-baseline justify-between pt-0.5 font-semibold">
        <span>This place</span>
        <span className="flex items-baseline">
          <span className="w-11 text-right font-normal text-muted">{units.weight(total.p10)}</span>
          <span className="w-12 text-right text-damson">
            <Figure
              label="This place, likely harvest: working"
              working={() => <HarvestSum place={place} plantings={plantings} />}
            >
              {units.weight(total.p50)}
            </Figure>
          </span>
          <span className="w-11 text-right font-normal text-muted">{units.weight(total.p90)}</span>
        </span>
      </p>
    </div>
  );
}

function HarvestSum({
  place,
  plantings,
}: {
  place: PlaceReport;
  plantings: readonly PlantingReport[];
}) {
  const units = useUnits();
  return (
    <table className="w-full">
      <caption className="mb-1 text-left font-serif text-base font-semibold">
        {`Likely harvest of this place, ${units.weightUnit}`}
      </caption>
      <tbody>
        {plantings.map((p) => (
          <tr key={p.id}>
            <th scope="row" className="pr-2 text-left font-semibold">
              {p.mark}
            </th>
            <td>{`${p.name} from ${shortWords(dayOf(p.start_date))}`}</td>
            <td className="text-right">{units.weight(p.harvest_kg.p50)}</td>
          </tr>
        ))}
        <tr className="double-rule font-semibold">
          <td colSpan={2}>
            The middle of the added seasons: good and bad luck of crops partly even out, so it need
            not be the sum of the middles
          </td>
          <td className="text-right align-top">{units.weight(place.harvest_kg.p50)}</td>
        </tr>
      </tbody>
    </table>
  );
}

interface RowProps {
  planting: PlantingReport;
  selected: boolean;
  onSelect: (planting: string) => void;
}

const HarvestRow = memo(function HarvestRow({ planting: p, selected, onSelect }: RowProps) {
  const units = useUnits();
  return (
    <tr className={selected ? 'bg-wash' : ''}>
      <th scope="row" className="w-7 text-left font-semibold">
        {p.mark}
      </th>
      <td className="max-w-0 truncate">
        <button type="button" className="w-full truncate" onClick={() => onSelect(p.id)}>
          {`${p.name}, ${p.plants}`}
        </button>
      </td>
      <td className="text-right text-muted">{units.weight(p.harvest_kg.p10)}</td>
      <td className="text-right font-semibold">
        <Figure
          label={`${p.name}, likely harvest: working`}
          working={() => (
            <PlantingWorking
              planting={p.id}
              title={`${p.name} from ${shortWords(dayOf(p.start_date))}`}
            />
          )}
        >
          {units.weight(p.harvest_kg.p50)}
        </Figure>
      </td>
      <td className="text-right text-muted">{units.weight(p.harvest_kg.p90)}</td>
    </tr>
  );
});

/** What the last edit changed, until the next. */
function Changed({ changed }: { changed: PlaceChange | undefined }) {
  const units = useUnits();
  if (!changed) return null;
  const signed = (text: string, value: number) =>
    `${value < 0 ? '−' : '+'}${text.replace('-', '')}`;
  const weeks = Math.round(changed.idle_cell_weeks);
  const parts = [
    Math.abs(changed.harvest_kg) >= 0.005 &&
      `${signed(units.weight(changed.harvest_kg), changed.harvest_kg)} ${units.weightUnit}`,
    changed.plants !== 0 && `${signed(String(changed.plants), changed.plants)} plants`,
    weeks !== 0 && `${signed(grouped(weeks), weeks)} idle square-weeks`,
  ].filter(Boolean);
  if (parts.length === 0) return null;
  return (
    <p role="status" className="mt-1 bg-wash px-2 py-0.5 font-semibold text-damson">
      {parts.join(' · ')}
    </p>
  );
}

function Standing({ plantings, day }: { plantings: readonly PlantingReport[]; day: Day }) {
  const here = plantings.filter(
    (p) => dayOf(p.start_date) <= day && (!p.clear_date || day < dayOf(p.clear_date)),
  );
  return (
    <table className="w-full">
      <caption className="mb-1 text-left font-serif text-base font-semibold">
        {`Standing on ${words(day)}`}
      </caption>
      <tbody>
        {here.map((p) => (
          <tr key={p.id}>
            <th scope="row" className="pr-2 text-left font-semibold">
              {p.mark}
            </th>
            <td>{p.name}</td>
            <td className="text-right">{`${p.cells.length} squares`}</td>
            <td className="text-right">{`${p.plants} plants`}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function IdleSum({ place }: { place: PlaceReport }) {
  return (
    <table className="w-full">
      <caption className="mb-1 text-left font-serif text-base font-semibold">
        Idle while something could grow
      </caption>
      <tbody>
        {place.idle.slice(0, 12).map((spell) => (
          <tr key={`${spell.start}${spell.cells.join()}`}>
            <td>{`${spell.cells.length} squares`}</td>
            <td>{`${shortWords(dayOf(spell.start))} to ${shortWords(dayOf(spell.end))}`}</td>
            <td className="text-right">{spell.cell_weeks.toFixed(0)}</td>
          </tr>
        ))}
        <tr className="double-rule font-semibold">
          <td colSpan={2}>All square-weeks, shorter gaps too, part squares by area</td>
          <td className="text-right">
            {(place.idle_cell_weeks - place.rested_cell_weeks).toFixed(0)}
          </td>
        </tr>
        {place.rested_cell_weeks > 0 && (
          <tr className="text-muted">
            <td colSpan={2}>Also left free on purpose</td>
            <td className="text-right">{place.rested_cell_weeks.toFixed(0)}</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
