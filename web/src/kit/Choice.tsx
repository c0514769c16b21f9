import { Field } from './Field';

export type Options<V extends string> = readonly (readonly [V, string])[];

/** A labelled choice among known values, each with its words. */
export function Choice<V extends string>({
  label,
  value,
  options,
  onChange,
  fault,
  inline = false,
}: {
  label: string;
  value: V;
  options: Options<V>;
  onChange: (value: V) => void;
  fault?: string | undefined;
  inline?: boolean;
}) {
  return (
    <Field label={label} fault={fault} inline={inline}>
      <select
        className="max-w-full"
        value={value}
        onChange={(event) => onChange(event.target.value as V)}
      >
        {options.map(([known, words]) => (
          <option key={known} value={known}>
            {words}
          </option>
        ))}
      </select>
    </Field>
  );
}
