import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../api/client';
import type { ProblemError } from '../api/client';
import type { Pantry } from '../api/types';

/** The plan's year at table; the one before stays until the new one is there. */
export function usePantry(slug: string, version: number) {
  return useQuery<Pantry, ProblemError>({
    queryKey: ['pantry', slug, version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(api.GET('/api/gardens/{slug}/pantry', { params: { path: { slug } }, signal })),
  });
}
