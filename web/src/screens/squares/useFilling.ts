import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { FillTrial, PlaceReport, PlantingReport } from '../../api/types';
import type { Filling } from './FillSlider';

interface Tried {
  filling: Filling;
  /** The place and its plantings with the fill that is tried, as far as the core has answered. */
  place: PlaceReport;
  plantings: readonly PlantingReport[];
  said: string | null;
}

function question(slug: string, version: number, place: string, fill: number) {
  return {
    queryKey: ['filled', slug, version, place, fill],
    queryFn: ({ signal }: { signal: AbortSignal }) =>
      answeredAs<FillTrial>(
        api.GET('/api/gardens/{slug}/places/{place}/filled', {
          params: { path: { slug, place }, query: { fill_cm: fill } },
          signal,
        }),
      ),
  };
}

/** A fill tried while its section is looked at: the core weighs each centimetre. */
export function useFilling(
  slug: string,
  version: number,
  place: PlaceReport,
  plantings: readonly PlantingReport[],
): Tried {
  const [cm, setCm] = useState<number | null>(null);
  const client = useQueryClient();
  const editor = useEditor(slug);
  const answer = useQuery<FillTrial, ProblemError>({
    ...question(slug, version, place.id, cm ?? 0),
    enabled: cm !== null,
    placeholderData: (before) => before,
  });
  const trial = cm === null ? null : (answer.data ?? null);
  const filling = useMemo<Filling>(() => {
    const take = async (fill: number) => {
      const { edit } = await client.query(question(slug, version, place.id, fill));
      await editor.edit(edit);
      setCm(null);
    };
    return { cm, tried: setCm, taken: (fill) => void take(fill) };
  }, [cm, client, editor, slug, version, place.id]);
  return useMemo(() => {
    if (cm === null) return { filling, place, plantings, said: null };
    const layers = { ...(trial?.layers ?? place.layers), fill_cm: cm };
    const deep = trial?.usable_depth_cm ?? place.usable_depth_cm;
    return {
      filling,
      place: { ...place, layers, usable_depth_cm: deep },
      plantings: plantings.map((p) => {
        const there = trial?.plantings.find((d) => d.planting === p.id);
        return there ? { ...p, depth: there.depth } : p;
      }),
      said: trial?.words ?? '',
    };
  }, [cm, trial, filling, place, plantings]);
}
