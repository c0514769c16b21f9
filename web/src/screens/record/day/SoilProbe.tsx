import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';

import { answeredAs, api } from '../../../api/client';
import type { ProblemError } from '../../../api/client';
import type { HeldGarden } from '../../../api/merge';
import type { Ahead, Entry } from '../../../api/types';
import { Choice } from '../../../kit/Choice';
import { isoOf } from '../../../kit/day';
import type { Day } from '../../../kit/day';
import { useUnits } from '../../../kit/preferences';
import { useDay } from '../../../shared/DayContext';
import { freshId, useDayBook } from '../useRecord';
import { useDevice } from './useDevice';

/** How warm the plan reckons the soil of each place to be. */
function useReckoned(slug: string, version: number, day: Day) {
  return useQuery<Ahead, ProblemError>({
    queryKey: ['record', slug, 'soil', version, day],
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/ahead', {
          params: { path: { slug }, query: { day: isoOf(day) } },
          signal,
        }),
      ),
  });
}

/** The soil measured a finger deep at one place: kept once the probe stands still. */
export function SoilProbe({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const { day } = useDay();
  const units = useUnits();
  const book = useDayBook(slug);
  const [place, setPlace] = useState(state.plan.places[0]?.id ?? '');
  const [kept, setKept] = useState<Entry>();
  const reckoned = useReckoned(slug, version, day).data?.soil.find((s) => s.place === place);
  const keep = book.keep;
  const take = useCallback(
    (celsius: number) => {
      const text = `soil ${units.temperature(celsius)}, a finger deep`;
      const entry = { id: freshId(), day: isoOf(day), kind: 'seen', place, text } as Entry;
      void keep(entry, true).then((done) => done.is === 'done' && setKept(entry));
    },
    [day, place, keep, units],
  );
  const { read, standIn } = useDevice('thermometer', take);
  const warmth = reckoned?.degrees_c;
  useEffect(() => {
    // No probe is connected: the stand-in is put into the soil that the plan reckons.
    if (warmth !== undefined) void standIn({ value: warmth });
  }, [place, warmth, standIn]);
  return (
    <section
      aria-label="The soil thermometer"
      className="flex flex-wrap items-end gap-x-5 gap-y-1 border-b border-rule pb-2"
    >
      <Choice
        label="In the soil of"
        value={place}
        options={state.plan.places.map((p) => [p.id, p.name ?? p.id])}
        onChange={setPlace}
      />
      {read.error ? (
        <p role="alert">{read.error.message}</p>
      ) : (
        <p>
          <output className="text-2xl font-semibold tabular-nums">
            {read.data ? units.temperature(read.data.value) : '–'}
          </output>
          <span className="pl-3 text-muted">
            {read.data?.steady ? 'stands still' : 'settling, leave it in'}
          </span>
        </p>
      )}
      <p className="text-muted">
        {warmth === undefined ? '' : `The plan reckons ${units.temperature(warmth)}. `}
        This thermometer is made up.
      </p>
      {kept && <p role="status">{`Kept: ${kept.text ?? ''}.`}</p>}
    </section>
  );
}
