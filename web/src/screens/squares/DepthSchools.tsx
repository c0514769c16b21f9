import { useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { Edit, SchoolFigures } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import type { Units } from '../../kit/units';

interface Props {
  slug: string;
  version: number;
  place: string;
  onEdit: (edit: Edit) => void;
}

type Row = readonly [name: string, figure: (school: SchoolFigures) => string];

/** The schools on soil depth side by side for one place, worked out when they are looked at. */
export function DepthSchools({ slug, version, place, onEdit }: Props) {
  const units = useUnits();
  const answer = useQuery<SchoolFigures[], ProblemError>({
    queryKey: ['depth-schools', slug, version, place],
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/places/{place}/depth-schools', {
          params: { path: { slug, place } },
          signal,
        }),
      ),
  });
  if (answer.error) return <p role="alert">{answer.error.message}</p>;
  if (!answer.data) return <p className="text-muted">Working out the standards…</p>;
  const schools = answer.data;
  return (
    <section aria-label="Depth standards" className="mt-4 border-t border-rule pt-2">
      <table className="w-full">
        <caption className="text-left font-serif text-base font-semibold">
          By each depth standard
        </caption>
        <thead>
          <tr>
            <td />
            {schools.map((school) => (
              <th
                key={school.school}
                scope="col"
                className={`pl-2 text-right align-bottom ${school.own ? 'text-damson' : 'font-normal'}`}
              >
                {school.label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rowsOf(units).map(([name, figure]) => (
            <tr key={name} className="border-t border-faint align-top">
              <th scope="row" className="text-left font-normal text-muted">
                {name}
              </th>
              {schools.map((school) => (
                <td key={school.school} className="pl-2 text-right font-semibold">
                  {figure(school)}
                </td>
              ))}
            </tr>
          ))}
          <tr>
            <td />
            {schools.map((school) => (
              <td key={school.school} className="pt-1 text-right">
                {school.own ? (
                  <span className="text-muted">used here</span>
                ) : (
                  <button
                    type="button"
                    className="press"
                    aria-label={`Use here: ${school.label}`}
                    onClick={() =>
                      onEdit({
                        do: 'change-place',
                        id: place,
                        changes: { depth_policy: school.school },
                      })
                    }
                  >
                    Use it
                  </button>
                )}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <ul className="mt-2 text-[12.5px] text-muted">
        {schools.map((school) => (
          <li key={school.school}>
            <strong className="first-letter:uppercase inline-block">{school.label}</strong>
            {` assumes ${school.assumes}. It costs ${school.costs}.`}
            {school.short.length > 0 && ` Short of depth as it is: ${school.short.join(', ')}.`}
          </li>
        ))}
      </ul>
    </section>
  );
}

function rowsOf(units: Units): Row[] {
  return [
    ['Harvest as it is filled', (s) => units.mass(s.harvest_kg)],
    ['Fill for full depth', (s) => (s.fill_cm > 0 ? units.length(s.fill_cm) : 'none')],
    ['Harvest with that fill', (s) => units.mass(s.full_harvest_kg)],
    ['To pour', (s) => (s.litres > 0 ? units.bulk(s.litres) : '–')],
    ['Bought for', (s) => (s.cost === null || s.litres <= 0 ? '–' : s.cost.toFixed(0))],
    [
      'Lasts between waterings',
      (s) => (s.days_between === null ? '–' : `${s.days_between.toFixed(0)} days`),
    ],
    ['Mix', (s) => s.mix],
  ];
}
