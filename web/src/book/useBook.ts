import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../api/client';
import type { ProblemError } from '../api/client';
import type { CropLine, CropPage } from '../api/types';

/** The book's index; with a place, whether it bears each crop. */
export function useIndex(slug: string, version: number, place: string | null) {
  return useQuery<CropLine[], ProblemError>({
    queryKey: ['crop-index', slug, version, place],
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
export function useCropPage(slug: string, version: number, crop: string) {
  return useQuery<CropPage, ProblemError>({
    queryKey: ['crop-page', slug, version, crop],
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
