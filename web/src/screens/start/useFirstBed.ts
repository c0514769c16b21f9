import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';

import { attempt } from '../../api/attempt';
import { answered, answeredState, api } from '../../api/client';
import { gardenKey, gardensKey } from '../../api/garden';
import { held } from '../../api/merge';
import type { FirstBedRequest } from '../../api/types';
import { useLikes } from '../../api/useBook';
import { useTyped } from '../../kit/form';
import { useMessages } from '../../kit/messages';
import { guessedWords, useUnits } from '../../kit/preferences';
import { numberOf } from '../../kit/text';

export type FirstBedDraft = ReturnType<typeof useFirstBed>;

/** The answers as they are typed, what is wrong in them, and the bed that is made of them. */
export function useFirstBed() {
  const units = useUnits();
  const feet = units.system === 'imperial';
  const form = useTyped(
    {
      width: units.toField(feet ? 121.92 : 120),
      length: units.toField(feet ? 243.84 : 240),
      depth: units.toField(feet ? 25.4 : 25),
      sun: '6',
      town: '',
      latitude: '',
      side: 'north',
      longitude: '',
      climate: '',
      zone: '',
      likes: '',
      last: '',
      first: '',
      kind: 'bed',
    },
    (read) => ({
      name: 'My garden',
      units: units.system,
      words: guessedWords(),
      container: read.typed.kind.endsWith('container'),
      round: read.typed.kind.startsWith('round'),
      width_cm: read.length('width', 10),
      length_cm: read.length(read.typed.kind.startsWith('round') ? 'width' : 'length', 10),
      depth_cm: read.length('depth', 5),
      sun_hours: read.needed('sun', 0, 24),
      latitude: read.needed('latitude', 0, 66) * (read.typed.side === 'south' ? -1 : 1),
      longitude: read.number('longitude', -180, 180),
      town: read.typed.longitude === '' ? null : read.text('town'),
      climate: read.text('climate'),
      zone: read.text('zone'),
      likes: read.typed.likes.split(' ').filter(Boolean),
      last_frost: read.text('last'),
      first_frost: read.text('first'),
    }),
  );
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const client = useQueryClient();
  const go = useNavigate();
  const { working } = useMessages();

  const latitude = numberOf(form.typed.latitude) * (form.typed.side === 'south' ? -1 : 1);
  const lies = form.typed.latitude.trim() !== '' && Math.abs(latitude) <= 66;
  const climate = form.typed.climate || undefined;
  const guess = useQuery({
    queryKey: ['frosts', latitude, climate],
    enabled: lies,
    queryFn: ({ signal }) =>
      answered(api.GET('/api/frosts', { params: { query: { latitude, climate } }, signal })),
  });
  const climates = useQuery({
    queryKey: ['climates', 0],
    staleTime: Infinity,
    queryFn: ({ signal }) =>
      answered(api.GET('/api/climates', { params: { query: { latitude: 0 } }, signal })),
  });
  const likes = useLikes();

  const make = async (body: FirstBedRequest) => {
    const stop = new AbortController();
    const done = working('Planting the bed', () => stop.abort());
    setBusy(true);
    const made = await attempt(
      () => answeredState(api.POST('/api/first-bed', { body, signal: stop.signal })),
      done,
    );
    setBusy(false);
    if (made.is === 'refused') setProblem(made.why.message);
    if (made.is !== 'done') return;
    const { slug } = made.value.head;
    client.setQueryData(gardenKey(slug), held(made.value));
    await client.invalidateQueries({ queryKey: gardensKey });
    void go(`/gardens/${slug}`);
  };

  return {
    form,
    problem,
    busy,
    frosts: guess.data,
    climates: climates.data,
    likes: likes.data,
    make: form.sent(make),
  };
}
