import { Link } from 'react-router';

import { dayOf, words } from '../../kit/day';
import { Field } from '../../kit/Field';
import { useUnits } from '../../kit/preferences';
import { TypedField } from '../../kit/TypedField';
import { useFirstBed } from './useFirstBed';
import type { FirstBedDraft } from './useFirstBed';

/** Four questions: size, depth, hours of sun, frosts. A planted bed is the answer. */
export function FirstBed() {
  const units = useUnits();
  const draft = useFirstBed();
  const { answers, set, faults } = draft;
  return (
    <main className="mx-auto max-w-2xl p-6">
      <h1 className="text-2xl">Your first bed</h1>
      <p className="mb-5 text-muted">
        Four questions. The answer is a planted bed for the whole year, yours to change.{' '}
        <Link className="press" to="/keeping">
          Import a plan or restore a backup
        </Link>
      </p>
      <form onSubmit={(event) => void draft.make(event)} className="space-y-5">
        <Question number={1} text="How large is it inside?">
          <TypedField
            label={`Width, ${units.lengthUnit}`}
            value={answers.width}
            fault={faults.width}
            onChange={(v) => set('width', v)}
          />
          <TypedField
            label={`Length, ${units.lengthUnit}`}
            value={answers.length}
            fault={faults.length}
            onChange={(v) => set('length', v)}
          />
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
          <TypedField
            label={`Depth, ${units.lengthUnit}`}
            value={answers.depth}
            fault={faults.depth}
            onChange={(v) => set('depth', v)}
          />
        </Question>
        <Question
          number={3}
          text="How many hours does the sun reach it on a clear day in early summer?"
        >
          <TypedField
            label="Hours"
            value={answers.sun}
            fault={faults.sun}
            onChange={(v) => set('sun', v)}
          />
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
function FrostQuestion({ draft: { answers, set, faults, frosts } }: { draft: FirstBedDraft }) {
  return (
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
        <input type="date" value={answers.first} onChange={(e) => set('first', e.target.value)} />
      </Field>
      {frosts && (answers.last === '' || answers.first === '') && (
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
