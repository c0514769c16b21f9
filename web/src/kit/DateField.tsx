import { CommittedInput } from './CommittedInput';
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
      <CommittedInput
        type="date"
        value={value}
        onCommit={(typed) => typed !== value && onCommit(typed || null)}
      />
    </Field>
  );
}
