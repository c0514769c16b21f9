import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Chore, ProposedChore } from '../../api/types';
import { Choice } from '../../kit/Choice';
import type { Options } from '../../kit/Choice';
import { ChoiceField, DayField, TextField, useTyped } from '../../kit/form';
import { nextId } from '../../edits/edits';
import { dayOf, isoOf, shortWords } from '../../kit/day';
import type { Day } from '../../kit/day';

/** How often a job comes again, as "every per"; once where it is empty. */
const AGAIN: Options<string> = [
  ['', 'once'],
  ['1 week', 'every week'],
  ['2 week', 'every 2 weeks'],
  ['1 month', 'every month'],
  ['2 month', 'every 2 months'],
  ['3 month', 'every 3 months'],
  ['1 year', 'every year'],
  ['2 year', 'every 2 years'],
  ['3 year', 'every 3 years'],
  ['4 year', 'every 4 years'],
  ['5 year', 'every 5 years'],
];

interface Props {
  state: HeldGarden;
  day: Day;
}

/** Jobs that no crop asks for: the grower's own, once or time and again. */
export function OwnJobs({ state, day }: Props) {
  const editor = useEditor(state.head.slug);
  const [adding, setAdding] = useState(false);
  const { chores } = state.plan;
  return (
    <section aria-label="Jobs of your own" className="no-print col-span-full pt-2">
      <h2 className="text-base">
        {'Jobs of your own '}
        <button
          type="button"
          className="press font-sans text-[13px]"
          aria-expanded={adding}
          onClick={() => setAdding(!adding)}
        >
          {adding ? 'Close' : 'Add one'}
        </button>
      </h2>
      {adding && <NewJob state={state} day={day} onDone={() => setAdding(false)} />}
      <ul>
        {chores.map((chore) => (
          <li key={chore.id} className="flex flex-wrap gap-x-4 border-b border-faint">
            <span>{chore.what}</span>
            <span className="grow text-muted">{toldOf(chore, state)}</span>
            <button
              type="button"
              className="press"
              aria-label={`Delete: ${chore.what}`}
              onClick={() => void editor.edit({ do: 'remove-chore', id: chore.id })}
            >
              Delete
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function toldOf(chore: Chore, state: HeldGarden): string {
  const place = state.plan.places.find((p) => p.id === chore.place)?.name;
  const again = chore.every
    ? `every ${chore.every === 1 ? '' : `${chore.every} `}${chore.per}${chore.every === 1 ? '' : 's'}`
    : 'once';
  const first = `from ${shortWords(dayOf(chore.on))} ${chore.on.slice(0, 4)}`;
  return [place, again, first].filter(Boolean).join(', ');
}

interface NewProps extends Props {
  onDone: () => void;
}

/** A job to add, typed or taken from the usual ones. */
function NewJob({ state, day, onDone }: NewProps) {
  const { slug, version } = state.head;
  const editor = useEditor(slug);
  const usual = useUsual(slug, version);
  const [why, setWhy] = useState('');
  const first = { what: '', place: '', on: isoOf(day), again: '' };
  const form = useTyped(first, (read): Record<string, unknown> => {
    const { on, place } = read.typed;
    const what = read.text('what');
    if (what === null) read.fault('what', 'Say what is to be done.');
    if (on === '') read.fault('on', 'Enter the day.');
    const [every, per] = read.typed.again.split(' ');
    const id = nextId(
      state.plan.chores.map((chore) => chore.id),
      'own',
    );
    return {
      ...{ id, what, on },
      ...(place && { place }),
      ...(every && per && { every: Number(every), per }),
    };
  });
  const take = (key: string) => {
    const proposed = usual.find((one) => one.key === key);
    if (!proposed) return;
    form.set('what', proposed.what);
    form.set('on', proposed.on);
    form.set('again', `${proposed.every} ${proposed.per}`);
    setWhy(proposed.why);
  };
  const save = async (chore: Record<string, unknown>) => {
    if (await editor.edit({ do: 'keep-chore', chore })) onDone();
  };
  return (
    <form className="flex flex-wrap items-end gap-x-4 gap-y-1 pb-2" onSubmit={form.sent(save)}>
      <Choice
        label="A usual one"
        value=""
        options={[['', 'or type your own'], ...usual.map((one) => [one.key, one.what] as const)]}
        onChange={take}
      />
      <div className="min-w-64 grow">
        <TextField form={form} name="what" label="What is to be done" />
      </div>
      <ChoiceField
        form={form}
        name="place"
        label="Where"
        options={[
          ['', 'the garden'],
          ...state.plan.places.map((p) => [p.id, p.name ?? p.id] as const),
        ]}
      />
      <DayField form={form} name="on" label="From" />
      <ChoiceField form={form} name="again" label="Comes again" options={AGAIN} />
      <button type="submit" className="act act-main">
        Add the job
      </button>
      {why && <p className="basis-full text-[13px] text-muted">{`${why}.`}</p>}
    </form>
  );
}

function useUsual(slug: string, version: number): readonly ProposedChore[] {
  const answer = useQuery<ProposedChore[], ProblemError>({
    queryKey: ['usual-chores', slug, version],
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/chores/usual', { params: { path: { slug } }, signal }),
      ),
  });
  return answer.data ?? [];
}
