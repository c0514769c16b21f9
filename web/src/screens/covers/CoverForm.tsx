import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answered, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { CoverKind, Edit, Place, PlaceReport } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { rectangle, spotOf } from '../../drawing/cells';
import { nextId } from '../../edits/edits';

interface Props {
  state: HeldGarden;
  place: Place;
  report: PlaceReport;
  onEdit: (edit: Edit) => void;
}

/** A cover to put on: what kind, over which squares, from when to when. */
export function CoverForm({ state, place, report, onEdit }: Props) {
  const kinds = useQuery<Record<string, CoverKind>, ProblemError>({
    queryKey: ['cover-kinds'],
    staleTime: Infinity,
    queryFn: ({ signal }) => answered(api.GET('/api/covers', { signal })),
  }).data;
  const cells = report.cells.map((cell) => cell.address);
  const [kind, setKind] = useState('insect-mesh');
  const [first, setFirst] = useState(cells[0] ?? '');
  const [last, setLast] = useState(cells.at(-1) ?? '');
  const [since, setSince] = useState(state.report.year.last_frost);
  const [until, setUntil] = useState(state.report.year.first_frost);
  const options = cells.map((cell) => [cell, cell] as const);
  const add = () => {
    const spots = [spotOf(first), spotOf(last)] as const;
    const cover = {
      id: nextId(
        place.covers.map((c) => c.id),
        'cover-',
      ),
      kind,
      cells: rectangle(report, spots[0], spots[1]),
      since,
      until,
    };
    onEdit({ do: 'change-place', id: place.id, changes: { covers: [...place.covers, cover] } });
  };
  return (
    <form
      aria-label="Add a cover"
      className="grid grid-cols-2 gap-x-3 gap-y-1"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <div className="col-span-2">
        <Choice
          label="Add another cover"
          value={kind}
          options={Object.entries(kinds ?? {}).map(([id, k]) => [id, k.label] as const)}
          onChange={setKind}
        />
      </div>
      <Choice label="From square" value={first} options={options} onChange={setFirst} />
      <Choice label="to square" value={last} options={options} onChange={setLast} />
      <Field label="On from">
        <input type="date" value={since} onChange={(e) => setSince(e.target.value)} />
      </Field>
      <Field label="off on">
        <input type="date" value={until} onChange={(e) => setUntil(e.target.value)} />
      </Field>
      {kinds?.[kind] && (
        <p className="col-span-2 text-[12.5px] text-muted">{`Keeps off ${kinds[kind].keeps_off}.`}</p>
      )}
      <p className="col-span-2">
        <button type="submit" className="act">
          Add the cover
        </button>
      </p>
    </form>
  );
}
