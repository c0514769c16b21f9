import { Link } from 'react-router';

import type { Place } from '../api/types';

interface Props {
  slug: string;
  place: Place;
  /** The support shown, or the covers. */
  here: string;
}

/** The sheets of what is put up in a place: each support, the covers; and the way back. */
export function PutUpViews({ slug, place, here }: Props) {
  const home = `/gardens/${slug}/places/${place.id}`;
  return (
    <nav aria-label="Put up" className="no-print ml-auto flex items-baseline gap-4">
      {place.supports.map((support, index) => (
        <Link
          key={support.id}
          className="press"
          aria-current={here === support.id ? 'page' : undefined}
          to={`${home}/supports/${support.id}`}
        >
          {place.supports.length > 1 ? `Support ${index + 1}` : 'Support'}
        </Link>
      ))}
      {place.supports.length === 0 && (
        <Link className="press" to={`${home}/supports`}>
          Add a support
        </Link>
      )}
      <Link
        className="press"
        aria-current={here === 'covers' ? 'page' : undefined}
        to={`${home}/covers`}
      >
        Covers
      </Link>
      <Link className="press" to={`/gardens/${slug}/squares/${place.id}`}>
        Squares
      </Link>
      <button type="button" className="press" onClick={() => window.print()}>
        Print
      </button>
    </nav>
  );
}
