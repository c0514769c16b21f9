import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

import type { Term } from '../api/types';
import { useUnits } from '../app/preferences';

/** A figure that opens its working. */
export function Figure({
  label,
  children,
  working,
}: {
  label: string;
  children: ReactNode;
  working: ReactNode;
}) {
  return (
    <Popover.Root>
      <Popover.Trigger className="figure" aria-label={label}>
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="left"
          align="start"
          sideOffset={8}
          collisionPadding={12}
          className="z-20 max-h-[70vh] w-[430px] max-w-[92vw] overflow-y-auto border border-ink bg-paper p-4"
        >
          {working}
          <Popover.Close className="press mt-2">Close</Popover.Close>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function shown(term: Term): string {
  if (term.value === null) return '–';
  if (typeof term.value === 'string') return term.value;
  if (term.unit === '×') return term.value.toFixed(2);
  const digits = Math.abs(term.value) >= 100 || Number.isInteger(term.value) ? 0 : 3;
  return String(Number(term.value.toFixed(digits)));
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

/** A sum as done by hand: terms one under the other, a double rule, the result. */
export function Sum({ title, terms }: { title: string; terms: readonly Term[] }) {
  const units = useUnits();
  const result = terms.at(-1);
  return (
    <figure>
      <figcaption className="mb-2 font-serif text-base font-semibold">{title}</figcaption>
      <table className="w-full">
        <tbody>
          {terms.map((term) => (
            <tr key={term.name} className={term === result ? 'double-rule font-semibold' : ''}>
              <th scope="row" className="py-0.5 pr-2 text-left align-top font-normal">
                {term.unit === '×' ? `× ${term.name}` : term.name}
              </th>
              <td className="whitespace-nowrap py-0.5 pr-3 text-right align-top font-semibold">
                {units.sentence(
                  `${shown(term)}${term.unit && term.unit !== '×' ? ` ${term.unit}` : ''}`,
                )}
              </td>
              <td className="py-0.5 align-top text-[12.5px] text-muted">
                {units.sentence(term.how)}
                <Source text={term.source} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </figure>
  );
}
