import { useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../../api/client';
import type { ProblemError } from '../../../api/client';
import type { SettingOut } from '../../../api/types';

/** How else a planting could be set out, asked anew with each version of the garden. */
export function useSettingOut(slug: string, version: number, planting: string) {
  return useQuery<SettingOut, ProblemError>({
    queryKey: ['setting-out', slug, version, planting],
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/plantings/{planting}/setting-out', {
          params: { path: { slug, planting } },
          signal,
        }),
      ),
  });
}
