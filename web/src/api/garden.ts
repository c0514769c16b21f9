import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { QueryClient } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';

import { useMessages } from '../kit/messages';
import { attempt } from './attempt';
import { answered, answeredChange, answeredState, api } from './client';
import type { ProblemError } from './client';
import { held, merged } from './merge';
import type { HeldGarden } from './merge';
import { Pending } from './pending';
import { refusalWords } from './refusal';
import type { Draft, Edit, GardenChange, Head, ShelfAnswer } from './types';

export const gardenKey = (slug: string) => ['garden', slug] as const;
export const gardensKey = ['gardens'] as const;

export function useGardens() {
  return useQuery<Head[], ProblemError>({
    queryKey: gardensKey,
    queryFn: ({ signal }) => answered(api.GET('/api/gardens', { signal })),
  });
}

/** Each garden as the server has it, with the edits that it has not answered yet. */
const gardens = new Map<string, Pending>();

/** Keep a garden as the server has it now; returns it as it is shown. */
function served(slug: string, garden: HeldGarden): HeldGarden {
  const pending = gardens.get(slug);
  // What was asked for before an edit may come after its answer; versions only rise.
  if (pending && garden.head.version < pending.served.head.version) return pending.shown;
  const now = pending?.on(garden) ?? new Pending(garden);
  gardens.set(slug, now);
  return now.shown;
}

async function fetched(slug: string, signal?: AbortSignal): Promise<HeldGarden> {
  const asking = api.GET('/api/gardens/{slug}', {
    params: { path: { slug } },
    signal: signal ?? null,
  });
  return served(slug, held(await answeredState(asking)));
}

export function useGarden(slug: string) {
  return useQuery<HeldGarden, ProblemError>({
    queryKey: gardenKey(slug),
    // Values are kept the same by `merged`; comparing the whole garden would cost a frame.
    structuralSharing: false,
    queryFn: ({ signal }) => fetched(slug, signal),
  });
}

/** What fits some squares on a day. Asked anew whenever the garden's version changes. */
export function useShelf(
  slug: string,
  version: number,
  place: string,
  cells: readonly string[],
  day: string,
) {
  return useQuery<ShelfAnswer, ProblemError>({
    queryKey: ['shelf', slug, version, place, cells.join(' '), day],
    enabled: cells.length > 0,
    queryFn: ({ signal }) =>
      answered(
        api.POST('/api/gardens/{slug}/shelf', {
          params: { path: { slug } },
          body: { place, cells: [...cells], day },
          signal,
        }),
      ),
  });
}

type Told = (why: ProblemError) => boolean;
type Step = (version: number, signal: AbortSignal) => Promise<GardenChange>;

export interface Editor {
  /**
   * Make an edit; resolves to true when it was saved. What the server refuses is told at the foot
   * of the page, unless `told` says it at a field and returns true.
   */
  edit: (edit: Edit, told?: Told) => Promise<boolean>;
  undo: () => Promise<boolean>;
  redo: () => Promise<boolean>;
  /** Close the season and begin the next year with a draft. */
  beginYear: (draft: Draft) => Promise<boolean>;
}

/** One edit after another: each is made on the version that the one before it left. */
const queues = new Map<string, Promise<unknown>>();

function inTurn<T>(slug: string, work: () => Promise<T>): Promise<T> {
  const before = queues.get(slug) ?? Promise.resolve();
  const next = before.then(work, work);
  queues.set(slug, next);
  return next;
}

/** The garden as the server has it. */
async function newest(slug: string): Promise<HeldGarden> {
  return gardens.get(slug)?.served ?? (await fetched(slug));
}

/** Show an edit before it is answered; returns what ends that. */
function shownAtOnce(client: QueryClient, slug: string, edit: Edit): () => void {
  gardens.get(slug)?.begin(edit);
  const show = () => {
    const now = gardens.get(slug);
    if (now) client.setQueryData(gardenKey(slug), now.shown);
  };
  show();
  return () => {
    gardens.get(slug)?.end(edit);
    show();
  };
}

/** A garden as it is shown this moment: two presses of a key may come between two drawings. */
export function shownNow(slug: string): HeldGarden | undefined {
  return gardens.get(slug)?.shown;
}

const STOPPED = 'Stopped. The garden is shown as the server has it.';
const ELSEWHERE =
  'This garden was changed in another tab. The newer state is shown; your last change was not made.';

export function useEditor(slug: string): Editor {
  const client = useQueryClient();
  const { say, working } = useMessages();

  const step = useCallback(
    (make: Step, words: string, edit?: Edit, told?: Told): Promise<boolean> => {
      const settle = edit ? shownAtOnce(client, slug, edit) : () => undefined;
      return inTurn(slug, async () => {
        const stop = new AbortController();
        const done = working(words, () => stop.abort());
        const made = await attempt(async () => {
          const before = await newest(slug);
          const change = await make(before.head.version, stop.signal);
          if (edit) gardens.get(slug)?.end(edit);
          const after = merged(before, change);
          client.setQueryData(gardenKey(slug), after ? served(slug, after) : await fetched(slug));
          if (change.head.name !== before.head.name)
            void client.invalidateQueries({ queryKey: gardensKey });
        }, done);
        if (made.is === 'done') return true;
        settle();
        if (made.is === 'refused' && !made.why.is('conflict')) {
          if (!told?.(made.why))
            say({ kind: 'stop', text: refusalWords(made.why, shownNow(slug)) });
        } else {
          await client.invalidateQueries({ queryKey: gardenKey(slug) });
          say({ kind: 'care', text: made.is === 'stopped' ? STOPPED : ELSEWHERE });
        }
        return false;
      });
    },
    [client, slug, say, working],
  );

  return useMemo(
    () => ({
      edit: (edit, told) =>
        step(
          (version, signal) =>
            answeredChange(
              api.POST('/api/gardens/{slug}/edits', {
                params: { path: { slug } },
                body: { version, edit },
                signal,
              }),
            ),
          'Saving',
          edit,
          told,
        ),
      undo: () =>
        step(
          (version, signal) =>
            answeredChange(
              api.POST('/api/gardens/{slug}/undo', {
                params: { path: { slug } },
                body: { version },
                signal,
              }),
            ),
          'Undoing',
        ),
      redo: () =>
        step(
          (version, signal) =>
            answeredChange(
              api.POST('/api/gardens/{slug}/redo', {
                params: { path: { slug } },
                body: { version },
                signal,
              }),
            ),
          'Redoing',
        ),
      beginYear: (draft) =>
        step(
          (version, signal) =>
            answeredChange(
              api.POST('/api/gardens/{slug}/next-year', {
                params: { path: { slug } },
                body: { version, draft },
                signal,
              }),
            ),
          'Beginning the year',
        ),
    }),
    [slug, step],
  );
}
