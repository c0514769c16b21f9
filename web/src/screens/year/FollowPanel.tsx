import type { Edit, Follow, Following } from '../../api/types';
import { HOW_STARTED } from '../../shared/words';
import { useUnits } from '../../kit/preferences';
import { dayOf, shortWords } from '../../kit/day';
import type { Gap } from '../../drawing/lanes';
import { useFollow } from './useFollow';

interface Props {
  slug: string;
  version: number;
  gap: Gap;
  onTake: (edit: Edit) => void;
  onRest: (gap: Gap, until: string, reason: string) => void;
  onClose: () => void;
}

/** Crops for ground that stands free: each with its dates, what it gives and what is lacking. */
export function FollowPanel({ slug, version, gap, onTake, onRest, onClose }: Props) {
  const answer = useFollow(slug, version, gap);
  const follow = answer.data;
  return (
    <section aria-label="What can follow" className="scrolls min-h-0 flex-1 px-[14px] py-2">
      <header className="flex flex-wrap items-baseline gap-x-5">
        <h2 className="text-base">What can follow</h2>
        {follow && <p>{whereWords(follow)}</p>}
        <button type="button" className="press ml-auto" onClick={onClose}>
          Back to the jobs
        </button>
      </header>
      {answer.error && <p role="alert">{answer.error.message}</p>}
      {!follow && !answer.error && <p className="text-muted">Trying every crop …</p>}
      {follow && (
        <>
          {follow.entries.length === 0 && (
            <p className="text-muted">Nothing is ready to pick in that time.</p>
          )}
          <Offers follow={follow} onTake={onTake} />
          <RestForm gap={gap} until={follow.until} onRest={onRest} />
        </>
      )}
    </section>
  );
}

function whereWords(follow: Follow): string {
  const squares = follow.cells.length === 1 ? '1 square' : `${follow.cells.length} squares`;
  const from = `${follow.label}, ${squares} from ${shortWords(dayOf(follow.since))}`;
  const before = follow.before ? ` after ${follow.before}` : '';
  const until = follow.after
    ? `, ${follow.after} from ${shortWords(dayOf(follow.until))}`
    : ', nothing planned after';
  return `${from}${before}${until}`;
}

function Offers({ follow, onTake }: { follow: Follow; onTake: (edit: Edit) => void }) {
  const units = useUnits();
  if (follow.entries.length === 0) return null;
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-[13.5px]">
        <caption className="sr-only">Crops that can follow, best for the household first</caption>
        <thead className="text-left text-[13px] text-muted">
          <tr>
            <th scope="col">Crop</th>
            <th scope="col">Start</th>
            <th scope="col">Picked</th>
            <th scope="col" className="text-right">{`Harvest, ${units.weightUnit}`}</th>
            <th scope="col" className="pl-4 text-right">
              Still lacking
            </th>
            <th scope="col" className="pl-4">
              Weeks filled
            </th>
          </tr>
        </thead>
        <tbody>
          {follow.entries.map((entry) => (
            <Offer key={entry.crop} entry={entry} onTake={onTake} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Offer({ entry, onTake }: { entry: Following; onTake: (edit: Edit) => void }) {
  const units = useUnits();
  const { p10, p50, p90 } = entry.harvest_kg;
  const picked = [entry.first_pick, entry.clear_date].map((d) => (d ? shortWords(dayOf(d)) : ''));
  return (
    <tr className="border-t border-faint">
      <th scope="row" className="py-0.5 text-left font-normal">
        <button type="button" className="press" onClick={() => onTake(entry.edit)}>
          {`Plant ${entry.name}`}
        </button>
        {entry.caution && <span className="block text-marigold">{entry.caution}</span>}
      </th>
      <td>{`${HOW_STARTED[entry.start]} ${entry.plants} on ${shortWords(dayOf(entry.start_date))}${entry.up ? `, up the ${entry.up}` : ''}`}</td>
      <td>{picked.join(' to ')}</td>
      <td className="text-right whitespace-nowrap">
        {p50 > 0
          ? `${units.weight(p10)} – ${units.weight(p50)} – ${units.weight(p90)}`
          : 'for the soil'}
      </td>
      <td className="pl-4 text-right">
        {entry.lacking_kg === null ? '' : units.mass(entry.lacking_kg)}
      </td>
      <td className="pl-4">{Math.round(entry.fills_weeks)}</td>
    </tr>
  );
}

const FIRST_REASON = 'a rest';

function RestForm({ gap, until, onRest }: Pick<Props, 'gap' | 'onRest'> & { until: string }) {
  return (
    <form
      className="flex flex-wrap items-baseline gap-3 pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        const typed = new FormData(event.currentTarget).get('reason');
        const reason = (typeof typed === 'string' && typed.trim()) || FIRST_REASON;
        onRest(gap, until, reason);
      }}
    >
      <label className="flex items-baseline gap-2">
        Or leave it free for
        <input name="reason" defaultValue={FIRST_REASON} maxLength={60} className="w-48" />
      </label>
      <button type="submit" className="press">
        Leave it free on purpose
      </button>
    </form>
  );
}
