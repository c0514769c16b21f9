import { Field } from './Field';

interface DateProps {
  label: string;
  value: string;
  inline?: boolean;
  onCommit: (value: string | null) => void;
}

/** A day that counts once it is left or Enter is pressed. */
export function DateField({ label, value, onCommit, inline = false }: DateProps) {
  return (
    <Field label={label} inline={inline}>
      <input
        key={value}
        type="date"
        defaultValue={value}
        onBlur={(e) => {
          if (e.target.value !== value) onCommit(e.target.value || null);
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') e.currentTarget.blur();
        }}
      />
    </Field>
  );
}
