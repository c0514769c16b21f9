import { Field } from './Field';

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  fault?: string | undefined;
  hint?: string | undefined;
}

/** A number or measure that is typed, under its label. */
export function TypedField({ label, value, onChange, fault, hint }: Props) {
  return (
    <Field label={label} fault={fault} {...(hint ? { hint } : {})}>
      <input value={value} inputMode="decimal" onChange={(event) => onChange(event.target.value)} />
    </Field>
  );
}
