import { useState } from 'react';

import { attempt } from '../../api/attempt';
import { answeredAs, api } from '../../api/client';
import type { TableRead } from '../../api/types';
import { FileButton } from '../../kit/FileButton';
import { useMessages } from '../../kit/messages';
import { and } from '../../kit/text';
import { useAfresh } from './useRecord';

const MOST_REFUSED = 12;

interface Preview {
  name: string;
  text: string;
  read: TableRead;
}

/** The day book out as files, and in from a table of one's own, looked at before it is kept. */
export function RecordFiles({ slug }: { slug: string }) {
  const { say } = useMessages();
  const afresh = useAfresh(slug);
  const [preview, setPreview] = useState<Preview>();
  const send = async (name: string, text: string, keep: boolean) => {
    const done = await attempt(() =>
      answeredAs<TableRead>(
        api.POST('/api/gardens/{slug}/entries.csv', {
          params: { path: { slug } },
          body: { text, keep },
        }),
      ),
    );
    if (done.is === 'refused') say({ kind: 'stop', text: `${name}: ${done.why.message}` });
    return done.is === 'done' ? done.value : null;
  };
  const look = async (file: File) => {
    const text = await file.text();
    const read = await send(file.name, text, false);
    if (read) setPreview({ name: file.name, text, read });
  };
  const keep = async ({ name, text }: Preview) => {
    const kept = await send(name, text, true);
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
          onKeep={() => void keep(preview)}
          onLeave={() => setPreview(undefined)}
        />
      )}
    </section>
  );
}

interface LookedProps {
  preview: Preview;
  onKeep: () => void;
  onLeave: () => void;
}

/** What a table would bring, before any of it counts. */
function Looked({ preview: { name, read }, onKeep, onLeave }: LookedProps) {
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
