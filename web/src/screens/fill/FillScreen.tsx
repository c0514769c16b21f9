import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Difference, Drawn, OfferedPlan, PlaceReport } from '../../api/types';
import { dayOf, isoOf, today } from '../../kit/day';
import type { Day } from '../../kit/day';
import { useExtent } from '../../kit/useExtent';
import { useDay } from '../../shared/DayContext';
import { timeScale } from '../../shared/SeasonRuler';
import { FillAsk } from './FillAsk';
import { Figures } from './Figures';
import type { Asked } from './filling';
import { Gauge } from './Gauge';
import { OfferedYear } from './OfferedYear';
import { Swaps } from './Swaps';
import { takeEdit } from './takes';
import { SideBySide, TwoBands } from './SideBySide';
import { useCompared } from './useCompared';
import { useFill } from './useFill';
import type { Filling } from './useFill';

const SECONDS = 10;

/** The garden filled before one's eyes: asked for, looked at, compared, and taken over. */
export function FillScreen({ state }: { state: HeldGarden }) {
  const { slug } = state.head;
  const [where] = useSearchParams();
  const named = state.report.places.find((place) => place.id === where.get('place'));
  const [asked, setAsked] = useState<Asked>({
    seconds: SECONDS,
    keep: true,
    place: named?.id ?? null,
    cells: named ? squaresOf(named, where.get('cells')) : null,
    since: yearHolds(state, today()) ? isoOf(today()) : null,
  });
  const filling = useFill(slug);
  const { best, running, trouble } = filling;
  const { start, end } = useDay();
  const [main, extent] = useExtent<HTMLElement>();
  const scale = useMemo(() => timeScale(start, end, extent.width), [start, end, extent.width]);
  const rows = useMemo(() => drawnOf(state, best), [state, best]);
  return (
    <main ref={main} className="scrolls h-full min-h-0">
      <header className="sticky top-0 z-10 flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule bg-ground px-[14px] py-2">
        <h1 className="text-xl">Fill the garden</h1>
        <Actions filling={filling} onFill={() => filling.fill(asked)} />
        {best && <Gauge plan={best} />}
      </header>
      {trouble && (
        <p role="alert" className="px-[14px] pt-2">
          {trouble.message}
        </p>
      )}
      {best?.why_none && <p className="px-[14px] pt-2 text-marigold">{best.why_none}</p>}
      {!running && (
        <details open={!best} className="px-[14px] pt-2">
          <summary>What to plan</summary>
          <FillAsk state={state} asked={asked} onAsk={setAsked} />
        </details>
      )}
      <p className="px-[14px] pt-2 text-[13px] text-muted">
        {best ? 'Outlined: offered. Green: what stays.' : 'Your plan as it stands.'}
      </p>
      {extent.width > 0 &&
        rows.map(({ id, name, drawn }) => (
          <OfferedYear key={id} name={name} drawn={drawn} scale={scale} width={extent.width} />
        ))}
      {best && running && (
        <div className="px-[14px] pt-3">
          <Figures plan={best} />
        </div>
      )}
      {best && !running && <Taking state={state} plan={best} scale={scale} />}
    </main>
  );
}

/** The squares of a place that an address names; null where it names none. */
function squaresOf(place: PlaceReport, named: string | null): string[] | null {
  const asked = new Set(named?.split(','));
  const found = place.cells.map((cell) => cell.address).filter((address) => asked.has(address));
  return found.length > 0 ? found : null;
}

/** Whether a day lies in the plan's year. */
function yearHolds({ report }: HeldGarden, day: Day): boolean {
  return day >= dayOf(report.year.start) && day <= dayOf(report.year.end);
}

/** Begin, stop with the best so far, or forget it all. */
function Actions({ filling, onFill }: { filling: Filling; onFill: () => void }) {
  const { best, running, stop, forget } = filling;
  if (running)
    return (
      <p className="flex flex-wrap items-baseline gap-3">
        <button type="button" className="act act-main" onClick={stop} disabled={!best}>
          Stop and keep this
        </button>
        <button type="button" className="act" onClick={forget}>
          Cancel
        </button>
        <span role="status" className="text-muted">
          {best ? 'Looking for better …' : 'Looking for a first plan …'}
        </span>
      </p>
    );
  return (
    <p className="flex flex-wrap items-baseline gap-3">
      <button type="button" className={best ? 'act' : 'act act-main'} onClick={onFill}>
        {best ? 'Fill again' : 'Fill'}
      </button>
      {best && (
        <button type="button" className="act" onClick={forget}>
          Discard this plan
        </button>
      )}
    </p>
  );
}

interface TakingProps {
  state: HeldGarden;
  plan: OfferedPlan;
  scale: ReturnType<typeof timeScale>;
}

/** The offered plan beside the garden's own, and what of it to take over. */
function Taking({ state, plan, scale }: TakingProps) {
  const { slug, version } = state.head;
  const editor = useEditor(slug);
  const compared = useCompared(slug, version, plan);
  const standing = new Set(state.plan.plantings.map((planting) => planting.id));
  const names = new Map(state.plan.places.map((place) => [place.id, place.name ?? place.id]));
  const taken = plan.drawn.some((one) => one.offered && standing.has(one.id));
  const take = (some: readonly Difference[]) => {
    const edit = takeEdit(some, plan.plan, standing);
    if (edit) void editor.edit(edit);
  };
  if (compared.error)
    return (
      <p role="alert" className="px-[14px]">
        {compared.error.message}
      </p>
    );
  if (!compared.data) return <p className="px-[14px] text-muted">Comparing it with your plan …</p>;
  const { differences } = compared.data;
  return (
    <>
      <header className="flex flex-wrap items-baseline gap-x-5 px-[14px] pt-3">
        <h2 className="text-lg">Your plan beside this one</h2>
        {differences.length > 0 && (
          <button type="button" className="act act-main" onClick={() => take(differences)}>
            Take all of it
          </button>
        )}
      </header>
      <div className="flex flex-wrap gap-x-10 gap-y-3 px-[14px]">
        <SideBySide compared={compared.data} />
        <Figures plan={plan} />
      </div>
      <TwoBands compared={compared.data} scale={scale} />
      <Swaps compared={compared.data} names={names} taken={taken} onTake={take} />
    </>
  );
}

interface Row {
  id: string;
  name: string;
  drawn: readonly Drawn[];
}

/** What is drawn of each place: the offered plan, else the garden's own. */
function drawnOf({ plan, report }: HeldGarden, best: OfferedPlan | null): Row[] {
  const standing = new Set(plan.plantings.map((planting) => planting.id));
  const every: readonly Drawn[] =
    best?.drawn.map((one) => ({ ...one, offered: !standing.has(one.id) })) ??
    report.plantings.map((planting) => ({
      ...planting,
      where: '',
      likely_kg: planting.harvest_kg.p50,
      offered: false,
    }));
  return plan.places.map((place) => ({
    id: place.id,
    name: place.name ?? place.id,
    drawn: every.filter((one) => one.place === place.id),
  }));
}
