import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { UseQueryResult } from '@tanstack/react-query';

import { answered, answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { Place, PlaceFigures } from '../../api/types';
import { readDraft } from '../../edits/placeDraft';
import type { Draft, ReadDraft } from '../../edits/placeDraft';
import { readerOf } from '../../kit/reader';
import type { Units } from '../../kit/units';

/** The figures of what is typed; those before while it cannot be read. */
export function useFigures(
  { head, plan }: HeldGarden,
  draft: Draft,
  before: Place | undefined,
  units: Units,
): UseQueryResult<PlaceFigures, ProblemError> {
  const { reader, faults } = readerOf(draft, units);
  const read = readDraft(reader, before);
  const sound = Object.keys(faults).length === 0;
  return useQuery<PlaceFigures, ProblemError>({
    queryKey: ['place-figures', head.slug, plan.garden.last_frost, before?.id, read],
    enabled: sound,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) => figuresOf(head.slug, read, before, signal),
  });
}

async function figuresOf(
  slug: string,
  { changes, form }: ReadDraft,
  before: Place | undefined,
  signal: AbortSignal,
): Promise<PlaceFigures> {
  const drawn = form
    ? await answered(api.GET('/api/outlines', { params: { query: form }, signal }))
    : {};
  const given = Object.fromEntries(
    Object.entries({ ...before, ...changes }).filter(([, value]) => value !== null),
  );
  const place = { id: 'typed', ...given, shape: { ...(given.shape as object), ...drawn } };
  return answeredAs<PlaceFigures>(
    api.POST('/api/gardens/{slug}/place-figures', {
      params: { path: { slug } },
      body: place,
      signal,
    }),
  );
}
