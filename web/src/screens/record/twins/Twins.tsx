import { useState } from 'react';

import type { HeldGarden } from '../../../api/merge';
import type { Trial, TwinResult } from '../../../api/types';
import { fieldUnit, measureText } from '../../../kit/measures';
import { useUnits } from '../../../kit/preferences';
import { PutBack } from '../PutBack';
import { CompareTwo } from './CompareTwo';
import { TrialPlan } from './TrialPlan';
import { useTrials, useTwins } from './useTwins';

/** Beds, halves, rows or kinds that differ in one thing, and what can be said of the difference. */
export function Twins({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const twins = useTwins(slug, version);
  const trials = useTrials(slug);
  const [gone, setGone] = useState<Trial>();
  return (
    <div className="grid gap-x-8 px-[14px] pb-4 lg:grid-cols-[minmax(0,1fr)_minmax(300px,420px)]">
      <div className="min-w-0">
        <p className="max-w-prose">
          Two sides that differ in one thing alone, compared by their ground. The bar is what the
          truth lies within, four times in five.
        </p>
        {twins.error && <p role="alert">{twins.error.message}</p>}
        {twins.data?.length === 0 && <p className="pt-2 text-muted">Nothing is compared yet.</p>}
        {gone && (
          <PutBack onPutBack={() => void trials.putBack(gone.id).then(() => setGone(undefined))} />
        )}
        {twins.data?.map((result) => (
          <Result
            key={result.trial.id}
            result={result}
            onRemove={() =>
              void trials.remove(result.trial.id).then((done) => done && setGone(result.trial))
            }
          />
        ))}
      </div>
      <div>
        <CompareTwo state={state} trials={trials} />
        <TrialPlan state={state} trials={trials} />
      </div>
    </div>
  );
}

function Result({ result, onRemove }: { result: TwinResult; onRemove: () => void }) {
  const units = useUnits();
  const { trial, seasons } = result;
  const { label } = fieldUnit('kg per m²', units.system);
  const per = (kg: number) =>
    `${measureText(Number(kg.toPrecision(3)), 'kg per m²', units.system)} ${label}`;
  return (
    <article aria-label={trial.differs} className="border-b border-rule py-2">
      <h2 className="text-base">
        {`${trial.other_name} against ${trial.one_name}`}
        <span className="pl-3 font-sans text-[13px] font-normal text-muted">{trial.differs}</span>
      </h2>
      <p>{result.words}</p>
      {result.times !== null && result.low !== null && result.high !== null && (
        <Interval times={result.times} low={result.low} high={result.high} />
      )}
      {seasons.length > 0 && (
        <table className="text-[14px] tabular-nums">
          <caption className="sr-only">What both sides gave by their ground</caption>
          <thead className="text-muted">
            <tr>
              <th scope="col" className="pr-4 text-left font-normal">
                Season
              </th>
              <th scope="col" className="pr-4 text-right font-normal">
                {trial.one_name}
              </th>
              <th scope="col" className="text-right font-normal">
                {trial.other_name}
              </th>
            </tr>
          </thead>
          <tbody>
            {seasons.map((season) => (
              <tr key={season.season}>
                <th scope="row" className="pr-4 text-left font-normal">
                  {season.season}
                </th>
                <td className="pr-4 text-right">{per(season.one_kg_m2)}</td>
                <td className="text-right">{per(season.other_kg_m2)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <button type="button" className="press text-[13px]" onClick={onRemove}>
        Delete this comparison
      </button>
    </article>
  );
}

const WIDE = 320;
const MOST = Math.log(4);

/** How many times as much the other side gave, on a scale from a quarter to four times. */
function Interval({ times, low, high }: { times: number; low: number; high: number }) {
  const at = (value: number) =>
    WIDE / 2 + (WIDE / 2) * Math.max(-1, Math.min(1, Math.log(value) / MOST));
  const said = [times, low, high].map((value) => value.toFixed(2));
  return (
    <svg
      width={WIDE}
      height="44"
      className="block max-w-full"
      role="img"
      aria-label={`${said[0]} times as much, between ${said[1]} and ${said[2]} times`}
    >
      <line x1={at(1)} x2={at(1)} y1="2" y2="26" stroke="var(--ink)" strokeDasharray="2 2" />
      <rect
        x={at(low)}
        width={Math.max(1, at(high) - at(low))}
        y="9"
        height="10"
        fill="var(--leaf-wash)"
        stroke="var(--leaf)"
      />
      <line x1={at(times)} x2={at(times)} y1="5" y2="23" stroke="var(--damson)" strokeWidth="3" />
      {[0.5, 1, 2].map((value) => (
        <text
          key={value}
          x={at(value)}
          y="40"
          textAnchor="middle"
          fontSize="12"
          fill="var(--muted)"
        >
          {value === 1 ? 'alike' : value < 1 ? 'half' : 'twice'}
        </text>
      ))}
    </svg>
  );
}
