import { useCallback, useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Edit, PlaceReport, PlantingReport } from '../../api/types';
import { grouped, squareWeeks } from '../../kit/units';
import { Choice } from '../../kit/Choice';
import type { Options } from '../../kit/Choice';
import { Splitter, useShare } from '../../kit/Splitter';
import { useExtent } from '../../kit/useExtent';
import { restEdit } from '../../edits/edits';
import type { Gap } from '../../drawing/lanes';
import { useDay } from '../../shared/DayContext';
import type { Span } from '../../shared/DayContext';
import { timeScale } from '../../shared/SeasonRuler';
import { Chosen } from './Chosen';
import { FollowPanel } from './FollowPanel';
import { Jobs } from './Jobs';
import { Places } from './Places';

const SPANS: Options<Span> = [
  ['year', 'the whole year'],
  ['quarter', 'a quarter'],
  ['month', 'five weeks'],
  ['fortnight', 'two weeks'],
];

/** All places through the year under the ruler; below, the jobs, or what can follow in a gap. */
export function YearScreen({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const { day, start, end, span, setSpan } = useDay();
  const editor = useEditor(slug);
  const [main, extent] = useExtent<HTMLElement>();
  const [only, setOnly] = useState('');
  const [selected, setSelected] = useState<string | null>(null);
  const [gap, setGap] = useState<Gap | null>(null);
  const [share, setShare] = useShare('ample-rows/year-drawing', 55);
  const scale = useMemo(() => timeScale(start, end, extent.width), [start, end, extent.width]);
  // Looked at closely is the year of this screen; the others show all of it.
  useEffect(() => () => setSpan('year'), [setSpan]);
  const { plantings, places, totals } = state.report;
  const edit = useCallback((change: Edit) => editor.edit(change), [editor]);
  const take = (change: Edit) => {
    void edit(change);
    setGap(null);
  };
  const largest = largestGap(places);
  return (
    <main ref={main} className="flex h-full min-h-0 flex-col">
      <header className="no-print flex flex-wrap items-baseline gap-x-5 px-[14px] pt-2">
        <h1 className="text-xl">The year</h1>
        <p className="text-muted">{`${squareWeeks(totals.idle_cell_weeks - totals.rested_cell_weeks)} idle in season, ${grouped(Math.round(totals.rested_cell_weeks))} rested on purpose`}</p>
        {largest && (
          <button type="button" className="press" onClick={() => setGap(largest)}>
            Fill the largest
          </button>
        )}
        <Link className="press" to={`/gardens/${slug}/fill`}>
          Fill them all
        </Link>
        <div className="ml-auto flex flex-wrap items-baseline gap-x-4">
          <Choice inline label="Look at" value={span} options={SPANS} onChange={setSpan} />
          <Choice
            inline
            label="Show"
            value={only}
            options={filters(plantings)}
            onChange={setOnly}
          />
        </div>
      </header>
      <div
        className="scrolls no-print min-h-0 basis-0 overflow-x-hidden max-md:order-last max-md:basis-auto"
        style={{ flexGrow: share }}
      >
        <Places
          state={state}
          only={only}
          scale={scale}
          width={extent.width}
          selected={selected}
          day={day}
          onEdit={edit}
          onSelect={setSelected}
          onGap={setGap}
        />
        {places.length === 0 && (
          <p className="px-[14px]">Nothing to show yet: add a place first.</p>
        )}
      </div>
      <Splitter label="Room for the drawing of the year" share={share} onChange={setShare} />
      <div
        className="flex min-h-0 basis-0 flex-col overflow-hidden max-md:basis-auto"
        style={{ flexGrow: 100 - share }}
      >
        <Chosen
          state={state}
          planting={selected}
          onEdit={(change) => void edit(change)}
          onClose={() => setSelected(null)}
        />
        {gap ? (
          <FollowPanel
            slug={slug}
            version={version}
            gap={gap}
            onTake={take}
            onRest={(free, until, reason) => take(restEdit(state.plan, free, until, reason))}
            onClose={() => setGap(null)}
          />
        ) : (
          <Jobs state={state} day={day} />
        )}
      </div>
    </main>
  );
}

/** The idle ground that counts most: squares by weeks. */
function largestGap(places: readonly PlaceReport[]): Gap | null {
  const spells = places.flatMap((place) => place.idle.map((spell) => ({ place, spell })));
  const most = spells.reduce<(typeof spells)[number] | null>(
    (largest, one) => (one.spell.cell_weeks > (largest?.spell.cell_weeks ?? 0) ? one : largest),
    null,
  );
  return most ? { place: most.place.id, cells: most.spell.cells, since: most.spell.start } : null;
}

function filters(plantings: readonly PlantingReport[]): (readonly [string, string])[] {
  const families = [...new Set(plantings.map((p) => p.family))].sort();
  const crops = [...new Map(plantings.map((p) => [p.crop, p.name])).entries()];
  crops.sort(([, a], [, b]) => a.localeCompare(b));
  return [['', 'everything'], ...families.map((f) => [f, `family ${f}`] as const), ...crops];
}
