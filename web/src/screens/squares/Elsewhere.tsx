import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { Edit, Elsewhere as Found } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { useSettled } from '../../kit/useSettled';

interface Props {
  slug: string;
  version: number;
  planting: string;
  onEdit: (edit: Edit) => void;
}

/** Other places where a planting would give more, each with the move to press. */
export function Elsewhere({ slug, version, planting, onEdit }: Props) {
  const units = useUnits();
  // Every other place is tried, so it is asked once a row of edits has come to rest.
  const asked = useSettled(`${slug} ${planting}`, version);
  const answer = useQuery<Found[], ProblemError>({
    queryKey: ['elsewhere', slug, asked, planting],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/plantings/{planting}/elsewhere', {
          params: { path: { slug, planting } },
          signal,
        }),
      ),
  });
  if (!answer.data || answer.data.length === 0) return null;
  return (
    <section aria-label="Better elsewhere">
      <h3 className="text-[13px] font-semibold">It would do better in</h3>
      <ul>
        {answer.data.slice(0, 3).map((gain) => (
          <li key={gain.place} className="flex items-baseline gap-2">
            <span className="grow">
              {`${gain.label}, ${gain.cells[0]}–${gain.cells.at(-1)}: ${units.mass(gain.kg)}`}
            </span>
            <button
              type="button"
              className="press"
              aria-label={`Move it to ${gain.label}`}
              onClick={() => onEdit(gain.edit)}
            >
              Move it
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
