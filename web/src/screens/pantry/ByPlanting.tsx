import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { PlantingSupply } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import type { TimeScale } from '../../drawing/scale';
import { dayOf, shortWords } from '../../kit/day';
import type { Day } from '../../kit/day';
import { WeeklyBand } from '../../shared/WeeklyBand';

interface Props {
  slug: string;
  version: number;
  crop: string;
  scale: TimeScale;
  width: number;
  day: Day;
}

/** Each planting of a crop under the others: which of them makes the glut, and which the gap. */
export function ByPlanting({ slug, version, crop, scale, width, day }: Props) {
  const units = useUnits();
  const answer = useQuery<PlantingSupply[], ProblemError>({
    queryKey: ['by-planting', slug, version, crop],
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/pantry/{crop}/plantings', {
          params: { path: { slug, crop } },
          signal,
        }),
      ),
  });
  if (answer.error) return <p role="alert">{answer.error.message}</p>;
  if (!answer.data) return <p className="px-[14px] text-muted">Working it out …</p>;
  if (answer.data.length === 0)
    return <p className="px-[14px] text-muted">None of it is planted.</p>;
  return (
    <ul>
      {answer.data.map((one) => (
        <li key={one.planting} className="border-t border-faint">
          <p className="flex gap-4 px-[14px] text-[13px]">
            <Link to={`/gardens/${slug}/squares/${one.place}?planting=${one.planting}`}>
              {`${one.name}, ${one.where}`}
            </Link>
            <span className="text-muted">{`from ${shortWords(dayOf(one.start_date))}`}</span>
            <span>{`${units.mass(one.harvest_kg.p10)} – ${units.mass(one.harvest_kg.p90)}`}</span>
          </p>
          <WeeklyBand
            weeks={one.weeks}
            scale={scale}
            width={width}
            height={34}
            day={day}
            label={`${one.name} in ${one.where}, week by week`}
          />
        </li>
      ))}
    </ul>
  );
}
