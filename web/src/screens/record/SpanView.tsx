import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { SpanSheet, WeekLine } from '../../api/types';
import { dayOf, isoOf, shortWords, words } from '../../kit/day';
import { DateField } from '../../kit/DateField';
import { useUnits } from '../../kit/preferences';
import { and } from '../../kit/text';
import type { Units } from '../../kit/units';
import { useDay } from '../../shared/DayContext';
import { Groups } from './Groups';
import { calendarYear, spanOf, twelveMonthsTo } from './span';
import type { Span } from './span';

/** Any stretch of days told whole: a calendar year, twelve months from a bed's making, a month. */
export function SpanView({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const { day, start, end } = useDay();
  const [asked, ask] = useSearchParams();
  const units = useUnits();
  const span: Span = {
    since: asked.get('since') ?? isoOf(start),
    until: asked.get('until') ?? isoOf(end - 1),
  };
  const answer = useQuery<SpanSheet, ProblemError>({
    queryKey: ['record', slug, 'span', version, span],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/span', { params: { path: { slug }, query: span }, signal }),
      ),
  });
  const to = (next: Partial<Span>) => ask({ view: 'seasons', ...span, ...next }, { replace: true });
  const sheet = answer.data;
  const why = answer.error?.problem?.errors.map((fault) => fault.text).join('; ');
  return (
    <article aria-label="Any days" className="season-sheet px-[14px] pb-4">
      <p className="no-print flex flex-wrap gap-x-5">
        <Link className="press" to="?view=seasons">
          All seasons
        </Link>
        <Link className="press" to={spanOf(calendarYear(day))}>
          {`The year ${isoOf(day).slice(0, 4)}`}
        </Link>
        <Link className="press" to={spanOf(twelveMonthsTo(day))}>
          {`Twelve months to ${shortWords(day)}`}
        </Link>
        <Link className="press" to={spanOf({ since: isoOf(start), until: isoOf(end - 1) })}>
          This season
        </Link>
        <button type="button" className="press" onClick={() => window.print()}>
          Print
        </button>
      </p>
      <div className="no-print grid max-w-md grid-cols-2 gap-x-4">
        <DateField label="From" value={span.since} onCommit={(since) => since && to({ since })} />
        <DateField label="To" value={span.until} onCommit={(until) => until && to({ until })} />
      </div>
      {answer.error && <p role="alert">{why ? `The last day ${why}.` : answer.error.message}</p>}
      {sheet && !answer.error && (
        <Sheet sheet={sheet} garden={state.plan.garden.name} units={units} />
      )}
    </article>
  );
}

function Sheet({ sheet, garden, units }: { sheet: SpanSheet; garden: string; units: Units }) {
  const days = `${words(dayOf(sheet.since))} ${sheet.since.slice(0, 4)} to ${words(dayOf(sheet.until))} ${sheet.until.slice(0, 4)}`;
  return (
    <>
      <h2 className="mt-2 text-lg">{`${garden}, ${days}`}</h2>
      <p>{headline(sheet, units)}</p>
      <Weeks weeks={sheet.weeks} units={units} />
      <Groups title="By place" lines={sheet.places} units={units} ground />
      <Groups title="By crop" lines={sheet.crops} units={units} />
      {sheet.kinds.length > sheet.crops.length && (
        <Groups title="By kind" lines={sheet.kinds} units={units} />
      )}
    </>
  );
}

function headline(sheet: SpanSheet, units: Units): string {
  if (sheet.seasons.length === 0) return 'No season of this garden lies in these days.';
  const { p10, p90 } = sheet.estimated_kg;
  const seasons = sheet.seasons.length === 1 ? 'season' : 'seasons';
  const parts = [
    `${units.mass(sheet.picked_kg)} picked at ${sheet.pickings} ${sheet.pickings === 1 ? 'picking' : 'pickings'}`,
    `${units.weight(p10)}–${units.weight(p90)} ${units.weightUnit} estimated by the plans of ${seasons} ${and(sheet.seasons)}`,
    sheet.worth === null ? null : `worth ${sheet.worth.toFixed(2)} at the shop`,
    sheet.hours > 0 ? `${sheet.hours.toFixed(1)} hours entered` : null,
    sheet.kg_per_hour === null ? null : `${units.mass(sheet.kg_per_hour)} an hour`,
  ];
  return `${parts.filter(Boolean).join('; ')}.`;
}

const BAR = 9;
const HIGH = 90;
const LEAST_MONTH = 26;

/** Week by week: bars of what was picked, and a line of what was estimated. */
function Weeks({ weeks, units }: { weeks: readonly WeekLine[]; units: Units }) {
  const most = Math.max(...weeks.map((week) => Math.max(week.estimated_kg, week.picked_kg)), 0);
  if (most === 0) return null;
  const first = dayOf(weeks[0]?.week ?? '');
  const x = (week: WeekLine) => ((dayOf(week.week) - first) / 7) * BAR;
  const y = (kg: number) => HIGH - (kg / most) * HIGH;
  const last = weeks.at(-1);
  const wide = (last ? x(last) : 0) + BAR;
  const line = weeks.map((week) => `${x(week) + BAR / 2},${y(week.estimated_kg)}`).join(' ');
  const begins = weeks.filter((week, at) => at === 0 || monthOf(week) !== monthOf(weeks[at - 1]));
  // A month of few weeks leaves its room to the next.
  const months = begins.filter((week, at) => {
    const next = begins[at + 1];
    return !next || x(next) - x(week) >= LEAST_MONTH;
  });
  return (
    <figure className="mt-3 max-w-full overflow-x-auto">
      <svg
        width={wide + 4}
        height={HIGH + 22}
        role="img"
        aria-label={`Picked week by week, at most ${units.mass(most)}`}
      >
        {weeks.map((week) => (
          <rect
            key={week.week}
            x={x(week) + 1}
            width={BAR - 2}
            y={y(week.picked_kg)}
            height={HIGH - y(week.picked_kg)}
            fill="var(--leaf)"
          >
            <title>{`Week of ${shortWords(dayOf(week.week))}: ${units.mass(week.picked_kg)} of ${units.mass(week.estimated_kg)}`}</title>
          </rect>
        ))}
        <polyline points={line} fill="none" stroke="var(--damson)" strokeWidth={1.5} />
        <line x1={0} x2={wide} y1={HIGH} y2={HIGH} stroke="var(--rule)" />
        {months.map((week) => (
          <text key={week.week} x={x(week)} y={HIGH + 15} fontSize={11.5} fill="var(--muted)">
            {monthOf(week)}
          </text>
        ))}
      </svg>
      <figcaption className="text-[13px] text-muted">
        Bars are what was picked each week; the line is what was estimated.
      </figcaption>
    </figure>
  );
}

const monthOf = (week: WeekLine | undefined) =>
  week ? shortWords(dayOf(week.week)).replace(/[\d ]/g, '') : '';
