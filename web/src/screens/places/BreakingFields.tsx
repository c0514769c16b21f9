import { useQuery } from '@tanstack/react-query';

import { answered, api } from '../../api/client';
import { ChoiceField, NumberField } from '../../kit/form';
import type { PlaceDraft } from './usePlaceDraft';

/** How new ground is broken: its turf, what it is worked with, and how often. */
export function BreakingFields({ typed }: { typed: PlaceDraft }) {
  const { form } = typed;
  const ways = useQuery({
    queryKey: ['breaking'],
    staleTime: Infinity,
    queryFn: ({ signal }) => answered(api.GET('/api/breaking', { signal })),
  }).data;
  const labels = (table: Readonly<Record<string, { label: string }>> | undefined) =>
    Object.entries(table ?? {}).map(([id, way]) => [id, way.label] as const);
  const caution = ways?.tools[form.typed.tool]?.caution;
  return (
    <>
      <ChoiceField
        form={form}
        name="turf"
        label="Grass that grows there"
        options={[['', 'none, or not said'], ...labels(ways?.turf)]}
      />
      <ChoiceField
        form={form}
        name="tool"
        label="Ground broken with"
        options={[['', 'not said'], ...labels(ways?.tools)]}
      />
      {form.typed.tool !== '' && <NumberField form={form} name="passes" label="Passes" />}
      {caution && <p className="col-span-full text-[12.5px] text-muted">{caution}</p>}
    </>
  );
}
