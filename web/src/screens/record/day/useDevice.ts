import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useRef } from 'react';

import { attempt } from '../../../api/attempt';
import { answeredAs, api } from '../../../api/client';
import type { ProblemError } from '../../../api/client';
import type { Shown, StandInRequest } from '../../../api/types';

export type Kind = 'scale' | 'thermometer';

const READ_EVERY_MS = 250;

/** What a device shows, read again and again; what it takes while one looks is handed on, once. */
export function useDevice(kind: Kind, onTaken: (value: number) => void) {
  const seen = useRef<number | null>(null);
  const read = useQuery<Shown, ProblemError>({
    queryKey: ['device', kind],
    refetchInterval: READ_EVERY_MS,
    retry: false,
    gcTime: 0,
    queryFn: ({ signal }) =>
      answeredAs(api.GET('/api/devices/{kind}', { params: { path: { kind } }, signal })),
  });
  const { data, refetch } = read;
  useEffect(() => {
    if (!data) return;
    // What was taken before this page looked is not this page's.
    if (seen.current !== null && data.nth > seen.current && data.taken !== null)
      onTaken(data.taken);
    seen.current = data.nth;
  }, [data, onTaken]);
  const tare = () =>
    attempt(() => answeredAs(api.POST('/api/devices/{kind}/tare', { params: { path: { kind } } })));
  const standIn = useCallback(
    async (asked: StandInRequest) => {
      await attempt(() =>
        answeredAs(
          api.POST('/api/devices/{kind}/stand-in', { params: { path: { kind } }, body: asked }),
        ),
      );
      await refetch();
    },
    [kind, refetch],
  );
  return { read, tare, standIn };
}
