import { Popover } from 'radix-ui';
import { createContext, useCallback, useContext, useRef, useState } from 'react';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';

import type { Term } from '../api/types';
import { useUnits } from '../kit/preferences';
import { figure, money } from '../kit/units';

type Open = (anchor: HTMLElement, working: () => ReactNode) => void;

const Opening = createContext<Open | null>(null);

/** One leaf of paper for all workings of a page: it opens beside the figure that asked. */
export function Workings({ children }: { children: ReactNode }) {
  const anchor = useRef<HTMLElement | null>(null);
  const [working, setWorking] = useState<(() => ReactNode) | null>(null);
  const open = useCallback<Open>((from, content) => {
    anchor.current = from;
    setWorking(() => content);
  }, []);
  return (
    <Opening value={open}>
      {children}
      <Popover.Root open={working !== null} onOpenChange={(on) => !on && setWorking(null)}>
        <Popover.Anchor virtualRef={anchor} />
        <Popover.Portal>
          <Popover.Content
            side="left"
            align="start"
            sideOffset={8}
            collisionPadding={12}
            aria-label="Working"
            onCloseAutoFocus={(event) => {
              event.preventDefault();
              anchor.current?.focus();
            }}
            className="z-20 max-h-[70vh] w-[430px] max-w-[92vw] overflow-y-auto border border-ink bg-paper p-4"
          >
            {working?.()}
            <Popover.Close className="press mt-2">Close</Popover.Close>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </Opening>
  );
}

/** A figure that opens its working. */
export function Figure({
  label,
  children,
  working,
}: {
  label: string;
  /** The figure as it is read: part of the button's name, as it should be. */
  children: string;
  working: () => ReactNode;
}) {
  const open = useContext(Opening);
  return (
    <button
      type="button"
      className="figure"
      aria-label={`${children}, ${label}`}
      aria-haspopup="dialog"
      onClick={(event) => open?.(event.currentTarget, working)}
    >
      {children}
    </button>
  );
}

/** Units that are not written behind a figure: factors, and money of any country. */
const BARE: ReadonlySet<string> = new Set(['', '×', 'money']);

function shown(term: Term): string {
  if (term.value === null) return '–';
  if (typeof term.value === 'string') return term.value;
  if (term.unit === 'money') return money(term.value);
  if (term.unit === '×') return term.value.toFixed(2);
  return figure(term.value);
}

/** Where a figure comes from: its name at once, the whole note when asked for. */
function Source({ text }: { text: string }) {
  const [name, ...note] = text.split(': ');
  if (note.length === 0) return <span className="block text-[11.5px]">{text}</span>;
  return (
    <details className="text-[11.5px]">
      <summary className="cursor-pointer">{name}</summary>
      {note.join(': ')}
    </details>
  );
}

interface Fetched {
  title: string;
  problem: { message: string } | null;
  terms: readonly Term[] | undefined;
}

/** A sum that is fetched as it is opened: the wait for it, or why it does not come. */
export function FetchedSum({ title, problem, terms }: Fetched) {
  if (problem) return <p role="alert">{problem.message}</p>;
  if (!terms) return <p className="text-muted">Working it out…</p>;
  return <Sum title={title} terms={terms} />;
}

/** A sum as done by hand: terms one under the other, a double rule, the result. */
export function Sum({ title, terms }: { title: string; terms: readonly Term[] }) {
  const units = useUnits();
  const { garden = '' } = useParams();
  const result = terms.at(-1);
  return (
    <figure>
      <figcaption className="mb-2 font-serif text-base font-semibold">{title}</figcaption>
      <table className="w-full">
        <tbody>
          {terms.map((term) => (
            <tr key={term.name} className={term === result ? 'double-rule font-semibold' : ''}>
              <th scope="row" className="py-0.5 pr-2 text-left align-top font-normal">
                {term.unit === '×' && '× '}
                {term.rule ? (
                  <Link className="methodical" to={`/gardens/${garden}/methods#${term.rule}`}>
                    {term.name}
                  </Link>
                ) : (
                  term.name
                )}
              </th>
              <td className="whitespace-nowrap py-0.5 pr-3 text-right align-top font-semibold">
                {typeof term.value === 'number' && !BARE.has(term.unit)
                  ? units.measured(term.value, term.unit)
                  : shown(term)}
              </td>
              <td className="py-0.5 align-top text-[12.5px] text-muted">
                {term.how}
                <Source text={term.source} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </figure>
  );
}
