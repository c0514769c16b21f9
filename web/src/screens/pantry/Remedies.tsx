import { useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { Edit, Remedy } from '../../api/types';
import { useUnits } from '../../kit/preferences';

interface Props {
  slug: string;
  version: number;
  crop: string;
  tried: string | null;
  onTry: (remedy: Remedy | null) => void;
  onTake: (edit: Edit) => void;
}

/** What can be done about a crop that runs short or to waste; each is tried before it is taken. */
export function Remedies({ slug, version, crop, tried, onTry, onTake }: Props) {
  const units = useUnits();
  const answer = useQuery<Remedy[], ProblemError>({
    queryKey: ['remedies', slug, version, crop],
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/pantry/{crop}/remedies', {
          params: { path: { slug, crop } },
          signal,
        }),
      ),
  });
  if (answer.error) return <p role="alert">{answer.error.message}</p>;
  if (!answer.data) return <p className="text-muted">Trying what could be done …</p>;
  if (answer.data.length === 0)
    return <p className="text-muted">Nothing that was tried would bring more to the table.</p>;
  return (
    <ul>
      {answer.data.map((remedy) => (
        <li
          key={remedy.label}
          className="flex flex-wrap items-baseline gap-x-4 border-t border-faint"
        >
          <span className="grow">{remedy.label}</span>
          <span className="text-[13px] text-muted">{effect(remedy, units.mass)}</span>
          {remedy.caution && (
            <span className="order-last w-full text-[13px] text-muted">{remedy.caution}</span>
          )}
          <button
            type="button"
            className="press"
            aria-pressed={tried === remedy.label}
            onClick={() => onTry(tried === remedy.label ? null : remedy)}
          >
            {tried === remedy.label ? 'Tried above' : 'Try it'}
          </button>
          <button type="button" className="press" onClick={() => onTake(remedy.edit)}>
            Apply it
          </button>
        </li>
      ))}
    </ul>
  );
}

const SAID_KG = 0.02;

function effect(remedy: Remedy, mass: (kg: number) => string): string {
  const { more_eaten_kg: eaten, less_spoils_kg: wasted, fewer_weeks_short: weeks } = remedy;
  const parts = [
    Math.abs(eaten) >= SAID_KG && `${mass(Math.abs(eaten))} ${eaten > 0 ? 'more' : 'less'} eaten`,
    Math.abs(wasted) >= SAID_KG &&
      `${mass(Math.abs(wasted))} ${wasted > 0 ? 'less' : 'more'} to waste`,
    weeks !== 0 && `${Math.abs(weeks)} ${weeks > 0 ? 'fewer' : 'more'} weeks short`,
  ];
  return parts.filter(Boolean).join(', ');
}
