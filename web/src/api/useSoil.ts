import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answered, api } from './client';
import type { ProblemError } from './client';
import type { BuildReport, Material, Mix, OrderReport, SoftMatter, SoilIngredient } from './types';

const FIXED = { staleTime: Infinity } as const;

/** The mixes that a place can be filled with. They ship, and do not change while the page is open. */
export function useMixes() {
  return useQuery<Record<string, Mix>, ProblemError>({
    ...FIXED,
    queryKey: ['mixes'],
    queryFn: ({ signal }) => answered(api.GET('/api/mixes', { signal })),
  });
}

/** What mixes can be made from. */
export function useIngredients() {
  return useQuery<Record<string, SoilIngredient>, ProblemError>({
    ...FIXED,
    queryKey: ['ingredients'],
    queryFn: ({ signal }) => answered(api.GET('/api/ingredients', { signal })),
  });
}

/** What frames, containers, bottoms and lines are made of. */
export function useMaterials() {
  return useQuery<Record<string, Material>, ProblemError>({
    ...FIXED,
    queryKey: ['materials'],
    queryFn: ({ signal }) => answered(api.GET('/api/materials', { signal })),
  });
}

/** Soft matter to lay on, dig in or bury. */
export function useSoftMatter() {
  return useQuery<Record<string, SoftMatter>, ProblemError>({
    ...FIXED,
    queryKey: ['soft-matter'],
    queryFn: ({ signal }) => answered(api.GET('/api/soft-matter', { signal })),
  });
}

/** What building everything in the plan takes. */
export function useBuild(slug: string, version: number) {
  return useQuery<BuildReport, ProblemError>({
    queryKey: ['build', slug, version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answered(api.GET('/api/gardens/{slug}/build', { params: { path: { slug } }, signal })),
  });
}

/** What some places take, as one order. */
export function useOrder(slug: string, version: number, places: readonly string[]) {
  return useQuery<OrderReport, ProblemError>({
    queryKey: ['order', slug, version, places.join('|')],
    enabled: places.length > 0,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answered(
        api.GET('/api/gardens/{slug}/order', {
          params: { path: { slug }, query: { place: [...places] } },
          signal,
        }),
      ),
  });
}

/** What paths can be covered with, by name, in words. */
export function useCoverings(): (readonly [string, string])[] {
  return Object.entries(useMaterials().data ?? {})
    .filter(([, material]) => material.used_for === 'path')
    .map(([id, material]) => [id, material.label] as const);
}
