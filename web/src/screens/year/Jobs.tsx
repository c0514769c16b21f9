import { Link } from 'react-router';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Behind, Edit, Job } from '../../api/types';
import { capital } from '../../kit/text';
import { dayOf, isoOf, shortWords } from '../../kit/day';
import type { Day } from '../../kit/day';
import { weighingAt } from '../../shared/weighing';
import { together, whereOf } from './alike';
import type { Alike } from './alike';
import { DaysAhead } from './DaysAhead';
import { OwnJobs } from './OwnJobs';
import { PartDone } from './PartDone';
import { TakeAlong } from './TakeAlong';
import { useJobs } from './useJobs';

/** What this week and the next ask for, and what is behind the plan. */
export function Jobs({ state, day }: { state: HeldGarden; day: Day }) {
  const { slug, version } = state.head;
  const editor = useEditor(slug);
  const answer = useJobs(slug, version, isoOf(mondayOf(day)));
  const edit = (change: Edit) => void editor.edit(change);
  if (answer.error) return <p role="alert">{answer.error.message}</p>;
  if (!answer.data) return <p className="px-[14px] text-muted">Loading jobs …</p>;
  const { monday, this_week: now, next_week: following, behind, closed } = answer.data;
  const first = dayOf(monday);
  const groups = new Map(state.plan.places.map((place) => [place.id, place.group]));
  const groupOf = (place: string) => groups.get(place);
  const weighed = (job: Job) => (job.job === 'pick' ? weighingAt(state, job.planting) : null);
  const span = (from: Day) => `${shortWords(from)} to ${shortWords(from + 6)}`;
  return (
    <div className="jobs isolate grid grid-cols-1 scrolls min-h-0 flex-1 gap-x-8 px-[14px] py-2 md:grid-cols-2">
      <DaysAhead state={state} day={day} />
      <section aria-label="This week">
        <h2 className="text-base">
          {`This week, ${span(first)} `}
          <span className="font-sans text-[13px] font-normal text-muted">{`${closed} of ${now.length} done; marked for ${shortWords(day)}`}</span>
        </h2>
        <List jobs={now} {...{ groupOf, weighed, day }} onEdit={edit} />
      </section>
      <div>
        {behind.length > 0 && (
          <section aria-label="Behind the plan">
            <h2 className="text-base">
              {'Behind the plan '}
              <span className="font-sans text-[13px] font-normal text-muted">{behind.length}</span>
            </h2>
            <ul>
              {behind.map((late) => (
                <Late key={late.job.key} late={late} day={day} onEdit={edit} />
              ))}
            </ul>
          </section>
        )}
        <section aria-label="Next week">
          <h2 className="text-base">
            {`Next week, ${span(first + 7)} `}
            <span className="font-sans text-[13px] font-normal text-muted">{following.length}</span>
          </h2>
          <List jobs={following} {...{ groupOf, weighed, day }} onEdit={edit} />
        </section>
      </div>
      <OwnJobs state={state} day={day} />
      <TakeAlong slug={slug} />
    </div>
  );
}

/** Days count from a Thursday: the first of January 1970. */
function mondayOf(day: Day): Day {
  return day - ((day + 3) % 7);
}

interface ListProps {
  jobs: readonly Job[];
  groupOf: (place: string) => string | null | undefined;
  weighed: (job: Job) => string | null;
  day: Day;
  onEdit: (edit: Edit) => void;
}

function List({ jobs, groupOf, weighed, day, onEdit }: ListProps) {
  if (jobs.length === 0) return <p className="text-muted">Nothing to do.</p>;
  return (
    <ul>
      {together(jobs, groupOf).map((alike) => (
        <Line
          key={alike[0].key}
          alike={alike}
          weighAt={alike.length === 1 ? weighed(alike[0]) : null}
          day={day}
          onEdit={onEdit}
        />
      ))}
    </ul>
  );
}

const STATE = {
  open: '',
  done: 'done',
  part: 'done in part',
  'put-off': 'put off',
  'left-out': 'left out',
};

interface LineProps {
  alike: Alike;
  weighAt: string | null;
  day: Day;
  onEdit: (edit: Edit) => void;
}

