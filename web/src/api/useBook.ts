import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { basisOf } from './basis';
import { answered, answeredAs, api } from './client';
import type { ProblemError } from './client';
import type { HeldGarden } from './merge';
import type { CropLine, CropPage } from './types';

/** What the book rests on: all of a plan that is not what grows or what is done in it. */
function groundOf({ plan }: HeldGarden): string {
  const { garden, site, soil, build, crops, places } = plan;
  return basisOf(garden, site, soil, build, crops, places);
}

/** The book's index; with a place, whether it bears each crop. */
export function useIndex(state: HeldGarden, place: string | null) {
  const { slug } = state.head;
  return useQuery<CropLine[], ProblemError>({
    queryKey: ['crop-index', slug, groundOf(state), place],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/crop-book', {
          params: { path: { slug }, query: place ? { place } : {} },
          signal,
        }),
      ),
  });
}

/** One crop's page, as this garden's year and places have it. */
export function useCropPage(state: HeldGarden, crop: string) {
  const { slug } = state.head;
  return useQuery<CropPage, ProblemError>({
    queryKey: ['crop-page', slug, groundOf(state), crop],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/crop-book/{crop}', {
          params: { path: { slug, crop } },
          signal,
        }),
      ),
  });
}

/** The kinds of food that a household may like. */
export function useLikes() {
  return useQuery({
    queryKey: ['likes'],
    staleTime: Infinity,
    queryFn: ({ signal }) => answered(api.GET('/api/likes', { signal })),
  });
}
