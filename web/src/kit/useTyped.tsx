import { useState } from 'react';

import { Field } from './Field';

const MOST_LETTERS = 120;

type Texts = Readonly<Record<string, string>>;

export interface Reader {
  /** A number from a field, or null where it is empty; what cannot be read is kept as a fault. */
  number: (key: string, least: number, most?: number) => number | null;
  /** Whether all that was read could be; faults are shown at their fields. */
  sound: () => boolean;
}

export interface Typed {
  typed: Texts;
  faults: Texts;
  set: (key: string, text: string) => void;
  reader: () => Reader;
}

/** A form's fields as they are typed, and numbers read from them. */
export function useTyped(first: Texts | (() => Texts)): Typed {
  const [typed, setTyped] = useState(first);
  const [faults, setFaults] = useState<Texts>({});
  const reader = (): Reader => {
    const found: Record<string, string> = {};
    return {
      number: (key, least, most = Infinity) => {
        const text = (typed[key] ?? '').trim().replace(',', '.');
        if (text === '') return null;
        const value = Number(text);
        if (Number.isNaN(value) || value < least || value > most)
          found[key] =
            most === Infinity ? `Enter a number from ${least}.` : `Enter ${least} to ${most}.`;
        return value;
      },
      sound: () => {
        setFaults(found);
        return Object.keys(found).length === 0;
      },
    };
  };
  return {
    typed,
    faults,
    set: (key, text) => setTyped((now) => ({ ...now, [key]: text })),
    reader,
  };
}

/** Some words of such a form, with their label. */
export function TextField({ form, name, label }: { form: Typed; name: string; label: string }) {
  return (
    <Field label={label}>
      <input
        value={form.typed[name] ?? ''}
        maxLength={MOST_LETTERS}
        onChange={(event) => form.set(name, event.target.value)}
      />
    </Field>
  );
}

/** One number of such a form, with its label and what is wrong with it. */
export function NumberField({
  form,
  name,
  label,
  hint,
  placeholder,
}: {
  form: Typed;
  name: string;
  label: string;
  hint?: string;
  placeholder?: string;
}) {
  return (
    <Field label={label} fault={form.faults[name]} {...(hint ? { hint } : {})}>
      <input
        value={form.typed[name] ?? ''}
        inputMode="decimal"
        placeholder={placeholder}
        onChange={(event) => form.set(name, event.target.value)}
      />
    </Field>
  );
}

export function textOf(value: number | null | undefined): string {
  return value?.toString() ?? '';
}
