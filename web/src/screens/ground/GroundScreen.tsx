import { dayOf, words } from '../../kit/day';
import type { Day } from '../../kit/day';
import type { HeldGarden } from '../../api/merge';
import { useRegional, useUnits } from '../../kit/preferences';
import { useExtent } from '../../kit/useExtent';
import { useDay } from '../../shared/DayContext';
import { LayOut } from './LayOut';
import { Alternatives } from './Alternatives';
import { MonthStrip } from './MonthStrip';
import { PlaceGround } from './PlaceGround';
import { SetOut } from './SetOut';
import { ThingForm } from './ThingForm';
import { useYard } from './useYard';
import type { YardBench } from './useYard';
import { YardDrawing } from './YardDrawing';
import { YardForm } from './YardForm';
import { YardTable } from './YardTable';
import { boundsOf } from './yardScale';

interface PartProps {
  state: HeldGarden;
  yard: YardBench;
}

const TO_BEGIN =
  'Two measures and a compass are enough to begin: how long and how wide the yard is, and which way it lies. Then come the house, fences and trees that shade it, the tap and the door; each of them counts in the hours of sun, the reach and the water.';

/** The yard: where the sun falls, what can be reached and watered, and where things stand. */
export function GroundScreen({ state }: { state: HeldGarden }) {
  const yard = useYard(state);
  return (
    <main className="workbench ground">
      <Header yard={yard} />
      <Sheet state={state} yard={yard} />
      <Side state={state} yard={yard} />
      <Months state={state} yard={yard} />
    </main>
  );
}

function Header({ yard }: { yard: YardBench }) {
  const units = useUnits();
  const { drawn, day, shown, setShown, yardOpen, setYardOpen } = yard;
  const box = yard.site.outline_m ? boundsOf(yard.site.outline_m) : null;
  return (
    <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2">
      <h1 className="text-xl">The yard</h1>
      {box && (
        <p className="text-[13px] text-muted">
          {`${units.distance(box.x1 - box.x0)} × ${units.distance(box.y1 - box.y0)} · direct sun on ${words(day)}, hours`}
        </p>
      )}
      <span className="no-print ml-auto flex flex-wrap gap-x-4 whitespace-nowrap">
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
            aria-pressed={shown === 'alternatives'}
            onClick={() => setShown(shown === 'alternatives' ? 'drawing' : 'alternatives')}
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
  );
}

/** The yard drawn, or its table, its layouts or the sheet to set it out by. */
function Sheet({ state, yard }: PartProps) {
  const say = useRegional();
  const [sheet, extent] = useExtent<HTMLDivElement>();
  const { drawn, shown, chosen, choose, edit } = yard;
  const { slug, version } = state.head;
  return (
    <div ref={sheet} className="sheet min-h-0">
      {shown !== 'drawing' || !drawn ? (
        <div className="h-full overflow-y-auto px-4 pt-2">
          {drawn && shown === 'alternatives' ? (
            <Alternatives state={state} onEdit={edit} />
          ) : drawn && shown === 'set-out' ? (
            <SetOut slug={slug} version={version} />
          ) : drawn ? (
            <YardTable state={state} sun={yard.sun} chosen={chosen} onChoose={choose} />
          ) : (
            <p className="max-w-prose text-muted">{say(TO_BEGIN)}</p>
          )}
        </div>
      ) : (
        <YardDrawing
          state={state}
          sun={yard.sun}
          extent={extent}
          chosen={chosen}
          placing={yard.placing}
          onChoose={choose}
          onMove={yard.move}
          onNudge={yard.nudge}
        />
      )}
    </div>
  );
}

/** What is chosen, in measures; and what can be laid out besides. */
function Side({ state, yard }: PartProps) {
  const { drawn, chosen, place, edit } = yard;
  return (
    <aside className="side flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule px-3 pt-2">
      {yard.placing && (
        <p role="status" className="bg-wash px-2 py-1 font-semibold text-damson">
          Press in the yard where its corner is to lie.
        </p>
      )}
      {yard.yardOpen || !drawn ? (
        <YardForm key={`yard-${state.head.version}`} state={state} onEdit={edit} />
      ) : chosen && place ? (
        <PlaceGround
          state={state}
          report={place}
          turn={yard.turned?.turn}
          hours={yard.sun?.places[place.id]}
          day={yard.day}
          onEdit={edit}
          onPlacing={() => yard.setPlacing(true)}
        />
      ) : (
        chosen && (
          <ThingForm
            key={`${JSON.stringify(chosen)}-${state.head.version}`}
            state={state}
            thing={chosen}
            onEdit={edit}
            onRemove={yard.remove}
            onPlacing={() => yard.setPlacing(true)}
          />
        )
      )}
      {drawn && (
        <div className="mt-auto border-t border-rule pb-3 pt-2">
          <LayOut state={state} onEdit={edit} onAdd={yard.add} />
        </div>
      )}
    </aside>
  );
}

/** The twelve months over the yard, and over the place that is chosen. */
function Months({ state, yard }: PartProps) {
  const { day, start, end, setDay } = useDay();
  const { site, place, drawn, turned } = yard;
  const month = new Date(day * 86_400_000).getUTCMonth();
  return (
    <div className="strip border-t border-rule px-4 pt-1.5">
      <h2 className="mb-1 font-sans text-[13px] font-normal text-muted">
        {place ? `Through the year, mean hours on ${nameOf(state, place.id)}` : 'Through the year'}
      </h2>
      <MonthStrip
        map={yard.months}
        site={site}
        place={place}
        month={month}
        onMonth={(m) => setDay(middleOfMonth(m, start, end))}
      />
      {!place && drawn && <p className="mt-1.5 text-muted">Choose a place to see its hours.</p>}
      {place?.sun && (
        <p className="mt-1.5">
          {place.sun.bears} {turned?.words}
        </p>
      )}
    </div>
  );
}

function nameOf(state: HeldGarden, id: string): string {
  return state.plan.places.find((p) => p.id === id)?.name ?? id;
}

/** The fifteenth of a month, in whichever of the plan's years holds it. */
function middleOfMonth(month: number, start: Day, end: Day): Day {
  const year = new Date(start * 86_400_000).getUTCFullYear();
  const dated = (y: number) => dayOf(`${y}-${String(month + 1).padStart(2, '0')}-15`);
  return dated(year) >= start ? Math.min(dated(year), end) : dated(year + 1);
}
