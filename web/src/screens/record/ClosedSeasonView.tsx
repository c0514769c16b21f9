import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';

import { attempt } from '../../api/attempt';
import { answeredAs, api } from '../../api/client';
import { gardensKey } from '../../api/garden';
import type { ProblemError } from '../../api/client';
import type { ClosedSeason, GardenState, PlaceReport, PlantingReport } from '../../api/types';
import { IDLE } from '../../drawing/gesture';
import { PlanView } from '../../drawing/PlanView';
import { fitGround } from '../../drawing/scale';
import { Wedges } from '../../drawing/Wedges';
import { Choice } from '../../kit/Choice';
import { dayOf, words } from '../../kit/day';
import { useMessages } from '../../kit/messages';
import { useExtent } from '../../kit/useExtent';
import { timeScale } from '../../shared/SeasonRuler';

/** A closed season as it was, bed by bed and day by day: to be looked at, not changed. */
export function ClosedSeasonView({ slug, season }: { slug: string; season: string }) {
  const answer = useQuery<ClosedSeason, ProblemError>({
    queryKey: ['record', slug, 'closed', season],
    // It never changes.
    staleTime: Infinity,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/seasons/{season}', {
          params: { path: { slug, season } },
          signal,
        }),
      ),
  });
  if (answer.error) return <p role="alert">{answer.error.message}</p>;
  if (!answer.data) return null;
  return (
    <article aria-label={`Season ${season}, drawn`} className="px-[14px] pb-4">
      <p className="flex flex-wrap gap-x-5">
        <Link className="press" to={`?view=seasons&season=${season}`}>
          {`Season ${season} in figures`}
        </Link>
        <NewGarden closed={answer.data} />
      </p>
      <h2 className="text-lg">{`Season ${season}, as it was planned`}</h2>
      <Drawn closed={answer.data} />
    </article>
  );
}

/** A garden of its own that begins with a season's plan. */
function NewGarden({ closed }: { closed: ClosedSeason }) {
  const { say } = useMessages();
  const client = useQueryClient();
  const navigate = useNavigate();
  const begin = async () => {
    const name = `${closed.plan.garden.name}, from ${closed.id}`;
    const body = { ...closed.plan, garden: { ...closed.plan.garden, name } };
    const made = await attempt(() => answeredAs<GardenState>(api.POST('/api/gardens', { body })));
    if (made.is === 'refused') say({ kind: 'stop', text: made.why.message });
    if (made.is !== 'done') return;
    await client.invalidateQueries({ queryKey: gardensKey });
    void navigate(`/gardens/${made.value.head.slug}/ground`);
  };
  return (
    <button type="button" className="press" onClick={() => void begin()}>
      Begin another garden from its plan
    </button>
  );
}

function Drawn({ closed: { plan, report } }: { closed: ClosedSeason }) {
  const [start, end] = [dayOf(report.year.start), dayOf(report.year.end) + 1];
  const [at, setAt] = useState(report.places[0]?.id ?? '');
  const [day, setDay] = useState(Math.round((start + end) / 2));
  const place = report.places.find((each) => each.id === at);
  const plantings = useMemo(
    () => report.plantings.filter((each) => each.place === at),
    [report, at],
  );
  if (!place) return <p className="text-muted">This season had no place.</p>;
  return (
    <>
      <div className="grid max-w-xl grid-cols-2 items-end gap-x-5">
        <Choice
          label="Place"
          value={at}
          options={plan.places.map((each) => [each.id, each.name ?? each.id] as const)}
          onChange={setAt}
        />
        <label className="text-[12.5px] text-muted">
          {words(day)}
          <input
            type="range"
            className="block w-full accent-damson"
            aria-valuetext={words(day)}
            min={start}
            max={end - 1}
            value={day}
            onChange={(event) => setDay(Number(event.target.value))}
          />
        </label>
      </div>
      <FromAbove place={place} plantings={plantings} closed={{ report }} day={day} />
      <Through place={place} plantings={plantings} start={start} end={end} day={day} />
    </>
  );
}

interface PlaceProps {
  place: PlaceReport;
  plantings: readonly PlantingReport[];
  day: number;
}

const HIGH = 300;
const MARGIN = 34;

function FromAbove({
  place,
  plantings,
  closed,
  day,
}: PlaceProps & { closed: Pick<ClosedSeason, 'report'> }) {
  const [ref, { width }] = useExtent<HTMLDivElement>();
  const scale = fitGround(
    [place.bounds_cm[0], place.bounds_cm[1], place.bounds_cm[2], place.bounds_cm[3]],
    { width: Math.max(1, width - 3 * MARGIN), height: HIGH - 2 * MARGIN },
    MARGIN,
    MARGIN,
  );
  const across = place.bounds_cm[2] - place.bounds_cm[0];
  return (
    <div ref={ref} className="mt-2">
      <svg
        className="bed block w-full"
        height={across * scale.pxPerCm + 2 * MARGIN}
        role="img"
        aria-label={`On ${words(day)}`}
      >
        {width > 0 && (
          <PlanView
            place={place}
            plantings={plantings}
            year={closed.report.year}
            day={day}
            scale={scale}
            chosen={NONE}
            cursor={null}
            selected={null}
          />
        )}
      </svg>
    </div>
  );
}

const NONE: readonly string[] = [];
const LANE = 26;
const nothing = () => undefined;

/** Its plantings through the year. */
function Through({
  place,
  plantings,
  start,
  end,
  day,
}: PlaceProps & { start: number; end: number }) {
  const [ref, { width }] = useExtent<HTMLDivElement>();
  const scale = useMemo(() => timeScale(start, end, width), [start, end, width]);
  const height = Math.max(60, plantings.length * LANE);
  return (
    <div ref={ref} className="mt-2 border-t border-rule">
      <svg
        className="pointer-events-none block w-full"
        height={height}
        role="group"
        aria-label="Plantings through the year"
      >
        {width > 0 && (
          <Wedges
            place={place}
            plantings={plantings}
            scale={scale}
            height={height}
            day={day}
            selected={null}
            gesture={IDLE}
            send={nothing}
            onRelease={nothing}
            onSelect={nothing}
            onGap={nothing}
          />
        )}
      </svg>
    </div>
  );
}
