import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';

import { attempt } from '../../api/attempt';
import { answeredAs, api } from '../../api/client';
import { gardensKey } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import { useMessages } from '../../kit/messages';
import { ImportPlan } from '../../shared/ImportPlan';

/** Export, import, backups, and deleting this garden, which waits for thirty days. */
export function InAndOut({ state }: { state: HeldGarden }) {
  const { slug, name, version } = state.head;
  const { say } = useMessages();
  const client = useQueryClient();
  const go = useNavigate();
  const [sure, setSure] = useState(false);
  const remove = async () => {
    const params = { path: { slug }, query: { version } };
    const deleted = await attempt(() =>
      answeredAs<unknown>(api.DELETE('/api/gardens/{slug}', { params })),
    );
    if (deleted.is === 'refused') say({ kind: 'stop', text: deleted.why.message });
    if (deleted.is !== 'done') return;
    await client.invalidateQueries({ queryKey: gardensKey });
    say({
      kind: 'tip',
      text: `${name} is deleted. You can put it back from Backups for 30 days.`,
    });
    void go('/');
  };
  return (
    <section aria-labelledby="in-and-out">
      <h2 id="in-and-out" className="mb-2 text-base">
        Export, import, backups
      </h2>
      <ul className="space-y-1.5">
        <li>
          <a className="press" href={`/api/gardens/${slug}/plan.amplerows.json`} download>
            Export the plan document
          </a>
        </li>
        <li>
          <a className="press" href={`/api/gardens/${slug}/harvest.csv`} download>
            Export the harvest table as CSV
          </a>
        </li>
        <li>
          <ImportPlan />
        </li>
        <li>
          <Link className="press" to="/keeping">
            Backups and deleted gardens
          </Link>
        </li>
        <li>
          {sure ? (
            <>
              <button type="button" className="press mr-4" onClick={() => void remove()}>
                {`Delete ${name}`}
              </button>
              <button type="button" className="press" onClick={() => setSure(false)}>
                Cancel
              </button>
            </>
          ) : (
            <button type="button" className="press" onClick={() => setSure(true)}>
              Delete this garden …
            </button>
          )}
        </li>
      </ul>
    </section>
  );
}
