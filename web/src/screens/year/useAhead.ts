import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { Ahead } from '../../api/types';

/** The week from a day on as the weather has it, and how warm the soil is. */
export function useAhead(slug: string, version: number, day: string) {
  return useQuery<Ahead, ProblemError>({
    queryKey: ['ahead', slug, version, day],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/ahead', {
          params: { path: { slug }, query: { day } },
          signal,
        }),
      ),
  });
}
