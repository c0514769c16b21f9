import { useMemo, useState } from 'react';
import { Link } from 'react-router';

import { useEditor } from '../api/garden';
import type { HeldGarden } from '../api/merge';
import type { CropSupply, Pantry } from '../api/types';
import { Choice } from '../app/Choice';
import { useUnits } from '../app/preferences';
import { useExtent } from '../app/useExtent';
import { useIndex } from '../book/useBook';
import type { TimeScale } from '../drawing/scale';
import { useDay } from '../time/DayContext';
import { timeScale } from '../time/SeasonRuler';
import { usePantry } from './usePantry';
import { WeeklyBand } from './WeeklyBand';

const WEEKS_A_YEAR = 52;
const MOST_WANTED = 5000;
const SAME_KG = 0.05;
/** A first guess, there to be changed. */
const FIRST_WANT_KG = 5;

/** What the garden gives week by week against what the household eats. */
export function PantryScreen({ state }: { state: HeldGarden }) {
  const { start, end } = useDay();
  const [main, extent] = useExtent<HTMLElement>();
  const answer = usePantry(state.head.slug, state.head.version);
  const scale = useMemo(() => timeScale(start, end, extent.width), [start, end, extent.width]);
  return (
    <main ref={main} className="h-full overflow-y-auto overflow-x-hidden pb-4">
      {answer.error && <p role="alert">{answer.error.message}</p>}
      {!answer.data && !answer.error && (
        <p className="px-[14px] pt-3 text-muted">Running the seasons …</p>
      )}
      {answer.data && (
        <Table state={state} pantry={answer.data} scale={scale} width={extent.width} />
      )}
    </main>
  );
}

interface Props {
  state: HeldGarden;
  pantry: Pantry;
  scale: TimeScale;
  width: number;
}

