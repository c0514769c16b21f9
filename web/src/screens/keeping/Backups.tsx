import { useState } from 'react';
import { Link } from 'react-router';

import type { Backup, Head } from '../../api/types';
import { moment, size } from './words';
import { useKeeper, useKeptGardens } from './useKeeping';

const REASONS: Record<string, string> = {
  daily: 'daily',
  asked: 'made by you',
  'before-import': 'before an import',
  'before-update': 'before an update',
};

/** Every backup, the newest first; one opens to the gardens that it holds. */
export function Backups({
  backups,
  restorable,
}: {
  backups: readonly Backup[];
  restorable: boolean;
}) {
  const { backUp } = useKeeper();
  const [open, setOpen] = useState<string>();
  return (
    <section aria-labelledby="backups">
      <h2 id="backups" className="mb-1 text-base">
        Backups
      </h2>
      <p className="mb-2 text-muted">
        {backups.length === 0
          ? 'No backup yet. One is made each day while Ample Rows runs.'
          : 'One each day, and one before every import and update. Seven days, four weeks and twelve months are kept.'}
      </p>
      {restorable && (
        <p className="mb-3">
          <button type="button" className="act" onClick={() => void backUp()}>
            Back up now
          </button>
        </p>
      )}
      {backups.length > 0 && (
        <table className="w-full">
          <thead>
            <tr className="border-b border-rule text-left text-[13px] text-muted">
              <th scope="col">Made</th>
              <th scope="col">Why</th>
              <th scope="col" className="text-right">
                Size
              </th>
              <th scope="col">
                <span className="sr-only">Actions</span>
              </th>
            </tr>
          </thead>
          {backups.map((backup) => (
            <tbody key={backup.name} className="border-b border-faint">
              <tr>
                <th scope="row" className="py-1 text-left font-normal tabular-nums">
                  {moment(backup.made_at)}
                </th>
                <td>{REASONS[backup.reason] ?? backup.reason}</td>
                <td className="whitespace-nowrap pl-3 text-right tabular-nums">
                  {size(backup.bytes)}
                </td>
                <td className="whitespace-nowrap pl-4 text-right">
                  {restorable && (
                    <button
                      type="button"
                      className="press mr-4"
                      aria-expanded={open === backup.name}
                      onClick={() =>
                        setOpen((now) => (now === backup.name ? undefined : backup.name))
                      }
                    >
                      Restore …
                    </button>
                  )}
                  <a className="press" href={`/api/backups/${backup.name}`} download>
                    Download
                  </a>
                </td>
              </tr>
              {open === backup.name && (
                <tr>
                  <td colSpan={4} className="pb-3 pl-4">
                    <KeptGardens backup={backup.name} />
                  </td>
                </tr>
              )}
            </tbody>
          ))}
        </table>
      )}
    </section>
  );
}

/** The gardens of one backup: each is restored beside those that are there. */
function KeptGardens({ backup }: { backup: string }) {
  const gardens = useKeptGardens(backup);
  const { restore } = useKeeper();
  const [restored, setRestored] = useState<Head>();
  if (gardens.isPending) return <p role="status">Opening the backup …</p>;
  if (gardens.isError) return <p role="alert">{gardens.error.message}</p>;
  if (gardens.data.length === 0) return <p>This backup holds no gardens.</p>;
  return (
    <>
      <p className="text-muted">
        A restored garden stands beside the ones you have. Nothing of yours is changed.
      </p>
      <ul>
        {gardens.data.map((garden) => (
          <li key={garden.slug} className="flex items-baseline gap-4">
            <span>{garden.name}</span>
            <button
              type="button"
              className="press"
              onClick={() => void restore(backup, garden.slug).then(setRestored)}
            >
              {`Restore ${garden.name}`}
            </button>
          </li>
        ))}
      </ul>
      {restored && (
        <p role="status">
          Restored.{' '}
          <Link className="press" to={`/gardens/${restored.slug}`}>
            {`Open ${restored.name}`}
          </Link>
        </p>
      )}
    </>
  );
}
