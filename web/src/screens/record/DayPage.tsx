import { useState } from 'react';
import { Link } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import type { Entry } from '../../api/types';
import { isoOf, words } from '../../kit/day';
import { useUnits } from '../../kit/preferences';
import { capital } from '../../kit/text';
import { useDay } from '../../shared/DayContext';
import { ChangeEntry } from './ChangeEntry';
import { WeatherLine } from './day/WeatherLine';
import { EntryLine } from './EntryLine';
import { Tags } from './find/Tags';
import { amount, inWords, told } from './telling';
import { useDayBook, useDayPage, useEntriesOfJobs } from './useRecord';

/** A day as a page of the book: what was done and picked at which bed, and the line to add to it. */
export function DayPage({ state }: { state: HeldGarden }) {
  const { slug } = state.head;
  const { day } = useDay();
  const page = useDayPage(slug, day);
  const jobs = useEntriesOfJobs(slug, state.head.version);
  const done = jobs.data?.filter((entry) => entry.day === isoOf(day)) ?? [];
  const book = useDayBook(slug);
  const [gone, setGone] = useState<Entry>();
  // One form may be saved still while the next is opened: each time it is another.
  const [changing, setChanging] = useState<{ entry: Entry; time: number }>();
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
                  onChange={() =>
                    setChanging((before) => ({ entry, time: (before?.time ?? 0) + 1 }))
                  }
                  onRemove={() => void book.remove(entry.id).then((done) => done && setGone(entry))}
                />
              ))}
            </tbody>
          </table>
        )}
        {changing && (
          <ChangeEntry
            key={`${changing.entry.id} ${changing.time}`}
            slug={slug}
            entry={changing.entry}
            onDone={() => setChanging((now) => (now?.time === changing.time ? undefined : now))}
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
      <td className="pr-3 text-muted">
        {inWords(entry)} <Tags tags={entry.tags ?? []} />
      </td>
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
