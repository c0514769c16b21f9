import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { PlantingReport, SavedSeed } from '../../api/types';
import { nextId } from '../../edits/edits';
import { dayOf, words } from '../../kit/day';
import { useUnits } from '../../kit/preferences';
import type { Units } from '../../kit/units';

function useSavedSeed(slug: string, version: number, planting: string, open: boolean) {
  return useQuery<SavedSeed, ProblemError>({
    queryKey: ['saved-seed', slug, version, planting],
    enabled: open,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/plantings/{planting}/seed', {
          params: { path: { slug, planting } },
          signal,
        }),
      ),
  });
}

/** Plants left for seed: until when, how many, what crosses, and how it is dried. */
export function SaveSeed({ state, report }: { state: HeldGarden; report: PlantingReport }) {
  const { slug, version } = state.head;
  const units = useUnits();
  const editor = useEditor(slug);
  const [open, setOpen] = useState(false);
  const { data: told, error } = useSavedSeed(slug, version, report.id, open);
  const leave = (seed: SavedSeed) => {
    const chore = {
      id: nextId(
        state.plan.chores.map((c) => c.id),
        'own-',
      ),
      what: `Gather the seed of ${seed.name}`,
      place: report.place,
      on: seed.until,
    };
    const changes = { clear_date: seed.until };
    void editor.edit({
      do: 'together',
      edits: [
        { do: 'change-planting', id: report.id, changes },
        { do: 'keep-chore', chore },
      ],
    });
  };
  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="press cursor-pointer">Save its seed</summary>
      {error && <p role="alert">{error.message}</p>}
      {told && told.planting === report.id && (
        <>
          <p>{howLong(told)}</p>
          <p>{crossing(told, state, units)}</p>
          <p className="text-muted">{told.dry}</p>
          <button type="button" className="act" onClick={() => leave(told)}>
            {`Leave it for seed until ${words(dayOf(told.until))}`}
          </button>
        </>
      )}
    </details>
  );
}

function howLong(told: SavedSeed): string {
  const second = told.biennial ? 'It flowers in its second year. ' : '';
  const ripe = `Seed is ripe about ${words(dayOf(told.until))} ${told.until.slice(0, 4)}; its squares stay taken until then.`;
  const many = told.enough
    ? `Take it from ${told.plants} plants or more.`
    : `Seed from fewer than ${told.plants} plants grows weak in time, and fewer stand here.`;
  return `${second}${ripe} ${many}`;
}

const POLLEN = {
  itself: 'It pollinates itself',
  insects: 'Insects carry its pollen',
  wind: 'Wind carries its pollen',
} as const;

function crossing(told: SavedSeed, state: HeldGarden, units: Units): string {
  const pollen = `${POLLEN[told.pollinated as keyof typeof POLLEN]}; it comes true ${units.distance(told.apart_m)} from others of its species.`;
  if (told.apart_m === 0) return 'It is kept as bulbs or tubers, so nothing crosses.';
  const near = told.crosses.filter((other) => other.near);
  if (near.length === 0) return `${pollen} Nothing in this plan is nearer; gardens near by may be.`;
  const names = near.map((other) => {
    if (other.metres === 0) return `${other.name} in the same bed`;
    const place = state.plan.places.find((p) => p.id === other.place)?.name ?? other.place;
    const away = other.metres === null ? '' : `, ${units.distance(other.metres)} away`;
    return `${other.name} in ${place}${away}`;
  });
  return `${pollen} It would cross with ${names.join('; ')}.`;
}
