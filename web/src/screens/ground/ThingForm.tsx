import { useState } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { Edit } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { useUnits } from '../../kit/preferences';
import { metresField, readMetres } from './measure';
import { removeThing } from './things';
import type { Thing } from './things';
import { specOf } from './thingSpecs';
import type { Read } from './thingSpecs';

interface Props {
  state: HeldGarden;
  thing: Thing;
  onEdit: (edit: Edit) => void;
  onRemove: (edit: Edit) => void;
  onPlacing: () => void;
}

/** What is chosen in the yard, in typed measures. Each kind says which it has. */
export function ThingForm({ state, thing, onEdit, onRemove, onPlacing }: Props) {
  const units = useUnits();
  const spec = specOf(state, thing);
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      spec.fields.map((f) => [f.key, f.kind === 'length' ? metresField(f.m, units) : f.value]),
    ),
  );
  const [faults, setFaults] = useState<Record<string, string>>({});
  const set = (key: string, value: string) => setTyped((now) => ({ ...now, [key]: value }));
  const save = () => {
    const found: Record<string, string> = {};
    const read: Read = {
      length: (key, least) => {
        const { m, fault } = readMetres(typed[key] ?? '', units, least);
        if (fault) found[key] = fault;
        return m;
      },
      number: (key, low, high) => {
        const text = (typed[key] ?? '').trim().replace(',', '.');
        const value = Number(text);
        if (text !== '' && (Number.isNaN(value) || value < low || value > high)) {
          found[key] = `Enter a number from ${low} to ${high}.`;
        }
        return text === '' ? null : value;
      },
    };
    const edit = spec.edit(typed, read);
    setFaults(found);
    if (Object.keys(found).length === 0) onEdit(edit);
  };
  return (
    <section aria-label={spec.title}>
      <h2 className="text-base first-letter:uppercase">{spec.title}</h2>
      <form
        className="grid grid-cols-2 gap-x-3 gap-y-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        {spec.fields.map((field) =>
          field.kind === 'choice' ? (
            <Choice
              key={field.key}
              label={field.label}
              value={typed[field.key] ?? ''}
              options={field.options}
              onChange={(value) => set(field.key, value)}
            />
          ) : (
            <Field
              key={field.key}
              label={field.kind === 'length' ? `${field.label}, ${units.lengthUnit}` : field.label}
              fault={faults[field.key]}
            >
              <input
                value={typed[field.key] ?? ''}
                inputMode={field.kind === 'text' ? 'text' : 'decimal'}
                maxLength={120}
                onChange={(event) => set(field.key, event.target.value)}
              />
            </Field>
          ),
        )}
        <p className="col-span-full flex flex-wrap items-baseline gap-x-4 pt-1">
          <button type="submit" className="act act-main">
            Save
          </button>
          <button type="button" className="press" onClick={onPlacing}>
            Move
          </button>
          <button
            type="button"
            className="press"
            onClick={() => onRemove(removeThing(state.plan, thing))}
          >
            Delete
          </button>
        </p>
      </form>
    </section>
  );
}
