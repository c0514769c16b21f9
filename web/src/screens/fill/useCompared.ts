import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { OfferedPlan, TwoPlans } from '../../api/types';

/** The garden's plan beside an offered one; asked anew as parts of it are taken over. */
export function useCompared(slug: string, version: number, plan: OfferedPlan | null) {
  return useQuery<TwoPlans, ProblemError>({
    queryKey: ['compared', slug, version, plan?.value, plan?.seconds],
    enabled: plan !== null,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs<TwoPlans>(
        api.POST('/api/gardens/{slug}/fill/compared', {
          params: { path: { slug } },
          body: { plantings: (plan?.plan ?? []).map((planting) => ({ ...planting })) },
          signal,
        }),
      ),
  });
}
