import { useEffect, useState } from 'react';

import { useSearchParams } from 'react-router';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Edit } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { useExtent } from '../../kit/useExtent';
import { dayOf, isoOf, words } from '../../kit/day';
import type { Day } from '../../kit/day';
import { useDay } from '../../shared/DayContext';
import { MonthStrip } from './MonthStrip';
import { LayOut } from './LayOut';
import { Layouts } from './Layouts';
import { PlaceGround } from './PlaceGround';
import { SetOut } from './SetOut';
import { moveThing, siteOf, spotOfThing } from './things';
import type { Thing } from './things';
import { ThingForm } from './ThingForm';
import { useDaySun, useMonthSun, useTurned } from './useSun';
import { YardDrawing } from './YardDrawing';
import { YardForm } from './YardForm';
import { YardTable } from './YardTable';
import { boundsOf } from './yardScale';

const SETTLE_MS = 120;

/** The yard: where the sun falls, what can be reached and watered, and where things stand. */
export function GroundScreen({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const { day, start, end, setDay } = useDay();
  const settled = useSettled(day);
  const editor = useEditor(slug);
  const asked = useSearchParams()[0].get('place');
  const units = useUnits();
  const [sheet, extent] = useExtent<HTMLDivElement>();
  const [thing, setChosen] = useState<Thing | null>(() => firstPlace(state, asked));
  const [placing, setPlacing] = useState(false);
  const [shown, setShown] = useState<'drawing' | 'table' | 'set-out' | 'layouts'>('drawing');
  const [yardOpen, setYardOpen] = useState(false);

  const site = siteOf(state.plan);
  const drawn = Boolean(site.outline_m);
  const sun = useDaySun(slug, version, isoOf(settled), drawn);
  const months = useMonthSun(slug, JSON.stringify(state.plan.site), drawn);
  const chosen = thing && (thing.kind === 'place' || spotOfThing(state.plan, thing)) ? thing : null;
  const place =
    chosen?.kind === 'place' ? state.report.places.find((p) => p.id === chosen.id) : undefined;
  const inYard = place && place.ground.outer_m.length > 0;
  const turns = inYard && !isRound(state, place.id) ? place.id : null;
  const turned = useTurned(slug, version, turns);

  const edit = (change: Edit) => void editor.edit(change);
  const choose = (next: Thing | null) => {
    setChosen(next);
    setPlacing(false);
    setYardOpen(false);
  };
  const move = (what: Thing, to: readonly [number, number]) => {
    setPlacing(false);
    const change = moveThing(state.plan, what, to);
    if (change) edit(change);
  };
  const box = site.outline_m ? boundsOf(site.outline_m) : null;
  const month = new Date(day * 86_400_000).getUTCMonth();
  return (
    <main className="workbench ground">
      <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2">
        <h1 className="text-xl">The yard</h1>
        {box && (
          <p className="text-[13px] text-muted">
            {`${units.distance(box.x1 - box.x0)} × ${units.distance(box.y1 - box.y0)} · direct sun on ${words(day)}, hours`}
          </p>
        )}
        <span className="no-print ml-auto flex gap-4">
          <button
            type="button"
            className="press"
            aria-pressed={yardOpen}
            onClick={() => setYardOpen(!yardOpen)}
          >
            Size and direction
          </button>
          <button
            type="button"
            className="press"
            aria-pressed={shown === 'table'}
            onClick={() => setShown(shown === 'drawing' ? 'table' : 'drawing')}
          >
            {shown === 'drawing' ? 'Table' : 'Drawing'}
          </button>
          {drawn && (
            <button
              type="button"
              className="press"
              aria-pressed={shown === 'layouts'}
              onClick={() => setShown(shown === 'layouts' ? 'drawing' : 'layouts')}
            >
              Layouts
            </button>
          )}
          {drawn && (
            <button type="button" className="press" onClick={() => setShown('set-out')}>
              Set-out sheet
            </button>
          )}
          {shown !== 'drawing' && (
            <button type="button" className="press" onClick={() => window.print()}>
              Print
            </button>
          )}
        </span>
      </header>
      <div ref={sheet} className="sheet min-h-0">
        {shown !== 'drawing' || !drawn ? (
          <div className="h-full overflow-y-auto px-4 pt-2">
            {drawn && shown === 'layouts' ? (
              <Layouts state={state} onEdit={edit} />
            ) : drawn && shown === 'set-out' ? (
              <SetOut slug={slug} version={version} />
            ) : drawn ? (
              <YardTable state={state} sun={sun.data} chosen={chosen} onChoose={choose} />
            ) : (
              <p className="max-w-prose text-muted">
                Two measures and a compass are enough to begin: how long and how wide the yard is,
                and which way it lies. Then come the house, fences and trees that shade it, the tap
                and the door; each of them counts in the hours of sun, the reach and the water.
              </p>
            )}
          </div>
        ) : (
          <YardDrawing
            state={state}
            sun={sun.data}
            extent={extent}
            chosen={chosen}
            placing={placing}
            onChoose={choose}
            onMove={move}
          />
        )}
      </div>
      <aside className="side flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule px-3 pt-2">
        {placing && (
          <p role="status" className="bg-wash px-2 py-1 font-semibold text-damson">
            Press in the yard where its corner is to lie.
          </p>
        )}
        {yardOpen || !drawn ? (
          <YardForm key={`yard-${version}`} state={state} onEdit={edit} />
        ) : chosen && place ? (
          <PlaceGround
            state={state}
            report={place}
            turn={turned.data?.turn}
            hours={sun.data?.places[place.id]}
            day={day}
            onEdit={edit}
            onPlacing={() => setPlacing(true)}
          />
        ) : (
          chosen && (
            <ThingForm
              key={`${JSON.stringify(chosen)}-${version}`}
              state={state}
              thing={chosen}
              onEdit={edit}
              onRemove={(change) => {
                edit(change);
                choose(null);
              }}
              onPlacing={() => setPlacing(true)}
            />
          )
        )}
        {drawn && (
          <div className="mt-auto border-t border-rule pb-3 pt-2">
            <LayOut
              state={state}
              onEdit={edit}
              onAdd={(change, added) => {
                void editor.edit(change).then((saved) => saved && choose(added));
              }}
            />
          </div>
        )}
      </aside>
      <div className="strip border-t border-rule px-4 pt-1.5">
        <h2 className="mb-1 font-sans text-[13px] font-normal text-muted">
          {place
            ? `Through the year, mean hours on ${nameOf(state, place.id)}`
            : 'Through the year'}
        </h2>
        <MonthStrip
          map={months.data}
          site={site}
          place={place}
          month={month}
          onMonth={(m) => setDay(middleOfMonth(m, start, end))}
        />
        {!place && drawn && <p className="mt-1.5 text-muted">Choose a place to see its hours.</p>}
        {place?.sun && (
          <p className="mt-1.5">
            {place.sun.bears} {turned.data && turned.data.words}
          </p>
        )}
      </div>
    </main>
  );
}

function firstPlace(state: HeldGarden, asked: string | null): Thing | null {
  const first = state.report.places.find((p) => p.id === asked) ?? state.report.places[0];
  return first ? { kind: 'place', id: first.id } : null;
}

function nameOf(state: HeldGarden, id: string): string {
  return state.plan.places.find((p) => p.id === id)?.name ?? id;
}

function isRound(state: HeldGarden, id: string): boolean {
  return state.plan.places.find((p) => p.id === id)?.shape.type === 'circle';
}

/** The fifteenth of a month, in whichever of the plan's years holds it. */
function middleOfMonth(month: number, start: Day, end: Day): Day {
  const year = new Date(start * 86_400_000).getUTCFullYear();
  const dated = (y: number) => dayOf(`${y}-${String(month + 1).padStart(2, '0')}-15`);
  return dated(year) >= start ? Math.min(dated(year), end) : dated(year + 1);
}

/** A value once it has rested, so that a dragged day does not ask for every day it passes. */
function useSettled<T>(value: T): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return rested;
}
