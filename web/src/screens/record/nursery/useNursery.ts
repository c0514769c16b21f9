import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../../api/client';
import type { ProblemError } from '../../../api/client';
import type { Gap, LotState, SeedlingLot } from '../../../api/types';
import { useDone } from '../useRecord';

/** Every lot of seedlings as it stands. */
export function useNursery(slug: string, version: number) {
  return useQuery<LotState[], ProblemError>({
    queryKey: ['record', slug, 'nursery', version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(api.GET('/api/gardens/{slug}/nursery', { params: { path: { slug } }, signal })),
  });
}

/** What was lost in the beds and not replaced since, and what the shelf has for it. */
export function useGaps(slug: string, version: number) {
  return useQuery<Gap[], ProblemError>({
    queryKey: ['record', slug, 'nursery', 'gaps', version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/nursery/gaps', { params: { path: { slug } }, signal }),
      ),
  });
}

/** Keeping, deleting and putting back lots. */
export function useLots(slug: string) {
  const done = useDone(slug);
  return {
    keep: (lot: SeedlingLot) =>
      done(() =>
        answeredAs(
          api.PUT('/api/gardens/{slug}/nursery/{lot}', {
            params: { path: { slug, lot: lot.id } },
            body: lot,
          }),
        ),
      ),
    remove: (lot: string) =>
      done(() =>
        answeredAs(
          api.DELETE('/api/gardens/{slug}/nursery/{lot}', { params: { path: { slug, lot } } }),
        ),
      ),
    putBack: (lot: string) =>
      done(() =>
        answeredAs(
          api.POST('/api/gardens/{slug}/nursery/{lot}/put-back', {
            params: { path: { slug, lot } },
          }),
        ),
      ),
  };
}
