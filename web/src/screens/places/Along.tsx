import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { Border } from '../../api/types';
import { Field } from '../../kit/Field';
import { useUnits } from '../../kit/preferences';

interface Props {
  slug: string;
  widthCm: number | null;
  wallCm: number | null;
  value: string;
  fault: string | undefined;
  onChange: (border: Border) => void;
}

/** The fence, wall or edge that a border lies along; each with the length that is free there. */
export function Along({ slug, widthCm, wallCm, value, fault, onChange }: Props) {
  const units = useUnits();
  const [width_cm, wall_cm] = [Math.max(10, widthCm ?? 60), wallCm ?? 0];
  const answer = useQuery<Border[], ProblemError>({
    queryKey: ['borders', slug, width_cm, wall_cm],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/borders', {
          params: { path: { slug }, query: { width_cm, wall_cm } },
          signal,
        }),
      ),
  });
  const borders = answer.data ?? [];
  const chosen = borders.find((b) => b.label === value);
  const none = answer.isSuccess && borders.length === 0;
  return (
    <Field
      label="Along"
      fault={
        fault ?? answer.error?.message ?? (none ? 'No border of this width is free.' : undefined)
      }
      hint={
        chosen
          ? `${chosen.sun_hours.toFixed(1)} h of sun in its six best months.`
          : 'With the length that is free there.'
      }
    >
      <select
        value={value}
        onChange={(event) => {
          const picked = borders.find((b) => b.label === event.target.value);
          if (picked) onChange(picked);
        }}
      >
        <option value="">choose a fence or wall</option>
        {borders.map((border) => (
          <option key={`${border.label} ${border.at_m.join(' ')}`} value={border.label}>
            {`${border.label}: ${units.distance(Math.floor(border.length_cm / 10) / 10)}`}
          </option>
        ))}
      </select>
    </Field>
  );
}
