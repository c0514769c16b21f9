import { useQuery } from '@tanstack/react-query';

import { answered, api } from '../../api/client';
import { ChoiceField, LengthField } from '../../kit/form';
import type { PlaceDraft } from './usePlaceDraft';

const WAYS = [
  ['no', 'along the longer side'],
  ['yes', 'across it'],
] as const;
const SHIFTED = [
  ['no', 'side by side'],
  ['yes', 'staggered, every other line by half'],
] as const;

/** What is laid over a place in lines: drip lines, cloth with holes, strings. */
export function PatternFields({ typed }: { typed: PlaceDraft }) {
  const { form } = typed;
  const { data: kinds = {} } = useQuery({
    queryKey: ['patterns'],
    staleTime: Infinity,
    queryFn: ({ signal }) => answered(api.GET('/api/patterns', { signal })),
  });
  const labels = Object.entries(kinds).map(([id, kind]) => [id, kind.label] as const);
  const chosen = kinds[form.typed.pattern];
  return (
    <>
      <ChoiceField
        form={form}
        name="pattern"
        label="Laid over it"
        options={[['', 'nothing'], ...labels]}
      />
      {chosen && (
        <>
          <LengthField form={form} name="linesApart" label="Lines apart" />
          <ChoiceField form={form} name="across" label="Lines run" options={WAYS} />
          {chosen.at && (
            <LengthField
              form={form}
              name="spotsApart"
              label={chosen.along ? 'Drippers apart' : 'Holes apart'}
            />
          )}
          {chosen.at && (
            <ChoiceField form={form} name="staggered" label="On the lines" options={SHIFTED} />
          )}
        </>
      )}
    </>
  );
}
