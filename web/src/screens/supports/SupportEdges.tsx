import { useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { Edit, EdgeChoice } from '../../api/types';
import { Heads } from '../../kit/Heads';
import { useUnits } from '../../kit/preferences';

interface Props {
  slug: string;
  version: number;
  place: string;
  support: string;
  onEdit: (edit: Edit) => void;
}

/** Every side for a support: what it bears there, and what its shade leaves of all else. */
export function SupportEdges({ slug, version, place, support, onEdit }: Props) {
  const units = useUnits();
  const answer = useQuery<EdgeChoice[], ProblemError>({
    queryKey: ['edges', slug, version, place, support],
    placeholderData: (before) => before,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/places/{place}/supports/{support}/edges', {
          params: { path: { slug, place, support } },
          signal,
        }),
      ),
  });
  if (!answer.data) {
    return <p className="mt-4 text-muted">{answer.error?.message ?? 'Trying every side …'}</p>;
  }
  if (answer.data.length === 0) return null;
  return (
    <table className="mt-4 w-full">
      <caption className="mb-1 text-left font-semibold">
        Which side? Its shade through the season is counted on everything it reaches
      </caption>
      <Heads
        columns={[
          ['Side'],
          ['Length', 'right'],
          [`On it, ${units.weightUnit}`, 'right'],
          [`All else, ${units.weightUnit}`, 'right'],
          ['In all', 'after'],
          ['Where it stands', 'right'],
        ]}
      />
      <tbody>
        {answer.data.map((choice) => (
          <tr key={choice.edge} className="border-t border-faint align-baseline">
            <th scope="row" className="text-left font-semibold first-letter:uppercase">
              {choice.edge}
            </th>
            <td className="text-right">{units.length(choice.length_cm)}</td>
            <td className="text-right">{units.weight(choice.own_kg)}</td>
            <td className="text-right">{units.weight(choice.others_kg)}</td>
            <td className="pl-4">{choice.words}</td>
            <td className="text-right">
              {choice.here_now ? (
                'stands here'
              ) : (
                <button
                  type="button"
                  className="press"
                  onClick={() => choice.move?.edit && onEdit(choice.move.edit)}
                >
                  Move it
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
