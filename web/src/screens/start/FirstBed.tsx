import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { SubmitEvent } from 'react';
import { Link, useNavigate } from 'react-router';

import { answered, answeredState, api, ProblemError } from '../../api/client';
import { gardenKey, gardensKey } from '../../api/garden';
import { held } from '../../api/merge';
import { Field } from '../../kit/Field';
import { useMessages } from '../../kit/messages';
import { usePreferences } from '../../kit/preferences';
import { numberOf } from '../../kit/text';
import { dayOf, words } from '../../kit/day';
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

/** Four questions: size, depth, hours of sun, frosts. A planted bed is the answer. */
export function FirstBed() {
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

  return (
    <main className="mx-auto max-w-2xl p-6">
      <h1 className="text-2xl">Your first bed</h1>
      <p className="mb-5 text-muted">
        Four questions. The answer is a planted bed for the whole year, yours to change.{' '}
        <Link className="press" to="/keeping">
          Import a plan or restore a backup
        </Link>
      </p>
      <form onSubmit={(event) => void make(event)} className="space-y-5">
        <Question number={1} text="How large is it inside?">
          <Field label={`Width, ${units.lengthUnit}`} fault={faults.width}>
            <input
              value={answers.width}
              inputMode="decimal"
              onChange={(e) => set('width', e.target.value)}
            />
          </Field>
          <Field label={`Length, ${units.lengthUnit}`} fault={faults.length}>
            <input
              value={answers.length}
              inputMode="decimal"
              onChange={(e) => set('length', e.target.value)}
            />
          </Field>
          <Field label="It is">
            <select
              value={answers.container ? 'container' : 'bed'}
              onChange={(e) => set('container', e.target.value === 'container')}
            >
              <option value="bed">a bed on open ground</option>
              <option value="container">a closed container</option>
            </select>
          </Field>
        </Question>
        <Question number={2} text="How deep is it, to the rim?">
          <Field label={`Depth, ${units.lengthUnit}`} fault={faults.depth}>
            <input
              value={answers.depth}
              inputMode="decimal"
              onChange={(e) => set('depth', e.target.value)}
            />
          </Field>
        </Question>
        <Question
          number={3}
          text="How many hours does the sun reach it on a clear day in early summer?"
        >
          <Field label="Hours" fault={faults.sun}>
            <input
              value={answers.sun}
              inputMode="decimal"
              onChange={(e) => set('sun', e.target.value)}
            />
          </Field>
        </Question>
        <Question number={4} text="When are your last and first frosts?">
          <Field label="Latitude, degrees" fault={faults.latitude}>
            <span className="flex gap-2">
              <input
                className="w-20"
                value={answers.latitude}
                inputMode="decimal"
                onChange={(e) => set('latitude', e.target.value)}
              />
              <select
                aria-label="North or south"
                value={answers.south ? 'south' : 'north'}
                onChange={(e) => set('south', e.target.value === 'south')}
              >
                <option value="north">north</option>
                <option value="south">south</option>
              </select>
            </span>
          </Field>
          <Field label="Last frost, if you know it">
            <input type="date" value={answers.last} onChange={(e) => set('last', e.target.value)} />
          </Field>
          <Field label="First frost, if you know it">
            <input
              type="date"
              value={answers.first}
              onChange={(e) => set('first', e.target.value)}
            />
          </Field>
          {guess.data && (answers.last === '' || answers.first === '') && (
            <p className="col-span-full text-muted">
              {`Guessed from there: last frost about ${words(dayOf(guess.data.last_frost))}, first about ${words(dayOf(guess.data.first_frost))}. A guess is marked as one in the plan.`}
            </p>
          )}
        </Question>
        {problem && (
          <p role="alert" className="font-semibold text-damson">
            {problem}
          </p>
        )}
        <button type="submit" className="act act-main" disabled={busy}>
          {busy ? 'Planting it …' : 'Plant this bed'}
        </button>
      </form>
    </main>
  );
}

function Question({
  number,
  text,
  children,
}: {
  number: number;
  text: string;
  children: React.ReactNode;
}) {
  return (
    <fieldset className="border-t border-rule pt-2">
      <legend className="pr-3 font-semibold">{`${number}. ${text}`}</legend>
      <div className="grid grid-cols-1 gap-x-5 gap-y-2 sm:grid-cols-3">{children}</div>
    </fieldset>
  );
}
