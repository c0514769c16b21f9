import { useMemo } from 'react';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { CropSupply, Pantry } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { useUnits } from '../../kit/preferences';
import { useExtent } from '../../kit/useExtent';
import { useIndex } from '../../api/useBook';
import type { TimeScale } from '../../drawing/scale';
import { useDay } from '../../shared/DayContext';
import { timeScale } from '../../shared/SeasonRuler';
import { Household } from './Household';
import { usePantry } from './usePantry';
import { useWants } from './useWants';
import { Wanted } from './Wanted';
import { WeeklyBand } from '../../shared/WeeklyBand';
import { Yields } from './Yields';

/** A first guess, there to be changed. */
const FIRST_WANT_KG = 5;

/** What the garden gives week by week against what the household eats. */
export function PantryScreen({ state }: { state: HeldGarden }) {
  const { start, end } = useDay();
  const [main, extent] = useExtent<HTMLElement>();
  const answer = usePantry(state.head.slug, state.head.version);
  const scale = useMemo(() => timeScale(start, end, extent.width), [start, end, extent.width]);
  return (
    <main ref={main} className="h-full overflow-x-hidden overflow-y-auto pb-4">
      {answer.error && <p role="alert">{answer.error.message}</p>}
      {!answer.data && !answer.error && (
        <p className="px-[14px] pt-3 text-muted">
          {answer.isFetching ? (
            'Running the seasons …'
          ) : (
            <button type="button" className="press" onClick={() => void answer.refetch()}>
              Run the seasons
            </button>
          )}
        </p>
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
        <Seasons state={state} pantry={pantry} />
        <AddWant state={state} wanted={wanted} />
      </header>
      <WeeklyBand
        weeks={pantry.weeks}
        scale={scale}
        width={width}
        height={70}
        day={day}
        label="Everything picked, week by week"
      />
      <section aria-label="Needs and supply">
        <div className="flex flex-wrap items-baseline gap-x-5 px-[14px]">
          <h2 className="text-base">Needs and supply</h2>
          {pantry.eaten_kg_a_week > 0 && (
            <p>
              {`${units.mass(pantry.eaten_kg_a_week)} per week`}
              {pantry.each_kg_a_week !== null &&
                `, ${units.mass(pantry.each_kg_a_week)} per person`}
            </p>
          )}
          <p className="text-[13px] text-muted">
            Above each line what is picked, low to high, and hatched what lies in store; below it
            what is eaten, marigold where the table goes short.
          </p>
        </div>
        {wanted.length === 0 && (
          <p className="px-[14px] text-muted">
            Say what the household eats in a year, and it is set against what the plan gives.
          </p>
        )}
        {wanted.map((crop) => (
          <Wanted key={crop.crop} state={state} crop={crop} scale={scale} width={width} day={day} />
        ))}
      </section>
      {rest.length > 0 && (
        <section aria-label="Also harvested" className="border-t border-rule px-[14px] pt-1">
          <h2 className="text-base">Also harvested</h2>
          <p className="text-[13.5px]">
            {rest
              .map(
                (crop) =>
                  `${crop.name} ${units.mass(crop.harvest_kg.p10)} – ${units.mass(crop.harvest_kg.p90)}`,
              )
              .join(' · ')}
          </p>
        </section>
      )}
      <Household state={state} scale={scale} width={width} day={day} />
      <Yields state={state} />
    </>
  );
}

/** How many seasons were run, with which seed, and others in their stead. */
function Seasons({ state, pantry }: { state: HeldGarden; pantry: Pantry }) {
  const editor = useEditor(state.head.slug);
  return (
    <p className="text-muted">
      {`low, likely and high of ${pantry.seasons.toLocaleString('en')} seasons, seed ${pantry.seed} `}
      <button
        type="button"
        className="press"
        onClick={() =>
          void editor.edit({ do: 'change-garden', changes: { seed: pantry.seed + 1 } })
        }
      >
        New random seasons
      </button>
    </p>
  );
}

/** A crop that nothing was said of yet, wanted from now on. */
function AddWant({ state, wanted }: { state: HeldGarden; wanted: readonly CropSupply[] }) {
  const index = useIndex(state, null);
  const save = useWants(state);
  const wantedIds = new Set(wanted.map((crop) => crop.crop));
  const free = (index.data ?? []).filter((line) => !line.variety_of && !wantedIds.has(line.id));
  return (
    <div className="no-print ml-auto">
      <Choice
        inline
        label="Add a crop"
        value=""
        options={[['', 'choose a crop'], ...free.map((line) => [line.id, line.name] as const)]}
        onChange={(crop) => crop && save({ crop, asked_as: [] }, { kg_per_year: FIRST_WANT_KG })}
      />
    </div>
  );
}
