import { useQuery } from '@tanstack/react-query';

import { answered, api } from '../api/client';
import type { ProblemError } from '../api/client';
import type { HeldGarden } from '../api/merge';
import type { PlaceWorkings, Term } from '../api/types';
import { FetchedSum } from './Working';

interface Props {
  state: HeldGarden;
  place: string;
  title: string;
  pick: (workings: PlaceWorkings) => readonly Term[] | undefined;
}

/** A sum of one place's weight, water or feed, worked out when it is opened. */
export function PlaceWorking({ state, place, title, pick }: Props) {
  const { slug, version } = state.head;
  const answer = useQuery<PlaceWorkings, ProblemError>({
    queryKey: ['workings', slug, version, place],
    queryFn: ({ signal }) =>
      answered(
        api.GET('/api/gardens/{slug}/places/{place}/workings', {
          params: { path: { slug, place } },
          signal,
        }),
      ),
  });
  const terms = answer.data && (pick(answer.data) ?? []);
  return <FetchedSum title={title} problem={answer.error} terms={terms} />;
}
