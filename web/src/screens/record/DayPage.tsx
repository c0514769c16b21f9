import { useState } from 'react';
import { Link } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import type { Entry } from '../../api/types';
import { isoOf, words } from '../../kit/day';
import { useUnits } from '../../kit/preferences';
import type { Units } from '../../kit/units';
import { capital } from '../../kit/text';
import { useDay } from '../../shared/DayContext';
import { ChangeEntry } from './ChangeEntry';
import { WeatherLine } from './day/WeatherLine';
import { EntryLine } from './EntryLine';
import { useDayBook, useDayPage, useEntriesOfJobs } from './useRecord';

const DONE: Record<Entry['kind'], string> = {
  sown: 'sown',
  up: 'came up',
  thinned: 'thinned',
  'set-out': 'set out',
  tied: 'tied',
  fed: 'fed',
  watered: 'watered',
  seen: 'seen',
  picked: 'picked',
  cleared: 'cleared',
  soil: 'soil added',
  note: 'note',
  verdict: 'verdict',
};

/** A day as a page of the book: what was done and picked at which bed, and the line to add to it. */
export function DayPage({ state }: { state: HeldGarden }) {
  const { slug } = state.head;
  const { day } = useDay();
  const page = useDayPage(slug, day);
  const jobs = useEntriesOfJobs(slug, state.head.version);
  const done = jobs.data?.filter((entry) => entry.day === isoOf(day)) ?? [];
  const book = useDayBook(slug);
  const [gone, setGone] = useState<Entry>();
  const [changing, setChanging] = useState<Entry>();
  const weekday = new Date(day * 86_400_000).toLocaleDateString('en', {
    weekday: 'long',
    timeZone: 'UTC',
  });
  return (
    <section
      aria-label="The day"
      className="flex min-h-0 flex-col border-t border-rule bg-paper px-[14px] pb-3 pt-2"
    >
      <h2 className="text-lg">{`${weekday} ${words(day)}`}</h2>
      <div className="min-h-0 overflow-y-auto">
        <WeatherLine state={state} />
        {page.error && <p role="alert">{page.error.message}</p>}
        {page.data?.length === 0 && done.length === 0 && (
          <p className="text-muted">Nothing entered for this day.</p>
        )}
        {page.data && page.data.length + done.length > 0 && (
          <table className="w-full max-w-4xl text-[14px]">
            <caption className="sr-only">What was done and picked</caption>
            <tbody>
              {done.map((entry) => (
                <Row key={entry.id} state={state} entry={entry} />
              ))}
              {[...page.data].reverse().map((entry) => (
                <Row
                  key={entry.id}
                  state={state}
                  entry={entry}
                  onChange={() => setChanging(entry)}
                  onRemove={() => void book.remove(entry.id).then((done) => done && setGone(entry))}
                />
              ))}
            </tbody>
          </table>
        )}
        {changing && (
          <ChangeEntry
            key={changing.id}
            slug={slug}
            entry={changing}
            onDone={() => setChanging(undefined)}
          />
        )}
        {gone && (
          <p className="text-[13px] text-muted">
            {`Deleted: ${told(state, gone)}. `}
            <button
              type="button"
              className="press"
              onClick={() => void book.putBack(gone.id).then(() => setGone(undefined))}
            >
              Put it back
            </button>
          </p>
        )}
      </div>
      {!changing && <EntryLine state={state} />}
    </section>
  );
}

interface RowProps {
  state: HeldGarden;
  entry: Entry;
  /** What a job makes is changed with the job. */
  onChange?: () => void;
  onRemove?: () => void;
}

function Row({ state, entry, onChange, onRemove }: RowProps) {
  const units = useUnits();
  const place = state.plan.places.find((p) => p.id === entry.place);
  return (
    <tr className="align-baseline">
      <td className="w-36 pr-4 text-muted">{place ? (place.name ?? place.id) : 'the garden'}</td>
      <td className="w-64 pr-4">{capital(told(state, entry))}</td>
      <td className="w-24 whitespace-nowrap pr-4 text-right font-semibold tabular-nums">
        {amount(entry, units)}
      </td>
      <td className="pr-3 text-muted">{entry.text}</td>
      <td className="text-right whitespace-nowrap">
        {onChange && (
          <button
            type="button"
            className="press mr-4"
            aria-label={`Change: ${told(state, entry)}`}
            onClick={onChange}
          >
            Change
          </button>
        )}
        {onRemove ? (
          <button
            type="button"
            className="press"
            aria-label={`Delete: ${told(state, entry)}`}
            onClick={onRemove}
          >
            Delete
          </button>
        ) : (
          <Link className="press" to={`/gardens/${state.head.slug}/year`}>
            from its job
          </Link>
        )}
      </td>
    </tr>
  );
}

function told(state: HeldGarden, entry: Entry): string {
  const of = state.report.plantings.find((planting) => planting.id === entry.planting);
  return [DONE[entry.kind], of?.name].filter(Boolean).join(' ');
}

function amount(entry: Entry, units: Units): string {
  const parts = [
    entry.kg === null || entry.kg === undefined ? null : weighed(entry.kg, units),
    entry.pieces ? `${entry.pieces} ${entry.pieces === 1 ? 'piece' : 'pieces'}` : null,
    entry.count ? `${entry.count}` : null,
    entry.minutes ? `${entry.minutes} min` : null,
  ];
  return parts.filter(Boolean).join(', ');
}

/** A weight as it was on the scale, not rounded like an estimate. */
function weighed(kg: number, units: Units): string {
  if (units.system === 'metric')
    return kg < 1 ? `${Math.round(kg * 1000)} g` : `${Number(kg.toFixed(3))} kg`;
  const ounces = Math.round(kg * 35.273_962 * 10) / 10;
  const [pounds, rest] = [Math.floor(ounces / 16), Math.round((ounces % 16) * 10) / 10];
  return [pounds > 0 ? `${pounds} lb` : '', rest > 0 || pounds === 0 ? `${rest} oz` : '']
    .filter(Boolean)
    .join(' ');
}