function Table({ state, pantry, scale, width }: Props) {
  const units = useUnits();
  const { day } = useDay();
  const { p10, p50, p90 } = pantry.harvest_kg;
  const wanted = pantry.crops.filter((crop) => crop.want_kg !== null);
  const rest = pantry.crops.filter((crop) => crop.want_kg === null && crop.harvest_kg.p50 > 0);
  return (
    <>
      <header className="flex flex-wrap items-baseline gap-x-5 px-[14px] pt-2">
        <h1 className="text-xl">The pantry</h1>
        <p>{`${units.weight(p10)} – ${units.weight(p50)} – ${units.weight(p90)} ${units.weightUnit} in the year`}</p>
        <p className="text-muted">{`low, likely and high of ${pantry.seasons.toLocaleString('en')} seasons`}</p>
        <AddWant state={state} wanted={wanted} />
      </header>
      <WeeklyBand
        weeks={pantry.weeks}
        scale={scale}
        width={width}
        height={78}
        day={day}
        eatenKg={0}
        label="Everything picked, week by week"
      />
      <section aria-label="What is wanted">
        <h2 className="px-[14px] text-base">What is wanted</h2>
        {wanted.length === 0 && (
          <p className="px-[14px] text-muted">
            Say what the household eats in a year, and it is set against what the plan gives.
          </p>
        )}
        {wanted.map((crop) => (
          <Wanted key={crop.crop} state={state} crop={crop} scale={scale} width={width} />
        ))}
      </section>
      <div className="grid gap-x-8 px-[14px] md:grid-cols-3">
        <section aria-label="Picked besides">
          <h2 className="mt-3 text-base">Picked besides</h2>
          <ul>
            {rest.map((crop) => (
              <li key={crop.crop} className="flex justify-between border-b border-faint">
                <span>{crop.name}</span>
                <span>{rangeOf(crop.harvest_kg, units.mass)}</span>
              </li>
            ))}
          </ul>
        </section>
        <section aria-label="By place">
          <h2 className="mt-3 text-base">By place</h2>
          <table className="w-full">
            <thead className="text-right text-[13px] text-muted">
              <tr>
                <th scope="col" className="text-left font-normal">
                  <span className="sr-only">Place</span>
                </th>
                <th scope="col" className="font-normal">
                  likely
                </th>
                <th scope="col" className="font-normal">
                  {units.sentence('from 1 m²')}
                </th>
                <th scope="col" className="font-normal">
                  {units.sentence('from 100 L')}
                </th>
              </tr>
            </thead>
            <tbody>
              {pantry.places.map((place) => (
                <tr key={place.place} className="border-t border-faint text-right">
                  <th scope="row" className="text-left font-normal">
                    <Link to={`/gardens/${state.head.slug}/squares/${place.place}`}>
                      {place.label}
                    </Link>
                  </th>
                  <td>{units.mass(place.harvest_kg.p50)}</td>
                  <td>{units.mass(place.kg_per_m2)}</td>
                  <td>{units.mass(place.kg_per_100_l)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <section aria-label="Squares that earn least">
          <h2 className="mt-3 text-base">Squares that earn least</h2>
          <ul>
            {pantry.least.map((least) => (
              <li key={least.planting} className="flex justify-between border-b border-faint">
                <span>{`${least.name}, ${nameOf(state, least.place)} ${least.cell}`}</span>
                <span>{`${units.mass(least.kg_per_square_week)} a square-week`}</span>
              </li>
            ))}
          </ul>
          <p className="text-[13px] text-muted">
            By weight alone; herbs, flowers and what keeps are worth more than they weigh.
          </p>
        </section>
      </div>
    </>
  );
}

function nameOf(state: HeldGarden, place: string): string {
  return state.plan.places.find((p) => p.id === place)?.name ?? place;
}

function rangeOf(kg: { p10: number; p50: number; p90: number }, mass: (kg: number) => string) {
  return `${mass(kg.p10)} – ${mass(kg.p90)}`;
}

interface WantedProps {
  state: HeldGarden;
  crop: CropSupply;
  scale: TimeScale;
  width: number;
}

/** One crop that is wanted: its weeks above the line, what is eaten below. */
function Wanted({ state, crop, scale, width }: WantedProps) {
  const units = useUnits();
  const { day } = useDay();
  const want = crop.want_kg ?? 0;
  const met = Math.round((crop.chance ?? 0) * 100);
  return (
    <div className="border-t border-faint">
      <div className="flex flex-wrap items-baseline gap-x-4 px-[14px] pt-1">
        <strong>{crop.name}</strong>
        <span>{rangeOf(crop.harvest_kg, units.mass)}</span>
        <WantField key={want} state={state} crop={crop} want={want} />
        <span className={(crop.short_kg ?? 0) > 0 ? 'text-marigold' : ''}>
          {`${units.sentence(crop.words)}.`}
        </span>
        <span className="text-[13px] text-muted">{`Enough in ${met} of 100 years.`}</span>
      </div>
      <WeeklyBand
        weeks={crop.weeks}
        scale={scale}
        width={width}
        height={44}
        day={day}
        eatenKg={want / WEEKS_A_YEAR}
        label={`${crop.name}, week by week`}
      />
    </div>
  );
}

/** What is wanted of a crop in a year; what cannot be read is said, and nothing is saved. */
function WantField({ state, crop, want }: { state: HeldGarden; crop: CropSupply; want: number }) {
  const units = useUnits();
  const save = useWants(state);
  const [fault, setFault] = useState<string>();
  const commit = (typed: string) => {
    const value = Number(typed.trim().replace(',', '.'));
    const sound = typed.trim() !== '' && value >= 0 && value <= MOST_WANTED;
    setFault(sound ? undefined : `Give 0 to ${MOST_WANTED}; 0 takes it from the list.`);
    if (sound) save(crop.crop, value / units.weightValue(1), want);
  };
  return (
    <span>
      <label className="flex items-baseline gap-1 text-[13px] text-muted">
        <span>of</span>
        <input
          aria-label={`${crop.name}, ${units.weightUnit} wanted a year`}
          aria-invalid={fault !== undefined}
          className="min-h-0 w-16 px-1 py-0"
          inputMode="decimal"
          defaultValue={Math.round(units.weightValue(want) * 10) / 10}
          onBlur={(event) => commit(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
          }}
        />
        <span>{`${units.weightUnit} a year`}</span>
      </label>
      {fault && (
        <span role="alert" className="font-semibold text-damson">
          {fault}
        </span>
      )}
    </span>
  );
}

/** Save what is wanted of a crop; none of it takes the want away. [kg] */
function useWants(state: HeldGarden) {
  const editor = useEditor(state.head.slug);
  return (crop: string, kg: number, before: number) => {
    if (Math.abs(kg - before) < SAME_KG) return;
    const household = state.plan.garden.household;
    const others = (household?.wants ?? []).filter((want) => want.crop !== crop);
    const wants = kg > 0 ? [...others, { crop, kg_per_year: Math.round(kg * 100) / 100 }] : others;
    void editor.edit({ do: 'change-garden', changes: { household: { ...household, wants } } });
  };
}

/** A crop that nothing was said of yet, wanted from now on. */
function AddWant({ state, wanted }: { state: HeldGarden; wanted: readonly CropSupply[] }) {
  const index = useIndex(state.head.slug, state.head.version, null);
  const save = useWants(state);
  const known = new Set(wanted.map((crop) => crop.crop));
  const free = (index.data ?? []).filter((line) => !line.variety_of && !known.has(line.id));
  return (
    <div className="no-print ml-auto">
      <Choice
        label="Also wanted"
        value=""
        options={[['', 'choose a crop'], ...free.map((line) => [line.id, line.name] as const)]}
        onChange={(crop) => crop && save(crop, FIRST_WANT_KG, 0)}
      />
    </div>
  );
}
