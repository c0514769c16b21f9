import { useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { Edit, StarterFit } from '../../api/types';
import { useUnits } from '../../kit/preferences';

interface Props {
  slug: string;
  version: number;
  place: string;
  onTake: (edit: Edit) => void;
}

/** Whole beds to begin from, each as it comes out in this place. */
export function StarterBeds({ slug, version, place, onTake }: Props) {
  const units = useUnits();
  const answer = useQuery<StarterFit[], ProblemError>({
    queryKey: ['starters', slug, version, place],
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/places/{place}/starters', {
          params: { path: { slug, place } },
          signal,
        }),
      ),
  });
  if (answer.error) return <p role="alert">{answer.error.message}</p>;
  if (!answer.data) return <p className="text-muted">Fitting whole beds to this place…</p>;
  if (answer.data.length === 0)
    return (
      <p className="text-muted">
        This place is too large for a whole bed to begin from. Plan beds that you can reach across.
      </p>
    );
  return (
    <section aria-label="Whole beds to begin from">
      <h3 className="text-[14px] font-semibold">Or a whole bed to begin from</h3>
      <ul>
        {answer.data.map((fit) => (
          <li key={fit.id} className="border-t border-faint py-1.5">
            <p className="flex items-baseline gap-2">
              <strong className="grow font-semibold">{fit.label}</strong>
              {fit.harvest_kg > 0 && <span>{units.mass(fit.harvest_kg)}</span>}
              {fit.edit && (
                <button
                  type="button"
                  className="press"
                  aria-label={`Plant ${fit.label}`}
                  onClick={() => fit.edit && onTake(fit.edit)}
                >
                  Plant it
                </button>
              )}
            </p>
            <p className="text-muted">{fit.suits}</p>
            {fit.parts.length > 0 && <p>{told(fit)}</p>}
            {fit.left_out.length > 0 && (
              <details className="text-[12.5px] text-muted">
                <summary className="cursor-pointer">
                  {fit.parts.length > 0 ? `Left out here: ${fit.left_out.length}` : 'Nothing fits'}
                </summary>
                <ul>
                  {fit.left_out.map((why) => (
                    <li key={why}>{why}</li>
                  ))}
                </ul>
              </details>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Its crops by name, each with how many plants stand in all. */
function told(fit: StarterFit): string {
  const plants = new Map<string, number>();
  for (const part of fit.parts) plants.set(part.name, (plants.get(part.name) ?? 0) + part.plants);
  return [...plants].map(([name, count]) => `${name} ${count}`).join(', ');
}
