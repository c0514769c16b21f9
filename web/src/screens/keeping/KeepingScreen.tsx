import { Link } from 'react-router';

import { useGardens } from '../../api/garden';
import { ImportPlan } from '../../shared/ImportPlan';
import { Backups } from './Backups';
import { Deleted } from './Deleted';
import { useKeeping } from './useKeeping';

/** Backups, deleted gardens, and what to do when the file is damaged. */
export function KeepingScreen() {
  const keeping = useKeeping();
  const gardens = useGardens();
  const first = gardens.data?.[0];
  return (
    <main className="mx-auto max-w-3xl space-y-7 p-6">
      <header>
        <h1 className="text-2xl">Backups and deleted gardens</h1>
        <p className="text-muted">
          {first ? (
            <Link className="press" to={`/gardens/${first.slug}/garden`}>
              {`Back to ${first.name}`}
            </Link>
          ) : (
            <Link className="press" to="/start">
              Plan a first bed
            </Link>
          )}
        </p>
      </header>
      {keeping.isError && (
        <p role="alert" className="font-semibold text-damson">
          {keeping.error.message}
        </p>
      )}
      {keeping.data && (
        <>
          {keeping.data.damage && <Damage />}
          {keeping.data.warnings.map((warning) => (
            <p key={warning} role="alert">
              <strong className="text-marigold">Care</strong> {warning}
            </p>
          ))}
          <Backups backups={keeping.data.backups} restorable={keeping.data.damage === null} />
          {keeping.data.damage === null && <Deleted removed={keeping.data.removed} />}
          <section aria-labelledby="import">
            <h2 id="import" className="mb-1 text-base">
              Import
            </h2>
            <ImportPlan />
          </section>
          <p className="text-[13px] text-muted">
            Gardens and backups are kept in <code>{keeping.data.folder}</code>, readable by your
            account alone.
          </p>
        </>
      )}
    </main>
  );
}

function Damage() {
  return (
    <section role="alert" aria-label="Damaged file" className="border border-damson px-4 py-3">
      <p>
        <strong className="text-damson">Stop</strong> The file of your gardens is damaged, so
        nothing more is written to it. Download what can be read, then stop Ample Rows and run{' '}
        <code>./ample restore FILE</code> with one of the backups below. The damaged file is kept
        beside it.
      </p>
      <p className="mt-2">
        <a className="act inline-block" href="/api/readable.zip" download>
          Download what can be read
        </a>
      </p>
    </section>
  );
}
