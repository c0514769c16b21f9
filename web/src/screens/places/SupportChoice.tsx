import { useQuery } from '@tanstack/react-query';

import { answered, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { TrainingSystem } from '../../api/types';
import { Choice } from '../../kit/Choice';

interface Props {
  value: string;
  onChange: (system: string, heightCm: number) => void;
}

/** What stands along the side away from the sun for crops to climb. */
export function SupportChoice({ value, onChange }: Props) {
  const trainings = useQuery<Record<string, TrainingSystem>, ProblemError>({
    queryKey: ['trainings'],
    staleTime: Infinity,
    queryFn: ({ signal }) => answered(api.GET('/api/trainings', { signal })),
  });
  const systems = Object.entries(trainings.data ?? {}).filter(([, system]) => system.needs_support);
  const listed = systems.some(([id]) => id === value);
  return (
    <Choice
      label="Something to climb, on the side away from the sun"
      value={value}
      options={[
        ['', 'nothing'],
        ...(listed || value === '' ? [] : [[value, value] as const]),
        ...systems.map(([id, system]) => [id, system.label] as const),
      ]}
      onChange={(id) => onChange(id, trainings.data?.[id]?.height_cm ?? 0)}
    />
  );
}
