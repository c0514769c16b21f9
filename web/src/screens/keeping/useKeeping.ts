import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';

import { attempt } from '../../api/attempt';
import { answered, answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import { gardensKey } from '../../api/garden';
import type { Head, Keeping, KeptGarden } from '../../api/types';
import { useMessages } from '../../kit/messages';

const keepingKey = ['keeping'] as const;
const LOOKED_AT_EVERY_MS = 5 * 60_000;

/** Backups, deleted gardens and what is wrong with the file; looked at again now and then. */
export function useKeeping() {
  return useQuery<Keeping, ProblemError>({
    queryKey: keepingKey,
    refetchInterval: LOOKED_AT_EVERY_MS,
    queryFn: ({ signal }) => answered(api.GET('/api/keeping', { signal })),
  });
}

export function useKeptGardens(backup: string) {
  return useQuery<KeptGarden[], ProblemError>({
    queryKey: [...keepingKey, backup],
    queryFn: ({ signal }) =>
      answered(
        api.GET('/api/backups/{name}/gardens', { params: { path: { name: backup } }, signal }),
      ),
  });
}

export interface Keeper {
  backUp: () => Promise<void>;
  restore: (backup: string, garden: string) => Promise<Head | undefined>;
  putBack: (slug: string) => Promise<boolean>;
  purge: (slug: string, version: number) => Promise<boolean>;
}

/** What can be done on the Backups page; what fails says why at the foot of the page. */
export function useKeeper(): Keeper {
  const client = useQueryClient();
  const { say } = useMessages();
  const done = useCallback(
    async <T>(asking: Promise<T>): Promise<T | undefined> => {
      const asked = await attempt(() => asking);
      await client.invalidateQueries({ queryKey: keepingKey });
      await client.invalidateQueries({ queryKey: gardensKey });
      if (asked.is === 'refused') say({ kind: 'stop', text: asked.why.message });
      return asked.is === 'done' ? asked.value : undefined;
    },
    [client, say],
  );
  return {
    backUp: async () => {
      await done(answered(api.POST('/api/backups')));
    },
    restore: async (backup, garden) => {
      const heads = await done(
        answeredAs<Head[]>(
          api.POST('/api/backups/{name}/restore', {
            params: { path: { name: backup } },
            body: { garden },
          }),
        ),
      );
      return heads?.[0];
    },
    putBack: async (slug) => {
      const asking = api.POST('/api/removed/{slug}/put-back', { params: { path: { slug } } });
      return (await done(answeredAs<unknown>(asking))) !== undefined;
    },
    purge: async (slug, version) => {
      const asking = api.DELETE('/api/removed/{slug}', {
        params: { path: { slug }, query: { version } },
      });
      return (await done(answeredAs<unknown>(asking))) !== undefined;
    },
  };
}
