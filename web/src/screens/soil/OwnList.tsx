import { useState } from 'react';
import type { ReactNode } from 'react';

interface Own {
  id: string;
  name?: string | null | undefined;
}

interface Props<T extends Own> {
  items: readonly T[];
  /** What is said of one below its name. */
  said?: (item: T) => string;
  inUse: ReadonlySet<unknown>;
  newWords: string;
  onSave: (items: T[]) => void;
  /** The form for one, or for a new one; handed what keeps it. */
  form: (item: T | undefined, keep: (made: T) => void) => ReactNode;
}

/** Things of the grower's own: changed, removed where they are not in use, and added to. */
export function OwnList<T extends Own>(props: Props<T>) {
  const { items, said, inUse, newWords, form } = props;
  const [open, setOpen] = useState<string | null>(null);
  const save = (next: T[]) => {
    props.onSave(next);
    setOpen(null);
  };
  return (
    <>
      <ul>
        {items.map((item) => (
          <li key={item.id} className="border-t border-faint py-1">
            <span className="font-semibold">{item.name ?? item.id}</span>
            {said && <span className="block text-muted">{said(item)}</span>}
            <span className="block">
              <button type="button" className="press mr-4" onClick={() => setOpen(item.id)}>
                Edit
              </button>
              {inUse.has(item.id) ? (
                <span className="text-muted">in use</span>
              ) : (
                <button
                  type="button"
                  className="press"
                  onClick={() => save(items.filter((other) => other.id !== item.id))}
                >
                  Remove
                </button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {open === null ? (
        <button type="button" className="press" onClick={() => setOpen('')}>
          {newWords}
        </button>
      ) : (
        <div key={open}>
          {form(
            items.find((item) => item.id === open),
            (made) => save([...items.filter((item) => item.id !== made.id), made]),
          )}
        </div>
      )}
    </>
  );
}
