import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { SubmitEvent } from 'react';
import { useNavigate } from 'react-router';

import { answered, answeredState, api, ProblemError } from '../../api/client';
import { gardenKey, gardensKey } from '../../api/garden';
import { held } from '../../api/merge';
import { useMessages } from '../../kit/messages';
import { usePreferences } from '../../kit/preferences';
import { numberOf } from '../../kit/text';
import { readLength } from '../../kit/units';

interface Answers {
  width: string;
  length: string;
  depth: string;
  sun: string;
  latitude: string;
  south: boolean;
  last: string;
  first: string;
  container: boolean;
}

type Faults = Partial<Record<keyof Answers, string>>;

export type FirstBedDraft = ReturnType<typeof useFirstBed>;

/** The four answers as they are typed, what is wrong in them, and the bed that is made of them. */
export function useFirstBed() {
  const { units, preferences } = usePreferences();
  const [answers, setAnswers] = useState<Answers>(() => ({
    width: units.toField(120),
    length: units.toField(240),
    depth: units.toField(25),
    sun: '6',
    latitude: '',
    south: false,
    last: '',
    first: '',
    container: false,
  }));
  const [faults, setFaults] = useState<Faults>({});
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const client = useQueryClient();
  const go = useNavigate();
  const { working } = useMessages();
  const set = <K extends keyof Answers>(key: K, value: Answers[K]) =>
    setAnswers((now) => ({ ...now, [key]: value }));

  const latitude = numberOf(answers.latitude) * (answers.south ? -1 : 1);
  const known = answers.latitude.trim() !== '' && Math.abs(latitude) <= 66;
  const guess = useQuery({
    queryKey: ['frosts', latitude],
    enabled: known,
    queryFn: ({ signal }) =>
      answered(api.GET('/api/frosts', { params: { query: { latitude } }, signal })),
  });

  const make = async (event: SubmitEvent) => {
    event.preventDefault();
    const found: Faults = {};
    const measure = (key: 'width' | 'length' | 'depth', least: number) => {
      const cm = readLength(answers[key], preferences.units);
      if (cm === null || cm < least)
        found[key] = `Enter a length of at least ${units.length(least)}.`;
      return cm ?? 0;
    };
    const body = {
      name: 'My garden',
      container: answers.container,
      width_cm: measure('width', 10),
      length_cm: measure('length', 10),
      depth_cm: measure('depth', 5),
      sun_hours: numberOf(answers.sun),
      latitude,
      last_frost: answers.last || null,
      first_frost: answers.first || null,
    };
    if (Number.isNaN(body.sun_hours) || body.sun_hours < 0 || body.sun_hours > 24) {
      found.sun = 'Enter hours from 0 to 24.';
    }
    if (!known) found.latitude = 'Enter degrees from 0 to 66; a rough figure will do.';
    setFaults(found);
    if (Object.keys(found).length > 0) return;
    const stop = new AbortController();
    const done = working('Planting the bed', () => stop.abort());
    setBusy(true);
    try {
      const state = await answeredState(api.POST('/api/first-bed', { body, signal: stop.signal }));
      client.setQueryData(gardenKey(state.head.slug), held(state));
      await client.invalidateQueries({ queryKey: gardensKey });
      void go(`/gardens/${state.head.slug}`);
    } catch (cause) {
      if (cause instanceof ProblemError) setProblem(cause.message);
      else if (!stop.signal.aborted) throw cause;
    } finally {
      done();
      setBusy(false);
    }
  };

  return { answers, set, faults, problem, busy, frosts: guess.data, make };
}
