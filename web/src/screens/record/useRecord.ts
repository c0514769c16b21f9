import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';

import { attempt } from '../../api/attempt';
import { answered, answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type {
  Compared,
  Draft,
  EntriesTogether,
  Entry,
  Learnt,
  NextYear,
  Ripe,
  Rotation,
  SeasonSheet,
  Tape,
  Typed,
} from '../../api/types';
import { isoOf } from '../../kit/day';
import type { Day } from '../../kit/day';
import { useMessages } from '../../kit/messages';
import type { WeightUnit } from '../../kit/preferences';

const dayKey = (slug: string, iso: string) => ['record', slug, 'day', iso] as const;

/** The entries of one day. */
export function useDayPage(slug: string, day: Day) {
  const iso = isoOf(day);
  return useQuery<Entry[], ProblemError>({
    queryKey: dayKey(slug, iso),
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/entries', {
          params: { path: { slug }, query: { since: iso, until: iso } },
          signal,
        }),
      ),
  });
}

/** What is in the book because its job was marked done. */
export function useEntriesOfJobs(slug: string, version: number) {
  return useQuery<Entry[], ProblemError>({
    queryKey: ['record', slug, 'of-jobs', version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/entries/of-jobs', { params: { path: { slug } }, signal }),
      ),
  });
}

/** Pickings over what was estimated, up to a day. */
export function useTape(slug: string, version: number, day: Day) {
  return useQuery<Tape, ProblemError>({
    queryKey: ['record', slug, 'tape', version, day],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/tape', {
          params: { path: { slug }, query: { day: isoOf(day) } },
          signal,
        }),
      ),
  });
}

/** What is likely to be picked about a day. */
export function useRipe(slug: string, version: number, day: Day) {
  return useQuery<Ripe, ProblemError>({
    queryKey: ['record', slug, 'ripe', version, day],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answered(
        api.GET('/api/gardens/{slug}/ripe', {
          params: { path: { slug }, query: { day: isoOf(day) } },
          signal,
        }),
      ),
  });
}

/** Seasons side by side. */
export function useSeasons(slug: string, version: number) {
  return useQuery<Compared, ProblemError>({
    queryKey: ['record', slug, 'seasons', version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(api.GET('/api/gardens/{slug}/seasons', { params: { path: { slug } }, signal })),
  });
}

/** Which families stood in each place, season by season. */
export function useRotation(slug: string, version: number) {
  return useQuery<Rotation, ProblemError>({
    queryKey: ['record', slug, 'rotation', version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(api.GET('/api/gardens/{slug}/rotation', { params: { path: { slug } }, signal })),
  });
}

/** One season told whole. */
export function useSheet(slug: string, version: number, season: string) {
  return useQuery<SeasonSheet, ProblemError>({
    queryKey: ['record', slug, 'sheet', version, season],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/seasons/{season}/sheet', {
          params: { path: { slug, season } },
          signal,
        }),
      ),
  });
}

/** What the next year would be with a draft. */
export function useNextYear(slug: string, version: number, draft: Draft) {
  return useQuery<NextYear, ProblemError>({
    queryKey: ['record', slug, 'next-year', version, draft],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/next-year', {
          params: { path: { slug }, query: { draft } },
          signal,
        }),
      ),
  });
}

/** How much more or less than estimated comes here. */
export function useLearnt(slug: string, version: number) {
  return useQuery<Learnt, ProblemError>({
    queryKey: ['record', slug, 'learnt', version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/own-factors', { params: { path: { slug } }, signal }),
      ),
  });
}

export interface Line {
  text: string;
  day: string;
  id: string;
  unit: WeightUnit;
}

/** What a line is understood to say; asked again with each key, the last answer stays meanwhile. */
export function useReading(slug: string, version: number, line: Line) {
  return useQuery<Typed, ProblemError>({
    ...reading(slug, version, line),
    enabled: line.text.trim() !== '',
    placeholderData: (before) => (line.text.trim() === '' ? undefined : before),
  });
}

/** The same at the moment of Enter, from the question that is under way: what is shown may be a
 * key behind. */
export function useReadNow(slug: string, version: number) {
  const client = useQueryClient();
  return (line: Line) => client.query({ ...reading(slug, version, line), staleTime: 'static' });
}

function reading(slug: string, version: number, line: Line) {
  return {
    queryKey: ['record', slug, 'reading', version, line],
    queryFn: ({ signal }: { signal: AbortSignal }): Promise<Typed> =>
      answeredAs(
        api.POST('/api/gardens/{slug}/entry-read', {
          params: { path: { slug } },
          body: line,
          signal,
        }),
      ),
  };
}

/** Ask anew for all that rests on the entries. */
export function useAfresh(slug: string) {
  const client = useQueryClient();
  return useCallback(
    () => client.invalidateQueries({ queryKey: ['record', slug] }),
    [client, slug],
  );
}

/** Do something to a part of the record; what is refused is said, and all is asked for anew. */
export function useDone(slug: string) {
  const afresh = useAfresh(slug);
  const { say } = useMessages();
  return useCallback(
    async (asking: () => Promise<unknown>) => {
      const answer = await attempt(asking);
      if (answer.is === 'refused') say({ kind: 'stop', text: answer.why.message });
      await afresh();
      return answer.is === 'done';
    },
    [afresh, say],
  );
}

/** Keeping, deleting and putting back entries; what rests on them is asked for anew. */
export function useDayBook(slug: string) {
  const afresh = useAfresh(slug);
  const client = useQueryClient();
  const keepAll = useCallback(
    async (entries: readonly Entry[], sure: boolean) => {
      // They stand on their page at once; what is refused goes from it again.
      for (const entry of entries) {
        client.setQueryData<Entry[]>(dayKey(slug, entry.day), (page) =>
          page ? [entry, ...page.filter((each) => each.id !== entry.id)] : page,
        );
      }
      const kept = await attempt(() =>
        answeredAs<EntriesTogether>(
          api.POST('/api/gardens/{slug}/entries/together', {
            params: { path: { slug }, query: { sure } },
            body: { entries: [...entries] },
            // What was entered is kept though its page is left in the same moment.
            keepalive: true,
          }),
        ),
      );
      void afresh();
      return kept;
    },
    [slug, afresh, client],
  );
  const keep = useCallback((entry: Entry, sure: boolean) => keepAll([entry], sure), [keepAll]);
  const remove = useCallback(
    async (id: string) => {
      const gone = await attempt(() =>
        answeredAs(
          api.DELETE('/api/gardens/{slug}/entries/{entry}', {
            params: { path: { slug, entry: id } },
          }),
        ),
      );
      await afresh();
      return gone.is === 'done';
    },
    [slug, afresh],
  );
  const putBack = useCallback(
    async (id: string) => {
      await attempt(() =>
        answeredAs(
          api.POST('/api/gardens/{slug}/entries/{entry}/put-back', {
            params: { path: { slug, entry: id } },
          }),
        ),
      );
      await afresh();
    },
    [slug, afresh],
  );
  return { keep, keepAll, remove, putBack };
}

/** An id that no other entry has, of this phone or another. */
export function freshId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(12));
  return `e-${Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')}`;
}
