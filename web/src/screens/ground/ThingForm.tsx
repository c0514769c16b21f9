import type { HeldGarden } from '../../api/merge';
import type { Edit } from '../../api/types';
import { useCoverings } from '../../api/useSoil';
import {
  ChoiceField,
  LengthField,
  MeasureField,
  NumberField,
  TextField,
  useTyped,
} from '../../kit/form';
import type { TypedForm } from '../../kit/form';
import { useRegional, useUnits } from '../../kit/preferences';
import { PathCare } from './PathCare';
import { removeThing } from './things';
import type { Thing } from './things';
import { fieldText, specOf } from './thingSpecs';
import type { FieldSpec } from './thingSpecs';

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
  const coverings = useCoverings();
  const spec = specOf(state, thing, coverings);
  const first: Record<string, string> = Object.fromEntries(
    spec.fields.map((f) => [f.key, fieldText(f, units)]),
  );
  const form = useTyped(first, spec.edit);
  return (
    <section aria-label={spec.title}>
      <h2 className="text-base first-letter:uppercase">{spec.title}</h2>
      <form className="grid grid-cols-2 gap-x-3 gap-y-1.5" onSubmit={form.sent(onEdit)}>
        {spec.fields.map((field) => (
          <TypedOf key={field.key} form={form} field={field} />
        ))}
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
      {thing.kind === 'path' && <PathCare state={state} index={thing.index} onEdit={onEdit} />}
    </section>
  );
}

/** The field that a kind of measure is typed in. */
function TypedOf({ form, field }: { form: TypedForm<Record<string, string>>; field: FieldSpec }) {
  const say = useRegional();
  const shown = { form, name: field.key, label: field.label };
  switch (field.kind) {
    case 'choice':
      return (
        <ChoiceField {...shown} options={field.options.map(([id, words]) => [id, say(words)])} />
      );
    case 'length':
      return <LengthField {...shown} />;
    case 'measure':
      return <MeasureField {...shown} unit={field.unit} />;
    case 'number':
      return <NumberField {...shown} />;
    case 'text':
      return <TextField {...shown} />;
  }
}
