import { useQuery } from '@tanstack/react-query';

import { answered, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { SetOutSheet } from '../../api/types';
import { SetOutDrawing } from './SetOutDrawing';
import { useUnits } from '../../kit/preferences';

/** The sheet to take outside: every stake by its measures, diagonals to prove it, string. */
export function SetOut({ slug, version }: { slug: string; version: number }) {
  const units = useUnits();
  const sheet = useQuery<SetOutSheet, ProblemError>({
    queryKey: ['set-out', slug, version],
    queryFn: ({ signal }) =>
      answered<unknown>(
        api.GET('/api/gardens/{slug}/set-out', { params: { path: { slug } }, signal }),
      ) as Promise<SetOutSheet>,
  });
  if (sheet.isError) return <p role="alert">{sheet.error.message}</p>;
  if (!sheet.data) return <p role="status">Measuring …</p>;
  const { places, base_m: base, stakes, string_m: string } = sheet.data;
  const m = (value: number) => units.distance(Math.round(value * 100) / 100);
  return (
    <section aria-labelledby="set-out">
      <h2 id="set-out" className="text-base">
        Set-out sheet
      </h2>
      <SetOutDrawing sheet={sheet.data} length={m} />
      <p className="mb-2 max-w-prose">
        {`Stretch a base line of ${m(base)} along the yard’s first side, from S to E. Run the tape along it, then square off; check each stake from both ends. Equal diagonals mean a true rectangle. ${stakes} stakes, ${m(string)} of string.`}
      </p>
      <p className="mb-2 text-muted">
        Have buried cables and pipes located before you drive stakes or dig.
      </p>
      <table className="w-full">
        <caption className="sr-only">Stakes of every place</caption>
        <thead className="text-left text-muted">
          <tr>
            {['Place', 'Stake', 'Along the line', 'Off it', 'From S', 'From E', 'Check'].map(
              (head) => (
                <th key={head} scope="col" className="pr-3 font-normal">
                  {head}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {places.flatMap((place) =>
            place.stakes.map((stake, i) => (
              <tr
                key={`${place.place}-${stake.name}`}
                className={i === 0 ? 'border-t border-rule' : ''}
              >
                <th scope="row" className="pr-3 text-left font-semibold">
                  {i === 0 ? place.name : ''}
                </th>
                <td className="pr-3">{stake.name}</td>
                <td className="pr-3">{m(stake.along_m)}</td>
                <td className="pr-3">{m(stake.off_m)}</td>
                <td className="pr-3">{m(stake.from_start_m)}</td>
                <td className="pr-3">{m(stake.from_end_m)}</td>
                <td>{i === 0 ? checkOf(place, m) : ''}</td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </section>
  );
}

function checkOf(place: SetOutSheet['places'][number], m: (value: number) => string): string {
  if (place.radius_m !== null) return `string of ${m(place.radius_m)}`;
  const [first] = place.diagonals_m;
  return first === undefined ? '' : `both diagonals ${m(first)}`;
}
