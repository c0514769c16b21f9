import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { Pantry } from '../../api/types';
import { useMessages } from '../../kit/messages';

/** The plan's year at table; the one before stays until the new one is there. */
export function usePantry(slug: string, version: number) {
  const client = useQueryClient();
  const { working } = useMessages();
  const answer = useQuery<Pantry, ProblemError>({
    queryKey: ['pantry', slug, version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(api.GET('/api/gardens/{slug}/pantry', { params: { path: { slug } }, signal })),
  });
  const { isFetching } = answer;
  useEffect(() => {
    if (!isFetching) return undefined;
    return working(
      'Running the seasons',
      () => void client.cancelQueries({ queryKey: ['pantry', slug] }),
    );
  }, [isFetching, working, client, slug]);
  return answer;
}
