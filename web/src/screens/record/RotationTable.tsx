import type { FamilyThere, Rotation } from '../../api/types';

/** Which families stood in each place, season by season: width by squares, too early underlined. */
export function RotationTable({ told }: { told: Rotation }) {
  return (
    <table className="mt-4 w-full max-w-4xl text-[14px]">
      <caption className="text-left text-base">Families over the years</caption>
      <thead className="text-muted">
        <tr>
          <th scope="col" className="pr-4 text-left font-normal">
            <span className="sr-only">Place</span>
          </th>
          {told.seasons.map((season) => (
            <th key={season} scope="col" className="pr-3 text-left font-normal">
              {season}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {told.places.map((place) => (
          <tr key={place.place} className="border-t border-faint align-top">
            <th scope="row" className="pr-4 text-left font-normal">
              {place.name}
            </th>
            {place.seasons.map((there, at) => (
              <td key={told.seasons[at]} className="pr-3">
                <Bar there={there} />
                {there.map((each) => (
                  <span key={each.family} className="block" title={each.crops.join(', ')}>
                    {each.label.replace(/ family$/, '')}
                    {each.early && <em className="text-damson not-italic"> back early</em>}
                  </span>
                ))}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const WIDE = 140;

/** The shares of a place as lengths, early ones barred. */
function Bar({ there }: { there: readonly FamilyThere[] }) {
  const all = there.reduce((sum, each) => sum + each.squares, 0);
  const lengths = there.map((each) => (WIDE * each.squares) / Math.max(1, all));
  return (
    <svg width={WIDE} height="10" aria-hidden="true" className="block max-w-full">
      {there.map((each, at) => (
        <rect
          key={each.family}
          x={lengths.slice(0, at).reduce((sum, length) => sum + length, 0)}
          width={lengths[at]}
          height="10"
          fill={each.early ? 'var(--damson)' : 'var(--leaf-wash)'}
          stroke="var(--leaf)"
        />
      ))}
    </svg>
  );
}
