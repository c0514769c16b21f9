import { useState } from 'react';

import { useEditor } from '../../../api/garden';
import type { HeldGarden } from '../../../api/merge';
import type { Entry, LikelyCause, PlantingReport } from '../../../api/types';
import { nextId } from '../../../edits/edits';
import { isoOf } from '../../../kit/day';
import { useUnits } from '../../../kit/preferences';
import { capital } from '../../../kit/text';
import type { Units } from '../../../kit/units';
import { useDay } from '../../../shared/DayContext';
import { freshId, useDayBook } from '../useRecord';

interface Props {
  state: HeldGarden;
  cause: LikelyCause;
  /** The words of the signs that it is thought to be behind. */
  seen: readonly string[];
  planting: PlantingReport | undefined;
}

/** One cause: how likely, what to look for, what to do, what it costs; and all three kept. */
export function CauseEntry({ state, cause, seen, planting }: Props) {
  const { slug } = state.head;
  const units = useUnits();
  const book = useDayBook(slug);
  const editor = useEditor(slug);
  const { day } = useDay();
  const [kept, setKept] = useState<readonly string[]>([]);
  const [fault, setFault] = useState<string>();
  const done = (what: string) => setKept((before) => [...before, what]);

  const enter = async (kind: 'seen' | 'note', text: string) => {
    const of = planting && { planting: planting.id, place: planting.place, crop: planting.crop };
    const entry = { id: freshId(), day: isoOf(day), kind, text, ...of } as Entry;
    const saved = await book.keep(entry, true);
    if (saved.is === 'done') done(kind);
    if (saved.is === 'refused') setFault(saved.why.message);
  };
  const planned = async () => {
    const chore = {
      id: nextId(
        state.plan.chores.map((c) => c.id),
        'own-',
      ),
      what: planting ? `${cause.remedy} (${planting.name})` : cause.remedy,
      place: planting?.place ?? null,
      on: isoOf(day),
    };
    if (await editor.edit({ do: 'keep-chore', chore })) done('job');
  };
  const offers = [
    ['seen', 'Enter it as seen', () => enter('seen', `${cause.label}: ${seen.join('; ')}`)],
    ['job', 'Add its remedy to the jobs', planned],
    ['note', 'Keep its lesson', () => enter('note', cause.lesson)],
  ] as const;
  return (
    <article aria-label={cause.label} className="border-b border-rule py-2">
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-base">
        {capital(cause.label)}
        <Likelihood share={cause.share} />
      </h2>
      {cause.plan_says && <p>{cause.plan_says}</p>}
      <dl className="grid grid-cols-[max-content_minmax(0,1fr)] gap-x-3 text-[14px]">
        <dt className="text-muted">Look</dt>
        <dd>{cause.look}</dd>
        <dt className="text-muted">Do</dt>
        <dd>{`${cause.remedy}.`}</dd>
        <dt className="text-muted">This year</dt>
        <dd>{losesOf(cause, units)}</dd>
        <dt className="text-muted">Next year</dt>
        <dd>{`${cause.next_year} ${cause.lesson}`}</dd>
      </dl>
      <p className="flex flex-wrap gap-x-4 text-[13px]">
        {offers.map(([what, words, act]) =>
          kept.includes(what) ? (
            <span key={what} role="status" className="text-muted">
              {`${KEPT[what]}.`}
            </span>
          ) : (
            <button key={what} type="button" className="press" onClick={() => void act()}>
              {words}
            </button>
          ),
        )}
      </p>
      {fault && <p role="alert">{fault}</p>}
    </article>
  );
}

const KEPT = { seen: 'In the day book', job: 'Among the jobs', note: 'Its lesson is kept' };
const WORDS: readonly [number, string][] = [
  [0.6, 'most likely'],
  [0.25, 'likely'],
  [0.1, 'possible'],
  [0, 'less likely'],
];

/** How likely among all that could be, as a length and in words. */
function Likelihood({ share }: { share: number }) {
  const words = WORDS.find(([least]) => share >= least)?.[1];
  return (
    <span className="flex items-center gap-2 font-sans text-[12.5px] font-normal text-muted">
      <svg width="80" height="8" aria-hidden="true">
        <rect width="80" height="8" fill="none" stroke="var(--rule)" />
        <rect width={80 * share} height="8" fill="var(--leaf)" />
      </svg>
      {words}
    </span>
  );
}

function losesOf(cause: LikelyCause, units: Units): string {
  const [low, high] = cause.loses.map((share) => Math.round(share * 100));
  const share = `${low === 0 ? 'up to' : `${low} to`} ${high} % of its harvest`;
  if (!cause.loses_kg) return `${share}.`;
  const [least, most] = cause.loses_kg.map((kg) => units.weight(kg));
  return `${share}, ${low === 0 ? `up to ${most}` : `${least}–${most}`} ${units.weightUnit} here.`;
}
