import { useEditor } from '../../api/garden';
import { useIndex } from '../../api/useBook';
import type { HeldGarden } from '../../api/merge';
import type { LearntCrop, LearntFactor, OwnFactors } from '../../api/types';
import { goBy, goByAll } from '../../edits/own';
import { useLearnt } from './useRecord';

/** How much more or less than estimated comes here, and what of it the plan uses. */
export function WhatWasLearnt({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const editor = useEditor(slug);
  const learnt = useLearnt(slug, version);
  const index = useIndex(state, null);
  const own = state.plan.garden.own ?? null;
  const told = learnt.data;
  if (learnt.error) return <p role="alert">{learnt.error.message}</p>;
  if (!told) return null;
  const crops = Object.entries(told.crops).filter(([, of]) => of.n > 0);
  if (told.used === 0) {
    return (
      <p className="max-w-prose px-[14px] text-muted">
        Nothing is learnt yet. Weigh what is picked until a planting is finished; then this page
        says how much more or less than estimated this garden gives.
      </p>
    );
  }
  const change = (next: OwnFactors | null) =>
    void editor.edit({ do: 'change-garden', changes: { own: next } });
  return (
    <div className="px-[14px] pb-4">
      <p className="max-w-prose">
        {`From ${finished(told.used)}${told.left_out > 0 ? `; ${finished(told.left_out)} left out` : ''}. A factor of 0.8 means that this garden gives a fifth less than estimated. With only a few plantings it stays near 1. The plan uses a factor, and the days of its first and last pick with it, only when you say so; undo takes it back.`}
      </p>
      <p className="my-2 flex flex-wrap gap-x-4">
        <button type="button" className="act act-main" onClick={() => change(goByAll(told))}>
          Use all of it
        </button>
        {own && (
          <button type="button" className="act" onClick={() => change(null)}>
            Use the book alone
          </button>
        )}
      </p>
      <table className="w-full max-w-4xl text-[14px] tabular-nums">
        <caption className="sr-only">What was learnt of each crop</caption>
        <thead className="text-muted">
          <tr>
            <th scope="col" className="text-left font-normal">
              Crop
            </th>
            <th scope="col" className="pl-4 text-right font-normal">
              Factor here
            </th>
            <th scope="col" className="pl-4 text-right font-normal">
              4 times in 5
            </th>
            <th scope="col" className="pl-4 text-right font-normal max-sm:hidden">
              Plantings
            </th>
            <th scope="col" className="pl-4 text-right font-normal max-sm:hidden">
              Pickings
            </th>
            <th scope="col" className="pl-4 text-right font-normal max-sm:hidden">
              First pick
            </th>
            <th scope="col" className="pl-4 text-right font-normal max-sm:hidden">
              Last pick
            </th>
            <th scope="col" className="pl-4 text-right font-normal max-sm:hidden">
              Days from start
            </th>
            <th scope="col" className="pl-6 text-left font-normal">
              In use
            </th>
          </tr>
        </thead>
        <tbody>
          <Row
            name="all that was never weighed"
            pickings={Object.values(told.pickings).reduce((sum, each) => sum + each, 0)}
            of={told.garden}
            used={Boolean(own?.garden)}
            onUse={(used) => change(goBy(own, 'garden', used ? told.garden : null))}
          />
          {crops.map(([crop, of]) => (
            <Row
              key={crop}
              name={index.data?.find((one) => one.id === crop)?.name ?? crop}
              pickings={told.pickings[crop]}
              of={of}
              used={Boolean(own?.crops?.[crop])}
              onUse={(used) => change(goBy(own, crop, used ? of : null))}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface RowProps {
  name: string;
  /** How many stand behind it. */
  pickings: number | undefined;
  of: LearntFactor | LearntCrop;
  used: boolean;
  onUse: (used: boolean) => void;
}

function Row({ name, pickings, of, used, onUse }: RowProps) {
  const days = 'days_to_pick' in of ? of : null;
  return (
    <tr className="border-b border-rule">
      <th scope="row" className="text-left font-normal">
        {name}
      </th>
      <td className="pl-4 text-right">{of.factor.toFixed(2)}</td>
      <td className="pl-4 text-right whitespace-nowrap">{`${of.low.toFixed(2)}–${of.high.toFixed(2)}`}</td>
      <td className="pl-4 text-right max-sm:hidden">{of.n}</td>
      <td className="pl-4 text-right max-sm:hidden">{pickings}</td>
      {[days?.first_pick_shift_days, days?.last_pick_shift_days].map((shift, at) => (
        <td key={at} className="pl-4 text-right whitespace-nowrap max-sm:hidden">
          {shift == null ? '' : shifted(shift)}
        </td>
      ))}
      <td className="pl-4 text-right max-sm:hidden">{days?.days_to_pick?.toFixed(0)}</td>
      <td className="pl-6">
        <label className="flex min-h-[28px] items-center gap-2">
          <input type="checkbox" checked={used} onChange={(event) => onUse(event.target.checked)} />
          <span className="sr-only">{`Use it for ${name}`}</span>
        </label>
      </td>
    </tr>
  );
}

function shifted(days: number): string {
  const whole = Math.round(Math.abs(days));
  if (whole === 0) return 'as estimated';
  return `${whole} ${whole === 1 ? 'day' : 'days'} ${days > 0 ? 'later' : 'sooner'}`;
}

const finished = (count: number) => `${count} finished ${count === 1 ? 'planting' : 'plantings'}`;
