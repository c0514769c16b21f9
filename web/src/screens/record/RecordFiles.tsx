import { useState } from 'react';

import { attempt } from '../../api/attempt';
import { answeredAs, api } from '../../api/client';
import type { TableRead } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { FileButton } from '../../kit/FileButton';
import { useMessages } from '../../kit/messages';
import { and } from '../../kit/text';
import { useAfresh } from './useRecord';

const MOST_REFUSED = 12;

/** What columns are, where the grower says so; null leaves one aside. */
type Columns = Readonly<Record<string, string | null>>;

interface Preview {
  name: string;
  text: string;
  columns: Columns;
  read: TableRead;
}

const COLUMN = [
  ['', 'left aside'],
  ['day', 'day'],
  ['kind', 'what was done'],
  ['place', 'place'],
  ['crop', 'crop'],
  ['cells', 'squares'],
  ['kg', 'weight, kg'],
  ['g', 'weight, g'],
  ['lb', 'weight, lb'],
  ['oz', 'weight, oz'],
  ['pieces', 'pieces'],
  ['count', 'plants counted'],
  ['minutes', 'minutes'],
  ['quality', 'quality'],
  ['text', 'words'],
  ['tags', 'tags'],
  ['season', 'season'],
  ['planting', 'planting'],
  ['variety', 'kind'],
  ['plant_number', 'which plant'],
  ['support', 'support'],
  ['left_out', 'left out because'],
  ['id', 'id of the entry'],
] as const;

/** The day book out as files, and in from a table of one's own, looked at before it is kept. */
export function RecordFiles({ slug }: { slug: string }) {
  const { say } = useMessages();
  const afresh = useAfresh(slug);
  const [preview, setPreview] = useState<Preview>();
  const send = async (name: string, text: string, columns: Columns, keep: boolean) => {
    const done = await attempt(() =>
      answeredAs<TableRead>(
        api.POST('/api/gardens/{slug}/entries.csv', {
          params: { path: { slug } },
          body: { text, columns, keep },
        }),
      ),
    );
    if (done.is === 'refused') {
      const why = done.why.problem?.errors.map((error) => error.text).join('; ');
      say({ kind: 'stop', text: `${name}: ${why ?? done.why.message}` });
    }
    return done.is === 'done' ? done.value : null;
  };
  const look = async (file: File) => {
    const text = await file.text();
    const read = await send(file.name, text, {}, false);
    if (read) setPreview({ name: file.name, text, columns: {}, read });
  };
  const match = async (preview: Preview, head: string, key: string) => {
    const columns = { ...preview.columns, [head]: key || null };
    const read = await send(preview.name, preview.text, columns, false);
    if (read) setPreview({ ...preview, columns, read });
  };
  const keep = async ({ name, text, columns }: Preview) => {
    const kept = await send(name, text, columns, true);
    if (!kept) return;
    setPreview(undefined);
    void afresh();
    say({ kind: 'tip', text: `${entries(kept.entries.length)} from ${name} kept.` });
  };
  return (
    <section aria-label="Files of the record" className="mt-4 border-t border-rule pt-2">
      <p className="flex flex-wrap gap-x-5">
        <a className="press" href={`/api/gardens/${slug}/entries.csv`} download>
          The record, CSV
        </a>
        <a className="press" href={`/api/gardens/${slug}/record.amplerows.json`} download>
          The record, JSON
        </a>
        <FileButton
          words="Bring in a table"
          label="A table of pickings, CSV"
          accept=".csv,.txt,.tsv"
          onFile={(file) => void look(file)}
        />
      </p>
      {preview && (
        <Looked
          preview={preview}
          onMatch={(head, key) => void match(preview, head, key)}
          onKeep={() => void keep(preview)}
          onLeave={() => setPreview(undefined)}
        />
      )}
    </section>
  );
}

interface LookedProps {
  preview: Preview;
  onMatch: (head: string, key: string) => void;
  onKeep: () => void;
  onLeave: () => void;
}

/** What a table would bring, before any of it counts. */
function Looked({ preview: { name, read }, onMatch, onKeep, onLeave }: LookedProps) {
  const aside = read.columns.filter((column) => column.key === null).map((column) => column.head);
  const count = read.entries.length;
  return (
    <div className="mt-2 text-[14px]">
      <p>
        {`${name}: ${entries(count)} to keep${read.known > 0 ? `, ${read.known} kept already` : ''}${read.refused.length > 0 ? `, ${read.refused.length} that cannot be used` : ''}.`}
      </p>
      {aside.length > 0 && (
        <p className="text-muted">{`Ignored: the ${aside.length === 1 ? 'column' : 'columns'} ${and(aside)}.`}</p>
      )}
      <details open={aside.length > 0 || count === 0}>
        <summary className="press">What each column is</summary>
        <div className="grid grid-cols-2 gap-x-4 gap-y-1 sm:grid-cols-4">
          {read.columns.map((column) => (
            <Choice
              key={column.head}
              label={column.head}
              value={column.key ?? ''}
              options={COLUMN}
              onChange={(key) => onMatch(column.head, key)}
            />
          ))}
        </div>
      </details>
      {read.refused.length > 0 && (
        <ul aria-label="Not to be used" role="alert">
          {read.refused.slice(0, MOST_REFUSED).map((line) => (
            <li key={`${line.line} ${line.column}`}>
              <strong>{`Line ${line.line}, ${line.column}`}</strong>
              {`: “${line.value}” ${line.text}`}
            </li>
          ))}
          {read.refused.length > MOST_REFUSED && (
            <li>{`and ${read.refused.length - MOST_REFUSED} more`}</li>
          )}
        </ul>
      )}
      <p className="mt-2 flex flex-wrap items-baseline gap-x-4">
        {count > 0 && (
          <button type="button" className="act act-main" onClick={onKeep}>
            {`Keep ${entries(count)}`}
          </button>
        )}
        <button type="button" className="press" onClick={onLeave}>
          {count > 0 ? 'Leave it' : 'Close'}
        </button>
      </p>
    </div>
  );
}

const entries = (count: number) => `${count} ${count === 1 ? 'entry' : 'entries'}`;
