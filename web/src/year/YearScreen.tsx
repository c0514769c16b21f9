import { useMemo, useState } from 'react';
import { Link } from 'react-router';

import { useEditor } from '../api/garden';
import type { HeldGarden } from '../api/merge';
import type { PlaceReport, PlantingReport } from '../api/types';
import { Choice } from '../app/Choice';
import { useUnits } from '../app/preferences';
import { useExtent } from '../app/useExtent';
import type { TimeScale } from '../drawing/scale';
import { draggedEdit } from '../squares/edits';
import { IDLE, next } from '../squares/gesture';
import type { Gesture, Input } from '../squares/gesture';
import { lanesOf } from '../squares/lanes';
import { Wedges } from '../squares/Wedges';
import { useDay } from '../time/DayContext';
import { timeScale } from '../time/SeasonRuler';
import { Jobs } from './Jobs';

const LANE_PX = 15.5;

/** All places through the year under the ruler, and what this week and the next ask for. */
export function YearScreen({ state }: { state: HeldGarden }) {
  const { day, start, end } = useDay();
  const editor = useEditor(state.head.slug);
  const [main, extent] = useExtent<HTMLElement>();
  const [only, setOnly] = useState('');
  const [selected, setSelected] = useState<string | null>(null);
  const [gesture, setGesture] = useState<Gesture>(IDLE);
  const scale = useMemo(() => timeScale(start, end, extent.width), [start, end, extent.width]);
  const { plantings, places, totals } = state.report;
  const shown = plantings.filter((p) => only === '' || only === p.family || only === p.crop);
  const release = () => {
    const done = gesture;
    setGesture(IDLE);
    if (done.kind !== 'movingWedge') return;
    const change = draggedEdit(state.plan, plantings, done.planting, done.byDays);
    if (change) void editor.edit(change);
  };
  return (
    <main ref={main} className="flex h-full min-h-0 flex-col">
      <header className="no-print flex flex-wrap items-baseline gap-x-5 px-[14px] pt-2">
        <h1 className="text-xl">The year</h1>
        <p className="text-muted">{`${Math.round(totals.idle_cell_weeks)} square-weeks idle in season`}</p>
        <div className="ml-auto flex items-baseline gap-4">
          <Choice label="Show" value={only} options={filters(plantings)} onChange={setOnly} />
          <a className="press" href={`/api/gardens/${state.head.slug}/jobs.ics`}>
            Jobs as a calendar
          </a>
        </div>
      </header>
      <div className="min-h-[30%] grow basis-0 overflow-x-hidden overflow-y-auto max-md:order-last max-md:basis-auto">
        {places.map((place) => {
          const own = shown.filter((p) => p.place === place.id);
          if (own.length === 0 && only !== '') return null;
          return (
            <PlaceYear
              key={place.id}
              state={state}
              place={place}
              plantings={own}
              scale={scale}
              width={extent.width}
              gesture={gesture}
              selected={selected}
              day={day}
              send={(input) => setGesture((now) => next(now, input))}
              onRelease={release}
              onSelect={setSelected}
            />
          );
        })}
        {places.length === 0 && (
          <p className="px-[14px]">Nothing to show yet: add a place first.</p>
        )}
      </div>
      <Jobs state={state} day={day} />
    </main>
  );
}

function filters(plantings: readonly PlantingReport[]): (readonly [string, string])[] {
  const families = [...new Set(plantings.map((p) => p.family))].sort();
  const crops = [...new Map(plantings.map((p) => [p.crop, p.name])).entries()];
  crops.sort(([, a], [, b]) => a.localeCompare(b));
  return [['', 'everything'], ...families.map((f) => [f, `family ${f}`] as const), ...crops];
}

interface PlaceProps {
  state: HeldGarden;
  place: PlaceReport;
  plantings: readonly PlantingReport[];
  scale: TimeScale;
  width: number;
  gesture: Gesture;
  selected: string | null;
  day: number;
  send: (input: Input) => void;
  onRelease: () => void;
  onSelect: (planting: string) => void;
}

/** One place's ground through time, with what it gives and what of it stands idle. */
function PlaceYear({ state, place, plantings, scale, width, ...wedges }: PlaceProps) {
  const units = useUnits();
  const name = state.plan.places.find((p) => p.id === place.id)?.name ?? place.id;
  const height = Math.max(1, lanesOf(plantings).length) * LANE_PX + 8;
  const { p10, p90 } = place.harvest_kg;
  const idle = Math.round(place.idle_cell_weeks);
  return (
    <section aria-label={name} className="border-b border-rule">
      <p className="flex items-baseline gap-4 px-[14px] pt-1">
        <Link className="font-semibold" to={`/gardens/${state.head.slug}/squares/${place.id}`}>
          {name}
        </Link>
        <span className="text-[13px] text-muted">{units.area(place.inside_area_m2)}</span>
        <span className="text-[13px]">{`${units.weight(p10)}–${units.weight(p90)} ${units.weightUnit}`}</span>
        {idle > 0 && (
          <span className="text-[13px] text-marigold">{`${idle} square-weeks idle`}</span>
        )}
      </p>
      <svg
        className="block touch-pan-y select-none"
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label={`${name} through the year`}
      >
        {width > 0 && (
          <Wedges place={place} plantings={plantings} scale={scale} height={height} {...wedges} />
        )}
      </svg>
    </section>
  );
}
