import { useState } from 'react';
import { Link, useNavigate } from 'react-router';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Place, TrainingSystem } from '../../api/types';
import { nextId, withoutSupport } from '../../edits/edits';
import { standsAt } from '../../edits/standsAt';
import { Choice } from '../../kit/Choice';

interface Props {
  state: HeldGarden;
  place: Place;
  /** The support that is shown, where there is one. */
  support: string | undefined;
  systems: Record<string, TrainingSystem>;
}

const withoutNulls = (keys: object) =>
  Object.fromEntries(Object.entries(keys).filter(([, value]) => value !== null));

/** A support more, or the one shown taken away with what leans on it. */
export function SupportsHere({ state, place, support, systems }: Props) {
  const editor = useEditor(state.head.slug);
  const go = useNavigate();
  const standing = Object.entries(systems).filter(([, system]) => system.needs_support);
  const [system, setSystem] = useState('net');
  const home = `/gardens/${state.head.slug}/places/${place.id}/supports`;
  const add = async () => {
    const id = nextId(
      place.supports.map((s) => s.id),
      'support-',
    );
    // A round place has no edge to stand on.
    const report = state.report.places.find((each) => each.id === place.id);
    const round = place.shape.type === 'circle' && report;
    const stands = round ? standsAt('along', report.bounds_cm) : {};
    const supports = [...place.supports, { id, system, ...withoutNulls(stands) }];
    const saved = await editor.edit({ do: 'change-place', id: place.id, changes: { supports } });
    if (saved) void go(`${home}/${id}`);
  };
  const remove = async (gone: string) => {
    const saved = await editor.edit(withoutSupport(state.plan, place, gone));
    if (saved) void go(home, { replace: true });
  };
  return (
    <section aria-label="Supports here" className="flex flex-wrap items-end gap-x-4 gap-y-1">
      <Choice
        label="Add a support"
        value={system}
        options={standing.map(([id, one]) => [id, one.label] as const)}
        onChange={setSystem}
      />
      <button type="button" className="press" onClick={() => void add()}>
        Add
      </button>
      <OfOnePlanting
        squares={`/gardens/${state.head.slug}/squares/${place.id}`}
        systems={systems}
      />
      {support && (
        <button type="button" className="press" onClick={() => void remove(support)}>
          Delete this support
        </button>
      )}
    </section>
  );
}

const NOTHING = 'ground';

/** What holds up single plants is not built into the place; where it is chosen instead. */
function OfOnePlanting({
  squares,
  systems,
}: {
  squares: string;
  systems: Record<string, TrainingSystem>;
}) {
  const own = Object.entries(systems).filter(([id, s]) => !s.needs_support && id !== NOTHING);
  const named = new Intl.ListFormat('en', { type: 'disjunction' }).format(
    own.map(([, system]) => system.label),
  );
  return (
    <p className="w-full text-[13px] text-muted">
      {`For single plants and pots: ${named}. It is chosen for each planting, under `}
      <Link to={squares}>Squares</Link>.
    </p>
  );
}
