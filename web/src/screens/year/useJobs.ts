import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { JobsAnswer } from '../../api/types';

/** The jobs about a day; those of the day before stay until the new ones are there. */
export function useJobs(slug: string, version: number, day: string) {
  return useQuery<JobsAnswer, ProblemError>({
    queryKey: ['jobs', slug, version, day],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/jobs', { params: { path: { slug }, query: { day } }, signal }),
      ),
  });
}
