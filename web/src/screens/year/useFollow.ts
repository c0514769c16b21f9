import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { Follow } from '../../api/types';
import type { Gap } from '../../drawing/lanes';

/** What can follow in a gap; what was found for the gap before stays until the answer is there. */
export function useFollow(slug: string, version: number, gap: Gap) {
  return useQuery<Follow, ProblemError>({
    queryKey: ['follow', slug, version, gap.place, gap.cells.join(' '), gap.since],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs<Follow>(
        api.POST('/api/gardens/{slug}/follow', {
          params: { path: { slug } },
          body: { place: gap.place, cells: [...gap.cells], day: gap.since },
          signal,
        }),
      ),
  });
}
