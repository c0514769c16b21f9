import { useState } from 'react';

import type { Removed } from '../../api/types';
import { day } from './words';
import { useKeeper } from './useKeeping';

/** Deleted gardens, which can be put back for thirty days. */
export function Deleted({ removed }: { removed: readonly Removed[] }) {
  return (
    <section aria-labelledby="deleted">
      <h2 id="deleted" className="mb-1 text-base">
        Deleted gardens
      </h2>
      {removed.length === 0 ? (
        <p className="text-muted">None. A deleted garden waits here for 30 days.</p>
      ) : (
        <ul>
          {removed.map((garden) => (
            <Waiting key={garden.slug} garden={garden} />
          ))}
        </ul>
      )}
    </section>
  );
}

function Waiting({ garden }: { garden: Removed }) {
  const { putBack, purge } = useKeeper();
  const [sure, setSure] = useState(false);
  return (
    <li className="flex flex-wrap items-baseline gap-x-4 border-b border-faint py-1">
      <span className="grow">{garden.name}</span>
      <span className="text-[13px] text-muted">{`kept until ${day(garden.until)}`}</span>
      <button type="button" className="press" onClick={() => void putBack(garden.slug)}>
        Put back
      </button>
      {sure ? (
        <>
          <button
            type="button"
            className="press"
            onClick={() => void purge(garden.slug, garden.version)}
          >
            {`Delete ${garden.name} for good`}
          </button>
          <button type="button" className="press" onClick={() => setSure(false)}>
            Cancel
          </button>
        </>
      ) : (
        <button type="button" className="press" onClick={() => setSure(true)}>
          Delete for good …
        </button>
      )}
    </li>
  );
}
