import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { CropVerdict, ShoppingList, ShoppingRow } from '../../api/types';
import { Heads } from '../../kit/Heads';
import { money } from '../../kit/units';
import { useVerdicts, Verdict } from '../../shared/Verdict';
import { Figure, Sum, Workings } from '../../shared/Working';
import { dayOf, shortWords } from '../../kit/day';
import { Packets } from './Packets';
import { SeedPrices } from './SeedPrices';

/** What the plan needs of seed, plants and sets against what is in the box: the shopping list. */
export function SeedBox({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const editor = useEditor(slug);
  const [chosen, setChosen] = useState<string | null>(null);
  const answer = useQuery<ShoppingList, ProblemError>({
    queryKey: ['seed-box', slug, version],
    placeholderData: (before) => before,
    queryFn: ({ signal }) =>
      answeredAs(api.GET('/api/gardens/{slug}/seed-box', { params: { path: { slug } }, signal })),
  });
  const verdicts = useVerdicts(slug);
  const list = answer.data;
  const row = list?.rows.find((r) => r.crop === chosen) ?? null;
  return (
    <main className="workbench soil tall">
      <header className="flex flex-wrap items-baseline gap-x-4 px-4 pt-2">
        <h1 className="text-xl">Seed box</h1>
        <p className="text-[13px] text-muted">What the plan needs, against what you have.</p>
        <span className="no-print ml-auto flex gap-4">
          <Link className="press" to={`/gardens/${slug}/crops`}>
            Crop book
          </Link>
          <button type="button" className="press" onClick={() => window.print()}>
            Print
          </button>
        </span>
      </header>
      <Workings>
        <div className="sheet overflow-y-auto px-4 pb-4">
          {answer.error && <p role="alert">{answer.error.message}</p>}
          {list && list.rows.length === 0 && (
            <p className="mt-3 text-muted">Nothing is sown or planted in this year yet.</p>
          )}
          {list && list.rows.length > 0 && (
            <Shopping list={list} verdicts={verdicts.data} chosen={chosen} onChoose={setChosen} />
          )}
        </div>
        <aside className="side flex min-h-0 flex-col gap-4 overflow-y-auto border-l border-rule px-3 pb-3 pt-2">
          {row && (
            <SeedPrices
              key={`${version}${row.crop}`}
              state={state}
              row={row}
              onEdit={(edit) => void editor.edit(edit)}
              onDone={() => setChosen(null)}
            />
          )}
          {list && (
            <Packets
              key={version}
              state={state}
              list={list}
              onEdit={(edit) => void editor.edit(edit)}
            />
          )}
        </aside>
      </Workings>
    </main>
  );
}

interface ShoppingProps {
  list: ShoppingList;
  verdicts: Readonly<Record<string, CropVerdict>> | undefined;
  chosen: string | null;
  onChoose: (crop: string) => void;
}

function Shopping({ list, verdicts, chosen, onChoose }: ShoppingProps) {
  return (
    <table className="mt-2 w-full max-sm:[&>tbody]:block max-sm:[&>tfoot]:block max-sm:block">
      <caption className="sr-only">Shopping list</caption>
      <Heads
        columns={[
          ['First used'],
          ['Crop'],
          ['Needed', 'right'],
          ['In the box', 'right'],
          ['To buy', 'after'],
          ['Cost', 'right'],
        ]}
        tucked
      />
      <tbody>
        {list.rows.map((row) => (
          <Row
            key={row.crop}
            row={row}
            verdict={verdicts?.[row.crop]}
            chosen={row.crop === chosen}
            onChoose={onChoose}
          />
        ))}
      </tbody>
      <tfoot>
        <tr className="double-rule font-semibold">
          <td colSpan={5}>In all</td>
          <td className="text-right">{money(list.cost)}</td>
        </tr>
      </tfoot>
    </table>
  );
}

function Row({
  row,
  verdict,
  chosen,
  onChoose,
}: {
  row: ShoppingRow;
  verdict: CropVerdict | undefined;
  chosen: boolean;
  onChoose: (crop: string) => void;
}) {
  return (
    <tr
      className={`border-t border-faint align-baseline max-sm:grid max-sm:grid-cols-[4.5rem_1fr_auto] ${chosen ? 'bg-wash' : ''}`}
    >
      <td className="whitespace-nowrap pr-2 text-muted">{shortWords(dayOf(row.first_use))}</td>
      <th scope="row" className="pr-2 text-left font-normal">
        <span className="flex items-baseline gap-2">
          <span className="font-semibold text-damson">{row.mark}</span>
          <button type="button" className="press text-left" onClick={() => onChoose(row.crop)}>
            {row.name}
          </button>
        </span>
        <Verdict of={verdict} />
      </th>
      <td className="whitespace-nowrap text-right">
        <Figure
          label={`${row.name}, needed: working`}
          working={() => <Sum title={row.name} terms={[...row.working]} />}
        >
          {`${row.wanted} ${row.unit}`}
        </Figure>
      </td>
      <td className="pl-3 text-right max-sm:hidden">
        {row.unit === 'seeds' && row.there > 0 ? row.there : '–'}
      </td>
      <td className="pl-4 max-sm:col-span-2 max-sm:pl-0">
        <span className="font-semibold">{row.as_sold || 'nothing'}</span>
        {row.words && <span className="block text-[12.5px] text-muted">{row.words}</span>}
      </td>
      <td className="whitespace-nowrap text-right">{money(row.cost)}</td>
    </tr>
  );
}
