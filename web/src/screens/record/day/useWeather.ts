import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../../api/client';
import type { ProblemError } from '../../../api/client';
import type { DayOfWeather, WeatherSeen } from '../../../api/types';
import { isoOf } from '../../../kit/day';
import type { Day } from '../../../kit/day';

/** The weather of a day, as it was measured or is made up. */
export function useWeather(slug: string, version: number, day: Day) {
  const iso = isoOf(day);
  return useQuery<DayOfWeather[], ProblemError>({
    queryKey: ['record', slug, 'weather', version, iso],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/weather', {
          params: { path: { slug }, query: { since: iso, until: iso } },
          signal,
        }),
      ),
  });
}

/** What was measured on a day, to be changed. */
export function useMeasured(slug: string, day: Day) {
  const iso = isoOf(day);
  return useQuery<WeatherSeen, ProblemError>({
    queryKey: ['record', slug, 'measured', iso],
    queryFn: ({ signal }) => measuredOn(slug, iso, signal),
  });
}

/** What was measured on a day as it stands at this moment. */
export function measuredOn(slug: string, iso: string, signal?: AbortSignal): Promise<WeatherSeen> {
  const params = { path: { slug, day: iso } };
  return answeredAs(
    api.GET('/api/gardens/{slug}/weather/{day}', { params, signal: signal ?? null }),
  );
}

export function keepWeather(slug: string, seen: WeatherSeen): Promise<WeatherSeen> {
  return answeredAs(
    api.PUT('/api/gardens/{slug}/weather/{day}', {
      params: { path: { slug, day: seen.day } },
      body: seen,
    }),
  );
}
