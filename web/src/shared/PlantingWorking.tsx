import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';

import { answeredAs, api } from '../api/client';
import type { ProblemError } from '../api/client';
import { useGarden } from '../api/garden';
import type { Term } from '../api/types';
import { FetchedSum } from './Working';

/** The sum behind the likely harvest of a planting of the garden shown, fetched as it is opened. */
export function PlantingWorking({ planting, title }: { planting: string; title: string }) {
  const { garden: slug = '' } = useParams();
  const version = useGarden(slug).data?.head.version ?? 0;
  const answer = useQuery<Term[], ProblemError>({
    queryKey: ['planting-working', slug, version, planting],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/plantings/{planting}/working', {
          params: { path: { slug, planting } },
          signal,
        }),
      ),
  });
  return <FetchedSum title={title} problem={answer.error} terms={answer.data} />;
}
