import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Hours, Household as Kept } from '../../api/types';
import { Field } from '../../kit/Field';
import { NumberField, useTyped } from '../../kit/form';
import { textOf } from '../../kit/reader';
import type { TimeScale } from '../../drawing/scale';
import { dayOf, isoOf, shortWords, today } from '../../kit/day';
import type { Day } from '../../kit/day';
import { HoursStrip } from './HoursStrip';

const DAYS = [
  'monday',
  'tuesday',
  'wednesday',
  'thursday',
  'friday',
  'saturday',
  'sunday',
] as const;
const WEEK_HOURS = 168;

interface Props {
  state: HeldGarden;
  scale: TimeScale;
  width: number;
  day: Day;
}

/** The household's hours against the year's jobs, and who is away when. */
export function Household({ state, scale, width, day }: Props) {
  const { slug, version } = state.head;
  const answer = useQuery<Hours, ProblemError>({
    queryKey: ['hours', slug, version],
    queryFn: ({ signal }) =>
      answeredAs(api.GET('/api/gardens/{slug}/hours', { params: { path: { slug } }, signal })),
  });
  const hours = answer.data;
  return (
    <section aria-label="The household" className="border-t border-rule">
      <header className="flex flex-wrap items-baseline gap-x-5 px-[14px] pt-2">
        <h2 className="text-base">Work and time</h2>
        {hours && (
          <p>
            {`${Math.round(hours.year_hours)} hours in the year; ${hours.words}.`}
            {hours.over > 0 && (
              <span className="text-marigold">{` In ${hours.over} ${hours.over === 1 ? 'week' : 'weeks'} there is more to do than time.`}</span>
            )}
          </p>
        )}
      </header>
      {answer.error && <p role="alert">{answer.error.message}</p>}
      {hours && <HoursStrip hours={hours} scale={scale} width={width} day={day} />}
      <div className="grid gap-x-8 px-[14px] lg:grid-cols-2">
        <HouseholdForm key={keptOf(state)} state={state} />
        {hours && hours.cannot_wait.length > 0 && (
          <section aria-label="What cannot wait">
            <h3 className="text-base">What cannot wait while nobody is there</h3>
            <ul>
              {hours.cannot_wait.map(({ job, words }) => (
                <li key={job.key} className="border-b border-faint">
                  <strong className="text-damson">{job.verb}</strong>
                  {` ${job.place_label} ${job.where}, ${shortWords(dayOf(job.on))}: ${job.about}. `}
                  <span className="text-muted">{words}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </section>
  );
}

/** What the form keeps: another change to the garden leaves alone what is being typed in it. */
function keptOf(state: HeldGarden): string {
  const { people, hours_per_week, visits, away } = state.plan.garden.household ?? {};
  return JSON.stringify([people, hours_per_week, visits, away]);
}

function HouseholdForm({ state }: { state: HeldGarden }) {
  const editor = useEditor(state.head.slug);
  const household = state.plan.garden.household;
  const [visits, setVisits] = useState<readonly string[]>(household?.visits ?? []);
  const [away, setAway] = useState(household?.away ?? []);
  const form = useTyped(
    { people: textOf(household?.people), hours: textOf(household?.hours_per_week) },
    (read) => ({
      people: read.number('people', 0, 50),
      hours_per_week: read.number('hours', 0.1, WEEK_HOURS),
    }),
  );
  const save = (figures: Partial<Kept>) => {
    const said = Object.entries({
      ...household,
      ...figures,
      visits: DAYS.filter((name) => visits.includes(name)),
      away,
    }).filter(([, value]) => value !== null && !(Array.isArray(value) && value.length === 0));
    return editor.edit({ do: 'change-garden', changes: { household: Object.fromEntries(said) } });
  };
  return (
    <form className="space-y-1.5 pb-2" onSubmit={form.sent(save)}>
      <div className="grid grid-cols-2 gap-x-4">
        <NumberField
          form={form}
          name="people"
          label="People at table"
          hint="A small one is half."
        />
        <NumberField form={form} name="hours" label="Hours per week for the garden" />
      </div>
      <fieldset className="flex flex-wrap gap-x-4">
        <legend className="text-[12.5px] text-muted">
          Days someone is there (none chosen: every day)
        </legend>
        {DAYS.map((name) => (
          <label key={name} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="min-h-0"
              checked={visits.includes(name)}
              onChange={(event) =>
                setVisits(
                  event.target.checked ? [...visits, name] : visits.filter((d) => d !== name),
                )
              }
            />
            {name.charAt(0).toUpperCase() + name.slice(1, 3)}
          </label>
        ))}
      </fieldset>
      <AwayList away={away} onChange={setAway} start={dayOf(state.report.year.start)} />
      <p>
        <button type="submit" className="act act-main">
          Save the household
        </button>
      </p>
    </form>
  );
}

function AwayList({
  away,
  onChange,
  start,
}: {
  away: Kept['away'];
  onChange: (away: Kept['away']) => void;
  start: Day;
}) {
  const set = (index: number, change: Partial<Kept['away'][number]>) =>
    onChange(away.map((one, i) => (i === index ? { ...one, ...change } : one)));
  return (
    <div className="space-y-1">
      {away.map((one, index) => (
        <div key={index} className="flex flex-wrap items-end gap-3">
          <Field label="Away from">
            <input
              type="date"
              value={one.since}
              onChange={(e) => e.target.value && set(index, { since: e.target.value })}
            />
          </Field>
          <Field
            label="back on"
            fault={one.until <= one.since ? 'Enter a day after leaving.' : undefined}
          >
            <input
              type="date"
              value={one.until}
              onChange={(e) => e.target.value && set(index, { until: e.target.value })}
            />
          </Field>
          <button
            type="button"
            className="press"
            onClick={() => onChange(away.filter((_, i) => i !== index))}
          >
            Not away
          </button>
        </div>
      ))}
      <button
        type="button"
        className="press"
        onClick={() => {
          const from = Math.max(start, today()) + 7;
          onChange([...away, { since: isoOf(from), until: isoOf(from + 14) }]);
        }}
      >
        Add days away
      </button>
    </div>
  );
}
