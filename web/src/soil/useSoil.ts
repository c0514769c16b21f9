import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answered, api } from '../api/client';
import type { ProblemError } from '../api/client';
import type { Mix, OrderReport } from '../api/types';

/** The mixes that a place can be filled with. They ship, and do not change while the page is open. */
export function useMixes() {
  return useQuery<Record<string, Mix>, ProblemError>({
    queryKey: ['mixes'],
    staleTime: Infinity,
    queryFn: ({ signal }) => answered(api.GET('/api/mixes', { signal })),
  });
}

/** What some places take, as one order. */
export function useOrder(slug: string, version: number, places: readonly string[]) {
  return useQuery<OrderReport, ProblemError>({
    queryKey: ['order', slug, version, places.join('|')],
    enabled: places.length > 0,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answered(
        api.GET('/api/gardens/{slug}/order', {
          params: { path: { slug }, query: { place: [...places] } },
          signal,
        }),
      ),
  });
}
