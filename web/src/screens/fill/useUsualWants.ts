import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answered, api } from '../../api/client';

/** What so many people usually eat of each crop, by how often each kind of food is on the table. */
export function useUsualWants(
  slug: string,
  people: number,
  often: Readonly<Record<string, number>>,
) {
  return useQuery({
    queryKey: ['usual-wants', slug, people, often],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answered(
        api.POST('/api/gardens/{slug}/fill/usual-wants', {
          params: { path: { slug } },
          body: { people, often },
          signal,
        }),
      ),
  });
}
