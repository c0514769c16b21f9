import { useEffect } from 'react';
import { Link } from 'react-router';

import { Choice } from '../../kit/Choice';
import type { Options } from '../../kit/Choice';
import { guessedUnits, guessedWords, usePreferences } from '../../kit/preferences';
import type { UnitSystem } from '../../kit/units';
import { ChoiceField, LengthField, NumberField } from '../../kit/form';
import { WhereItLies } from './WhereItLies';
import { useFirstBed } from './useFirstBed';
import type { FirstBedDraft } from './useFirstBed';

const KINDS = [
  ['bed', 'a bed on open ground'],
  ['round-bed', 'a round bed on open ground'],
  ['container', 'a closed box or trough'],
  ['round-container', 'a round pot or tub'],
] as const;

const MEASURES: Options<UnitSystem> = [
  ['metric', 'centimetres, kilograms, litres'],
  ['imperial', 'feet, pounds, US gallons'],
];

/** A few questions, in the grower's own measures. */
export function FirstBed() {
  const { units, opened } = usePreferences();
  useEffect(() => opened(guessedUnits(), guessedWords() ?? 'en-GB'), [opened]);
  // What was typed in other measures is not carried over.
  return <Questions key={units.system} />;
}

/** Size, depth, hours of sun, where, what is liked. A planted bed is the answer. */
function Questions() {
  const draft = useFirstBed();
  const { units, change, opened } = usePreferences();
  const { form } = draft;
  const round = form.typed.kind.startsWith('round');
  return (
    <main className="mx-auto max-w-2xl p-6">
      <h1 className="text-2xl">Your first bed</h1>
      <p className="mb-5 text-muted">
        Five questions. The answer is a planted bed for the whole year, yours to change.{' '}
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
          <ChoiceField form={form} name="kind" label="It is" options={KINDS} />
          <LengthField form={form} name="width" label={round ? 'Diameter' : 'Width'} />
          {!round && <LengthField form={form} name="length" label="Length" />}
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
        <Question number={4} text="Where does it lie?">
          <WhereItLies draft={draft} />
        </Question>
        <Question number={5} text="What do you like to eat?">
          <Likes draft={draft} />
        </Question>
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

/** The kinds of food that are liked; none chosen stands for all. */
function Likes({ draft: { form, likes } }: { draft: FirstBedDraft }) {
  const chosen = form.typed.likes.split(' ').filter(Boolean);
  return (
    <div className="col-span-full flex flex-wrap gap-x-6 gap-y-1">
      {likes?.map(({ id, label }) => (
        <label key={id} className="flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            className="min-h-0"
            checked={chosen.includes(id)}
            onChange={(event) =>
              form.set(
                'likes',
                likes
                  .map((like) => like.id)
                  .filter((like) => (like === id ? event.target.checked : chosen.includes(like)))
                  .join(' '),
              )
            }
          />
          {label}
        </label>
      ))}
      <p className="w-full text-muted">Choose none, and it will be some of each.</p>
    </div>
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
