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
  const leave = (seed: SavedSeed, cells: readonly string[]) => {
    const taken = state.plan.plantings.map((each) => each.id);
    const rest = report.cells.filter((cell) => !cells.includes(cell));
    const split = cells.length > 0 ? { id: nextId(taken, 'p'), cells: [...cells], rest } : null;
    void editor.edit({ do: 'leave-for-seed', id: report.id, until: seed.until, split });
  };
  const planting = state.plan.plantings.find((each) => each.id === report.id);
  if (planting?.for_seed) {
    const until = report.clear_date ? ` until ${words(dayOf(report.clear_date))}` : '';
    return (
      <p className="flex flex-wrap items-baseline gap-x-4">
        {`Left for seed${until}: nothing of it is counted for the kitchen.`}
        <button
          type="button"
          className="press"
          onClick={() =>
            void editor.edit({
              do: 'change-planting',
              id: report.id,
              changes: { for_seed: null, clear_date: null },
            })
          }
        >
          Pick it after all
        </button>
      </p>
    );
  }
  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="press cursor-pointer">Save its seed</summary>
      {error && <p role="alert">{error.message}</p>}
      {told && told.planting === report.id && (
        <>
          <p>{howLong(told)}</p>
          <p>{crossing(told, state, units)}</p>
          <p className="text-muted">{told.dry}</p>
          <p className="flex flex-wrap gap-x-4 gap-y-1">
            {told.squares.length > 0 && (
              <button type="button" className="act" onClick={() => leave(told, told.squares)}>
                {`Leave ${squaresWords(told.squares)} for seed until ${words(dayOf(told.until))}`}
              </button>
            )}
            <button type="button" className="act" onClick={() => leave(told, [])}>
              {`Leave all of it for seed until ${words(dayOf(told.until))}`}
            </button>
          </p>
        </>
      )}
    </details>
  );
}

const MOST_NAMED = 4;

function squaresWords(cells: readonly string[]): string {
  if (cells.length === 1) return `square ${cells[0] ?? ''}`;
  const named =
    cells.length > MOST_NAMED ? `${cells[0] ?? ''} to ${cells.at(-1) ?? ''}` : cells.join(', ');
  return `squares ${named}`;
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
