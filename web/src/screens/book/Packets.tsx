import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { CameUp, Edit, SeedPacket, ShoppingList } from '../../api/types';
import { ChoiceField, NumberField, useTyped } from '../../kit/form';
import { nextId } from '../../edits/edits';
import { useIndex } from '../../api/useBook';

function useGermination(slug: string) {
  return useQuery<Record<string, CameUp>, ProblemError>({
    queryKey: ['record', slug, 'germination'],
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/germination', { params: { path: { slug } }, signal }),
      ),
  });
}

interface Props {
  state: HeldGarden;
  list: ShoppingList;
  onEdit: (edit: Edit) => void;
}

/** Every packet in the box with what still comes up, and one more to add. */
export function Packets({ state, list, onEdit }: Props) {
  const packets = state.plan.seed_box?.packets ?? [];
  const germination = useGermination(state.head.slug);
  const change = (left: readonly SeedPacket[]) =>
    onEdit({ do: 'change-seed-box', changes: { packets: left } });
  return (
    <section aria-labelledby="packets">
      <h2 id="packets" className="text-base">
        In the box
      </h2>
      {list.packets.length === 0 && <p className="text-muted">No packet is entered yet.</p>}
      <ul>
        {list.packets.map((packet) => (
          <li key={packet.id} className="border-t border-faint py-0.5">
            <span className="flex items-baseline gap-2">
              <span className="grow">{`${packet.name}, ${packet.year}`}</span>
              <span>{`${packet.seeds} seeds`}</span>
              <button
                type="button"
                className="press text-[12.5px]"
                aria-label={`Delete ${packet.name}, ${packet.year}`}
                onClick={() => change(packets.filter((p) => p.id !== packet.id))}
              >
                Delete
              </button>
            </span>
            <span className="block text-[12.5px] text-muted">
              {`${Math.round(packet.comes_up * 100)} in 100 come up${packet.words ? `; ${packet.words}` : ''}${counted(germination.data?.[packet.crop], packet.year)}`}
            </span>
          </li>
        ))}
      </ul>
      <NewPacket state={state} onAdd={(packet) => change([...packets, packet])} />
    </section>
  );
}

/** What came up of a crop since its packet was packed. */
function counted(seen: CameUp | undefined, packed: number): string {
  if (!seen || seen.year < packed) return '';
  return `; ${seen.up} of ${seen.sown} came up in ${seen.year}`;
}

function NewPacket({ state, onAdd }: { state: HeldGarden; onAdd: (packet: SeedPacket) => void }) {
  const year = Number(state.report.year.start.slice(0, 4));
  const lines = useIndex(state, null).data ?? [];
  const [saved, setSaved] = useState(false);
  const form = useTyped({ crop: '', seeds: '', year: String(year) }, (read): SeedPacket => {
    if (read.text('crop') === null) read.fault('crop', 'Choose a crop.');
    const ids = (state.plan.seed_box?.packets ?? []).map((p) => p.id);
    return {
      id: nextId(ids, 's'),
      crop: read.typed.crop,
      seeds: Math.round(read.needed('seeds', 1, 1_000_000)),
      year: Math.round(read.number('year', 1950, 2200) ?? year),
      ...(saved ? { saved } : {}),
    };
  });
  return (
    <form
      aria-label="Add a packet"
      className="mt-2 grid grid-cols-2 gap-x-3 gap-y-1"
      onSubmit={form.sent(onAdd)}
    >
      <div className="col-span-2">
        <ChoiceField
          form={form}
          name="crop"
          label="Add another packet"
          options={[['', 'choose a crop'], ...lines.map((line) => [line.id, line.name] as const)]}
        />
      </div>
      <NumberField form={form} name="seeds" label="Seeds left" />
      <NumberField form={form} name="year" label="Packed for" />
      <label className="col-span-2 flex items-center gap-2">
        <input type="checkbox" checked={saved} onChange={(e) => setSaved(e.target.checked)} />
        saved from the garden
      </label>
      <p className="col-span-2">
        <button type="submit" className="act">
          Add
        </button>
      </p>
    </form>
  );
}
