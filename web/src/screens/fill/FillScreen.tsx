import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Difference, Drawn, OfferedPlan } from '../../api/types';
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
import { SideBySide } from './SideBySide';
import { useCompared } from './useCompared';
import { useFill } from './useFill';

const SECONDS = 10;

/** The garden filled before one's eyes: asked for, looked at, compared, and taken over. */
export function FillScreen({ state }: { state: HeldGarden }) {
  const { slug } = state.head;
  const [where] = useSearchParams();
  const named = state.plan.places.some((place) => place.id === where.get('place'));
  const [asked, setAsked] = useState<Asked>({
    seconds: SECONDS,
    keep: false,
    place: named ? where.get('place') : null,
  });
  const { best, running, trouble, fill, stop, forget } = useFill(slug);
  const { start, end } = useDay();
  const [drawing, extent] = useExtent<HTMLDivElement>();
  const scale = useMemo(() => timeScale(start, end, extent.width), [start, end, extent.width]);
  const rows = useMemo(() => drawnOf(state, best), [state, best]);
  return (
    <main className="flex h-full min-h-0 max-md:flex-col">
      <div ref={drawing} className="scrolls min-h-0 min-w-0 flex-1">
        <header className="flex flex-wrap items-baseline gap-x-5 px-[14px] pt-2">
          <h1 className="text-xl">Fill the garden</h1>
          <p className="text-muted">
            {best ? 'In outline what is offered, in leaf what stays.' : 'The plan as it is.'}
          </p>
        </header>
        {extent.width > 0 &&
          rows.map(({ id, name, drawn }) => (
            <OfferedYear key={id} name={name} drawn={drawn} scale={scale} width={extent.width} />
          ))}
        {best && !running && <Taking state={state} plan={best} scale={scale} />}
      </div>
      <aside
        aria-label="What to fill, and what comes of it"
        className="scrolls grid min-h-0 w-[340px] shrink-0 content-start gap-3 border-l border-rule p-3 max-md:order-first max-md:w-full max-md:border-b max-md:border-l-0"
      >
        {best && (
          <section aria-label="The best plan so far">
            <Gauge plan={best} />
            {best.why_none && <p className="text-marigold">{best.why_none}</p>}
          </section>
        )}
        {trouble && <p role="alert">{trouble.message}</p>}
        <p className="flex flex-wrap items-baseline gap-3">
          {running ? (
            <>
              <button type="button" className="act act-main" onClick={stop} disabled={!best}>
                Stop, keep this
              </button>
              <button type="button" className="act" onClick={forget}>
                Cancel
              </button>
              <span role="status" className="text-muted">
                {best ? 'Looking for better …' : 'Looking for a first plan …'}
              </span>
            </>
          ) : (
            <>
              <button
                type="button"
                className={best ? 'act' : 'act act-main'}
                onClick={() => fill(asked)}
              >
                {best ? 'Fill again' : 'Fill'}
              </button>
              {best && (
                <button type="button" className="act" onClick={forget}>
                  Forget this plan
                </button>
              )}
            </>
          )}
        </p>
        {best && <Figures plan={best} />}
        {!running && (
          <details open={!best}>
            <summary>What to fill, and by what</summary>
            <FillAsk state={state} asked={asked} onAsk={setAsked} />
          </details>
        )}
      </aside>
    </main>
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
  if (!compared.data) return <p className="px-[14px] text-muted">Setting it beside your plan …</p>;
  const { differences } = compared.data;
  return (
    <>
      <header className="flex flex-wrap items-baseline gap-x-5 px-[14px] pt-3">
        <h2 className="text-lg">Your plan and this one</h2>
        {differences.length > 0 && (
          <button type="button" className="act act-main" onClick={() => take(differences)}>
            Take all of it
          </button>
        )}
      </header>
      <SideBySide compared={compared.data} scale={scale} />
      <Swaps compared={compared.data} names={names} onTake={take} />
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
