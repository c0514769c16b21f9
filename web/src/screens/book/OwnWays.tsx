import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answered, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { CropPage, Edit, TrainingSystem } from '../../api/types';
import { Ticks } from '../../kit/Ticks';

interface Props {
  page: CropPage;
  onEdit: (edit: Edit) => void;
}

/** The ways in which a crop is grown here: more are ticked, others left out. */
export function OwnWays({ page, onEdit }: Props) {
  const { id, trainings } = page.crop;
  const set = (ways: unknown) => onEdit({ do: 'change-crop', id, figures: { trainings: ways } });
  return (
    <details className="mt-3">
      <summary className="press inline-block">Your own ways of growing it</summary>
      <WaysTicked
        key={trainings.map((way) => way.system).join(' ')}
        ways={trainings}
        onChange={set}
      />
      <p className="text-[12.5px] text-muted">
        A way that is added gives as much as the usual one.{' '}
        <button type="button" className="press" onClick={() => set(null)}>
          The book’s own ways
        </button>
      </p>
    </details>
  );
}

type Way = CropPage['crop']['trainings'][number];

/** Ticks are shown at once; what comes back is shown anew. */
function WaysTicked({ ways, onChange }: { ways: readonly Way[]; onChange: (ways: Way[]) => void }) {
  const systems = useQuery<Record<string, TrainingSystem>, ProblemError>({
    queryKey: ['/api/trainings'],
    staleTime: Infinity,
    queryFn: ({ signal }) => answered(api.GET('/api/trainings', { signal })),
  }).data;
  const [ticked, setTicked] = useState<readonly string[]>(ways.map((way) => way.system));
  const choose = (now: readonly string[]) => {
    setTicked(now);
    const added = now.filter((system) => !ways.some((way) => way.system === system));
    onChange([
      ...ways.filter((way) => now.includes(way.system)),
      ...added.map((system) => ({ system, harvest_factor: 1, in_row_cm: null, picking_scale: 1 })),
    ]);
  };
  return (
    <Ticks
      label="Grown here"
      options={Object.entries(systems ?? {}).map(([id, system]) => [id, system.label] as const)}
      ticked={ticked}
      onChange={choose}
    />
  );
}
