import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../../api/client';
import type { ProblemError } from '../../../api/client';
import type { Found, SignList } from '../../../api/types';

/** Signs that can be seen on a planting, or on anything. */
export function useSigns(slug: string, version: number, planting: string) {
  return useQuery<SignList, ProblemError>({
    queryKey: ['signs', slug, version, planting],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/signs', {
          params: { path: { slug }, query: planting ? { planting } : {} },
          signal,
        }),
      ),
  });
}

export interface WhatIsSeen {
  planting: string;
  day: string;
  signs: readonly string[];
  answers: Readonly<Record<string, boolean>>;
}

/** Likely causes of what is seen, and what to ask next. */
export function useCauses(slug: string, version: number, seen: WhatIsSeen) {
  const { planting, day, signs, answers } = seen;
  const answeredBy = (how: boolean) => Object.keys(answers).filter((q) => answers[q] === how);
  return useQuery<Found, ProblemError>({
    queryKey: ['causes', slug, version, seen],
    enabled: signs.length > 0,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/causes', {
          params: {
            path: { slug },
            query: {
              day,
              sign: [...signs],
              yes: answeredBy(true),
              no: answeredBy(false),
              ...(planting ? { planting } : {}),
            },
          },
          signal,
        }),
      ),
  });
}
