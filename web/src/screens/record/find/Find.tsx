import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';

import { answeredAs, api } from '../../../api/client';
import type { ProblemError } from '../../../api/client';
import type { HeldGarden } from '../../../api/merge';
import type { Entry } from '../../../api/types';
import { dayOf, shortWords } from '../../../kit/day';
import { Field } from '../../../kit/Field';
import { useUnits } from '../../../kit/preferences';
import { capital } from '../../../kit/text';
import { amount, inWords, told } from '../telling';
import { Tags } from './Tags';

const MOST = 200;
const MOST_LETTERS = 200;

/** The whole book searched by any word: a tag, a crop, a bed, what was seen, what was said. */
export function Find({ state }: { state: HeldGarden }) {
  const { slug } = state.head;
  const [asked, ask] = useSearchParams();
  const words = asked.get('words') ?? '';
  const found = useQuery<Entry[], ProblemError>({
    queryKey: ['record', slug, 'find', words],
    enabled: words.trim() !== '',
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/entries', {
          params: { path: { slug }, query: { words, most: MOST } },
          signal,
        }),
      ),
  });
  const entries = words.trim() === '' ? [] : (found.data ?? []);
  return (
    <div className="px-[14px] pb-4">
      <Field label="Words to find">
        <input
          className="w-full max-w-md text-[16px]"
          value={words}
          maxLength={MOST_LETTERS}
          autoFocus
          placeholder="#split tomato south"
          onChange={(event) => ask({ view: 'find', words: event.target.value }, { replace: true })}
        />
      </Field>
      {found.error && <p role="alert">{found.error.message}</p>}
      <p role="status" className="my-1 text-[13px] text-muted">
        {said(words, found.data)}
      </p>
      {entries.length > 0 && (
        <table className="w-full max-w-4xl text-[14px]">
          <caption className="sr-only">Entries with these words</caption>
          <tbody>
            {entries.map((entry) => (
              <Line key={entry.id} state={state} entry={entry} />
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

function Line({ state, entry }: { state: HeldGarden; entry: Entry }) {
  const units = useUnits();
  const place = state.plan.places.find((each) => each.id === entry.place);
  const day = dayOf(entry.day);
  return (
    <tr className="border-b border-rule align-baseline">
      <td className="pr-3 whitespace-nowrap text-muted sm:w-40">{`${shortWords(day)} ${entry.day.slice(0, 4)}`}</td>
      <td className="w-36 pr-4 max-sm:hidden">{place ? (place.name ?? place.id) : ''}</td>
      <td className="pr-3 sm:w-64">{capital(told(state, entry))}</td>
      <td className="pr-3 text-right sm:w-24 whitespace-nowrap tabular-nums">
        {amount(entry, units)}
      </td>
      <td className="text-muted">
        {inWords(entry)} <Tags tags={entry.tags ?? []} />
      </td>
    </tr>
  );
}

function said(words: string, found: readonly Entry[] | undefined): string {
  if (words.trim() === '')
    return 'A tag, a crop, a bed, what was done, any word that was entered; several find what has all of them.';
  if (!found) return '';
  if (found.length === 0) return 'No entry has these words.';
  if (found.length === MOST) return `The newest ${MOST} of them.`;
  return found.length === 1 ? '1 entry.' : `${found.length} entries.`;
}
