import { useController, useForm, useWatch } from 'react-hook-form';
import type { Control, FieldErrors } from 'react-hook-form';
import { useEffect, useRef } from 'react';
import type { BaseSyntheticEvent, ChangeEvent } from 'react';

import { Choice } from './Choice';
import type { Options } from './Choice';
import { Field } from './Field';
import { useUnits } from './preferences';
import { capital } from './text';
import { fieldUnit } from './measures';
import type { CoreUnit } from './measures';
import { readerOf } from './reader';
import type { Reader, Texts } from './reader';

const MOST_LETTERS = 120;
/** Sooner, half a measure would be called wrong; at the press of a button, it would jump away. */
const RESTS_MS = 900;
/** Marks what was found wrong by the core, and not by reading what is typed. */
const CORE = 'core';

type Loose = Record<string, string | undefined>;
type Held = Control<Loose, unknown, { read: unknown }>;

/** What the core found wrong, field by field, by the end of its path. */
interface Refusal {
  at: (path: string) => string | undefined;
}

/** A form under way: what is typed, what is wrong with it, and what it is sent as. */
export interface TypedForm<T, R = unknown> {
  control: Held;
  typed: T;
  set: <K extends keyof T>(key: K, text: T[K]) => void;
  /** Empty again as at first, but for what is kept for the next one or was typed since sending. */
  clear: (kept: Partial<T>) => void;
  /** Say at a field what cannot be read in it, once typing rests. */
  look: (key: string) => void;
  fault: (key: keyof T | 'whole') => string | undefined;
  /** Say at a field what only the core could find wrong with it. */
  refuse: (key: keyof T, words: string) => void;
  /** Say it at each field whose path ends so; false when it is wrong with none of them. */
  refusedAt: (paths: Readonly<Record<string, string>>, why: Refusal) => boolean;
  /** Hand over what is read; where something cannot be, it is said at its field instead. */
  sent: (save: (read: R) => unknown) => (event: BaseSyntheticEvent) => void;
}

/** A form of typed fields, and how they are read once it is sent. */
export function useTyped<T extends Texts<T>, R>(
  first: T,
  read: (reader: Reader<T>) => R,
): TypedForm<T, R> {
  const units = useUnits();
  const {
    control,
    setValue,
    reset,
    trigger,
    getValues,
    getFieldState,
    setError,
    handleSubmit,
    formState,
  } = useForm<Loose, unknown, { read: R }>({
    defaultValues: first,
    resolver: (typed) => {
      const { reader, faults } = readerOf(typed as unknown as T, units);
      const values = { read: read(reader) };
      const errors = Object.entries(faults).map(([key, message]) => [
        key,
        { type: 'read', message },
      ]);
      return errors.length === 0
        ? { values, errors: {} }
        : { values: {}, errors: Object.fromEntries(errors) as FieldErrors<Loose> };
    },
  });
  const typed = useWatch({ control }) as unknown as T;
  const asSent = useRef<Loose>({});
  const refuse = (key: string, message: string, shouldFocus = false) =>
    setError(key, { type: CORE, message }, { shouldFocus });
  return {
    control: control,
    typed,
    set: (key, text) => setValue(String(key), text, { shouldValidate: formState.isSubmitted }),
    clear: (kept) => {
      const since = Object.entries(getValues()).filter(
        ([key, text]) => text !== asSent.current[key],
      );
      reset({ ...first, ...kept, ...Object.fromEntries(since) });
    },
    look: (key) => {
      // What is empty, or was saved and emptied meanwhile, is told when it is sent; what the core
      // refused meanwhile is not taken back for being legible.
      if (getValues(key) && getFieldState(key).error?.type !== CORE) void trigger(key);
    },
    fault: (key) => formState.errors[String(key)]?.message,
    refuse: (key, message) => refuse(String(key), message),
    refusedAt: (paths, why) => {
      const wrong = Object.entries(paths).flatMap(([key, path]) => {
        const words = why.at(path);
        return words === undefined ? [] : [[key, `${capital(words)}.`] as const];
      });
      wrong.forEach(([key, words], index) => refuse(key, words, index === 0));
      return wrong.length > 0;
    },
    sent: (save) => (event) => {
      asSent.current = { ...getValues() };
      void handleSubmit(({ read: value }) => save(value))(event);
    },
  };
}

interface Props<T> {
  form: Pick<TypedForm<T>, 'control' | 'typed' | 'look'>;
  name: keyof T & string;
  label: string;
  hint?: string | undefined;
}

/** One field of a form, with what is wrong with it under it; faulty ones are gone to. */
function Input<T>({
  form,
  name,
  native,
  ...words
}: Props<T> & { native: React.ComponentProps<'input'> }) {
  const { field, fieldState } = useController({ control: form.control, name });
  const { label, hint } = words;
  const resting = useRef(0);
  useEffect(() => () => window.clearTimeout(resting.current), []);
  const change = (event: ChangeEvent<HTMLInputElement>) => {
    field.onChange(event);
    window.clearTimeout(resting.current);
    resting.current = window.setTimeout(() => form.look(name), RESTS_MS);
  };
  return (
    <Field label={label} fault={fieldState.error?.message} {...(hint ? { hint } : {})}>
      <input
        {...native}
        {...field}
        value={field.value ?? ''}
        aria-invalid={fieldState.invalid}
        onChange={change}
      />
    </Field>
  );
}

/** Some words, with their label. */
export function TextField<T>(props: Props<T>) {
  return <Input {...props} native={{ maxLength: MOST_LETTERS }} />;
}

/** A number or a measure, with its label. */
export function NumberField<T>({ placeholder, ...props }: Props<T> & { placeholder?: string }) {
  return <Input {...props} native={{ inputMode: 'decimal', placeholder }} />;
}

/** A day, with its label. */
export function DayField<T>(props: Props<T>) {
  return <Input {...props} native={{ type: 'date' }} />;
}

/** A measure in the grower's own unit, which stands behind its label; others can be typed. */
export function MeasureField<T>({
  label,
  unit,
  ...props
}: Props<T> & { unit: CoreUnit; placeholder?: string }) {
  const { system } = useUnits();
  return <NumberField {...props} label={`${label}, ${fieldUnit(unit, system).label}`} />;
}

/** A length in the grower's own unit, which stands in its label. */
export function LengthField<T>({ label, ...props }: Props<T>) {
  const units = useUnits();
  return <NumberField {...props} label={`${label}, ${units.lengthUnit}`} />;
}

/** What is wrong with the whole of a form. */
export function WholeFault({ form }: { form: { fault: (key: 'whole') => string | undefined } }) {
  const words = form.fault('whole');
  return words ? (
    <p role="alert" className="col-span-full font-semibold text-damson">
      {words}
    </p>
  ) : null;
}

interface ChoiceProps<T, K extends keyof T & string, V extends string> {
  form: Pick<TypedForm<T>, 'typed' | 'set' | 'fault'>;
  name: K;
  label: string;
  options: Options<V>;
}

/** One of several, with its label. */
export function ChoiceField<T, K extends keyof T & string, V extends T[K] & string>({
  form,
  name,
  ...shown
}: ChoiceProps<T, K, V>) {
  return (
    <Choice
      {...shown}
      value={form.typed[name] as V}
      fault={form.fault(name)}
      onChange={(value) => form.set(name, value)}
    />
  );
}
