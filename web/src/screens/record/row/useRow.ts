import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../../api/client';
import type { ProblemError } from '../../../api/client';
import type { Edit, Row } from '../../../api/types';

/** A planting plant by plant, with what was entered of each. */
export function useRow(slug: string, version: number, planting: string | null) {
  return useQuery<Row, ProblemError>({
    queryKey: ['record', slug, 'row', version, planting],
    enabled: planting !== null,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/plantings/{planting}/row', {
          params: { path: { slug, planting: planting ?? '' } },
          signal,
        }),
      ),
  });
}

/** The edit by which a plant is known to be of a kind after all. */
export function knownAs(slug: string, planting: string, number: number, kind: string) {
  return answeredAs<Edit>(
    api.GET('/api/gardens/{slug}/plantings/{planting}/row/{number}/known-as/{kind}', {
      params: { path: { slug, planting, number, kind } },
    }),
  );
}
