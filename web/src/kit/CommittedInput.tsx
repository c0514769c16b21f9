import { useState } from 'react';
import type { ComponentProps } from 'react';

type Native = Omit<ComponentProps<'input'>, 'value' | 'defaultValue' | 'onChange' | 'onBlur'>;

interface Props extends Native {
  value: string;
  /** What was typed, the value itself where it was typed back. */
  onCommit: (typed: string) => void;
}

/**
 * A field that counts once it is left or Enter is pressed. What is being typed stays, whatever
 * answer to an earlier change comes in meanwhile.
 */
export function CommittedInput({ value, onCommit, ...native }: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const [typing, setTyping] = useState(false);
  const [last, setLast] = useState(value);
  if (value !== last) {
    setLast(value);
    if (!typing) setDraft(null);
  }
  return (
    <input
      {...native}
      value={draft ?? value}
      onChange={(event) => setDraft(event.target.value)}
      onFocus={() => setTyping(true)}
      onBlur={() => {
        setTyping(false);
        if (draft === null) return;
        if (draft === value) setDraft(null);
        onCommit(draft);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
      }}
    />
  );
}
