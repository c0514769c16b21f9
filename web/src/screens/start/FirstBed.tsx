import { useEffect } from 'react';
import { Link } from 'react-router';

import { dayOf, words } from '../../kit/day';
import { Choice } from '../../kit/Choice';
import type { Options } from '../../kit/Choice';
import { guessedUnits, guessedWords, usePreferences } from '../../kit/preferences';
import type { UnitSystem } from '../../kit/units';
import { Field } from '../../kit/Field';
import { ChoiceField, DayField, LengthField, NumberField } from '../../kit/form';
import { useFirstBed } from './useFirstBed';
import type { FirstBedDraft } from './useFirstBed';

const KINDS = [
  ['bed', 'a bed on open ground'],
  ['container', 'a closed container'],
] as const;

const MEASURES: Options<UnitSystem> = [
  ['metric', 'centimetres, kilograms, litres'],
  ['imperial', 'feet, pounds, US gallons'],
];

/** Four questions, in the grower's own measures. */
export function FirstBed() {
  const { units, opened } = usePreferences();
  useEffect(() => opened(guessedUnits(), guessedWords() ?? 'en-GB'), [opened]);
  // What was typed in other measures is not carried over.
  return <Questions key={units.system} />;
}

/** Four questions: size, depth, hours of sun, frosts. A planted bed is the answer. */
function Questions() {
  const draft = useFirstBed();
  const { units, change, opened } = usePreferences();
  const { form } = draft;
  return (
    <main className="mx-auto max-w-2xl p-6">
      <h1 className="text-2xl">Your first bed</h1>
      <p className="mb-5 text-muted">
        Four questions. The answer is a planted bed for the whole year, yours to change.{' '}
        <Link className="press" to="/keeping">
          Import a plan or restore a backup
        </Link>
      </p>
      <div className="mb-4 max-w-60">
        <Choice
          label="Measures"
          value={units.system}
          options={MEASURES}
          onChange={(system) => {
            change({ units: 'garden' });
            opened(system, guessedWords() ?? 'en-GB');
          }}
        />
      </div>
      <form onSubmit={draft.make} className="space-y-5">
        <Question number={1} text="How large is it inside?">
          <LengthField form={form} name="width" label="Width" />
          <LengthField form={form} name="length" label="Length" />
          <ChoiceField form={form} name="kind" label="It is" options={KINDS} />
        </Question>
        <Question number={2} text="How deep is it, to the rim?">
          <LengthField form={form} name="depth" label="Depth" />
        </Question>
        <Question
          number={3}
          text="How many hours does the sun reach it on a clear day in early summer?"
        >
          <NumberField form={form} name="sun" label="Hours" />
        </Question>
        <FrostQuestion draft={draft} />
        {draft.problem && (
          <p role="alert" className="font-semibold text-damson">
            {draft.problem}
          </p>
        )}
        <button type="submit" className="act act-main" disabled={draft.busy}>
          {draft.busy ? 'Planting it …' : 'Plant this bed'}
        </button>
      </form>
    </main>
  );
}

/** Where it lies, for frosts that are guessed; or the days that are known. */
function FrostQuestion({ draft: { form, frosts } }: { draft: FirstBedDraft }) {
  const { typed, set } = form;
  return (
    <Question number={4} text="When are your last and first frosts?">
      <Field label="Latitude, degrees" fault={form.fault('latitude')}>
        <span className="flex gap-2">
          <input
            className="w-20"
            value={typed.latitude}
            inputMode="decimal"
            onChange={(e) => set('latitude', e.target.value)}
          />
          <select
            aria-label="North or south"
            value={typed.side}
            onChange={(e) => set('side', e.target.value)}
          >
            <option value="north">north</option>
            <option value="south">south</option>
          </select>
        </span>
      </Field>
      <DayField form={form} name="last" label="Last frost, if you know it" />
      <DayField form={form} name="first" label="First frost, if you know it" />
      {frosts && (typed.last === '' || typed.first === '') && (
        <p className="col-span-full text-muted">
          {`Guessed from there: last frost about ${words(dayOf(frosts.last_frost))}, first about ${words(dayOf(frosts.first_frost))}. A guess is marked as one in the plan.`}
        </p>
      )}
    </Question>
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
