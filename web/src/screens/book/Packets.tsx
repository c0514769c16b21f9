import { useState } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { Edit, SeedPacket, ShoppingList } from '../../api/types';
import { ChoiceField, NumberField, useTyped } from '../../kit/form';
import { nextId } from '../../edits/edits';
import { useIndex } from '../../api/useBook';

interface Props {
  state: HeldGarden;
  list: ShoppingList;
  onEdit: (edit: Edit) => void;
}

/** Every packet in the box with what still comes up, and one more to add. */
export function Packets({ state, list, onEdit }: Props) {
  const packets = state.plan.seed_box?.packets ?? [];
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
              {`${Math.round(packet.comes_up * 100)} in 100 come up${packet.words ? `; ${packet.words}` : ''}`}
            </span>
          </li>
        ))}
      </ul>
      <NewPacket state={state} onAdd={(packet) => change([...packets, packet])} />
    </section>
  );
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
