import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answered, answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { SunMap, Turned, YardSun } from '../../api/types';

/** The sun of one day over the yard and its places; the last answer stays until the next. */
export function useDaySun(slug: string, version: number, day: string, enabled: boolean) {
  return useQuery<YardSun, ProblemError>({
    queryKey: ['sun', slug, version, day],
    enabled,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answered(
        api.GET('/api/gardens/{slug}/sun', { params: { path: { slug }, query: { day } }, signal }),
      ),
  });
}

/** Mean sun of the twelve months over the yard. It changes with the yard, not with the beds. */
export function useMonthSun(slug: string, yardKey: string, enabled: boolean) {
  return useQuery<SunMap, ProblemError>({
    queryKey: ['sun-months', slug, yardKey],
    enabled,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answered(api.GET('/api/gardens/{slug}/sun/months', { params: { path: { slug } }, signal })),
  });
}

/** A place against itself turned a quarter. */
export function useTurned(slug: string, version: number, place: string | null) {
  return useQuery<Turned, ProblemError>({
    queryKey: ['turned', slug, version, place],
    enabled: place !== null,
    queryFn: ({ signal }) =>
      answeredAs<Turned>(
        api.GET('/api/gardens/{slug}/places/{place}/turned', {
          params: { path: { slug, place: place ?? '' } },
          signal,
        }),
      ),
  });
}
