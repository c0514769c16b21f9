import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../../api/client';
import type { ProblemError } from '../../../api/client';
import type { Trial, TrialLayout, TwinResult } from '../../../api/types';
import { useDone } from '../useRecord';

/** Every trial with what it says so far. */
export function useTwins(slug: string, version: number) {
  return useQuery<TwinResult[], ProblemError>({
    queryKey: ['record', slug, 'twins', version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(api.GET('/api/gardens/{slug}/twins', { params: { path: { slug } }, signal })),
  });
}

export type How = 'alternate' | 'random' | 'mirrored';

export interface LaidOut {
  place: string;
  crop: string;
  cells: readonly string[];
  how: How;
}

/** Where to put the two sides of a trial. */
export function useLayout(slug: string, version: number, asked: LaidOut) {
  return useQuery<TrialLayout, ProblemError>({
    queryKey: ['trial-layout', slug, version, asked],
    enabled: asked.cells.length > 1 && asked.crop !== '',
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/trial-layout', {
          params: { path: { slug }, query: { ...asked, cells: [...asked.cells] } },
          signal,
        }),
      ),
  });
}

/** Keeping, deleting and putting back trials. */
export function useTrials(slug: string) {
  const done = useDone(slug);
  return {
    keep: (trial: Trial) =>
      done(() =>
        answeredAs(
          api.PUT('/api/gardens/{slug}/twins/{trial}', {
            params: { path: { slug, trial: trial.id } },
            body: trial,
          }),
        ),
      ),
    remove: (trial: string) =>
      done(() =>
        answeredAs(
          api.DELETE('/api/gardens/{slug}/twins/{trial}', { params: { path: { slug, trial } } }),
        ),
      ),
    putBack: (trial: string) =>
      done(() =>
        answeredAs(
          api.POST('/api/gardens/{slug}/twins/{trial}/put-back', {
            params: { path: { slug, trial } },
          }),
        ),
      ),
  };
}