function Line({ alike, weighAt, day, onEdit }: LineProps) {
  const [job] = alike;
  const closed = job.state === 'done' || job.state === 'left-out';
  const mark = (state: Mark['state'], on: Day) => {
    const edits = alike.map((one) => markEdit(one, state, on));
    const [only] = edits;
    onEdit(edits.length === 1 && only ? only : { do: 'together', edits });
  };
  const words = [
    job.why,
    job.sign && `Wait for: ${job.sign}`,
    job.first.length > 0 && `After: ${job.first.join(', ')}`,
    job.latest && `At the latest ${shortWords(dayOf(job.latest))}`,
  ].filter(Boolean);
  return (
    <li className="job border-b border-faint py-0.5">
      <span className="font-semibold text-damson">{job.verb}</span>
      <span className={`about ${closed ? 'text-muted line-through' : ''}`}>
        {`${whereOf(alike)}: ${job.about}`}
      </span>
      <span className="marks no-print flex items-baseline gap-3 whitespace-nowrap">
        {job.state !== 'open' && (
          <span className="text-[13px] text-muted">
            {`${job.state === 'part' ? partWords(job) : STATE[job.state]}${job.marked_on ? ` ${shortWords(dayOf(job.marked_on))}` : ''}`}
          </span>
        )}
        {closed ? (
          <button type="button" className="press" onClick={() => mark('open', day)}>
            Open again
          </button>
        ) : (
          <>
            {weighAt && (
              <Link className="press" to={weighAt} aria-label={`Weigh: ${job.about}`}>
                Weigh
              </Link>
            )}
            <button
              type="button"
              className="press"
              aria-label={`Done: ${job.verb}, ${job.about}`}
              onClick={() => mark('done', day)}
            >
              Done
            </button>
            {alike.length === 1 && job.cells.length > 1 && (
              <PartDone job={job} onPart={(cells) => onEdit(markEdit(job, 'part', day, cells))} />
            )}
            <button
              type="button"
              className="press"
              aria-label={`Later: ${job.verb}, ${job.about}`}
              onClick={() => mark('put-off', dayOf(job.on) + 7)}
            >
              Later
            </button>
            <button
              type="button"
              className="press"
              aria-label={`Skip: ${job.verb}, ${job.about}`}
              onClick={() => mark('left-out', day)}
            >
              Skip
            </button>
          </>
        )}
      </span>
      <span className="why text-[13px] text-muted">
        {capital(`${words.join('. ')}.`)}
        {job.cautions.map((caution) => (
          <span key={caution} className="block">
            <strong className="text-marigold">Care </strong>
            {caution}
          </span>
        ))}
      </span>
    </li>
  );
}

function Late({ late, day, onEdit }: { late: Behind; day: Day; onEdit: (edit: Edit) => void }) {
  const { job } = late;
  return (
    <li className="border-b border-faint py-0.5">
      <strong className="text-damson">{job.verb}</strong>
      {` ${whereOf([job])}: ${job.about} `}
      <span className="text-marigold">{late.words}</span>{' '}
      <button type="button" className="press" onClick={() => onEdit(late.edit)}>
        Do it now
      </button>{' '}
      <button
        type="button"
        className="press"
        onClick={() => onEdit(markEdit(job, 'done', dayOf(job.on)))}
      >
        It was done
      </button>{' '}
      <button
        type="button"
        className="press"
        onClick={() => onEdit(markEdit(job, 'left-out', day))}
      >
        Skip
      </button>
    </li>
  );
}

/** How far a job has come, and where to go on. */
function partWords(job: Job): string {
  const next = job.cells.find((cell) => !job.done_cells.includes(cell));
  return `${job.done_cells.length} of ${job.cells.length} squares done, on at ${next ?? 'the end'},`;
}

type Mark = Extract<Edit, { do: 'mark-job' }>['mark'];

function markEdit(job: Job, state: Mark['state'], on: Day, cells: readonly string[] = []): Edit {
  const mark: Mark = {
    job: job.job,
    nth: job.nth,
    state,
    on: isoOf(on),
    cells: [...cells],
    ...(job.place ? { place: job.place } : {}),
    ...(job.planting ? { planting: job.planting } : {}),
  };
  return { do: 'mark-job', mark, planned: job.on };
}
