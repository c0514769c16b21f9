import { useState } from 'react';

import { attempt } from '../../api/attempt';
import { answeredAs, api } from '../../api/client';
import type { CropFile, Edit } from '../../api/types';
import { FileButton } from '../../kit/FileButton';
import { useMessages } from '../../kit/messages';

interface Props {
  slug: string;
  onEdit: (edit: Edit) => Promise<boolean>;
}

/** Crop files out and in. What cannot be used is told; the rest is taken, as one edit. */
export function CropFiles({ slug, onEdit }: Props) {
  const { say } = useMessages();
  const [refused, setRefused] = useState<CropFile['faults']>([]);
  const take = async (file: File) => {
    const read = await attempt(async () =>
      answeredAs<CropFile>(
        api.POST('/api/gardens/{slug}/crop-file', {
          params: { path: { slug } },
          body: {
            kind: file.name.toLowerCase().endsWith('.csv') ? 'csv' : 'toml',
            text: await file.text(),
          },
        }),
      ),
    );
    if (read.is === 'refused') say({ kind: 'stop', text: `${file.name}: ${read.why.message}` });
    if (read.is !== 'done') return;
    setRefused(read.value.faults);
    const edits = read.value.crops.map((crop): Edit => ({
      do: 'change-crop',
      ...crop,
      figures: crop.figures ?? {},
    }));
    const count = edits.length === 1 ? '1 crop' : `${edits.length} crops`;
    if (edits.length === 0) say({ kind: 'tip', text: `${file.name} changes nothing in the book.` });
    else if (await onEdit({ do: 'together', edits }))
      say({ kind: 'tip', text: `${count} imported from ${file.name}.` });
  };
  return (
    <>
      <span className="no-print ml-auto flex flex-wrap gap-x-4">
        <FileButton
          words="Import a crop file"
          label="A crop file, CSV or TOML"
          accept=".csv,.toml"
          onFile={(file) => void take(file)}
        />
        <a className="press" href={`/api/gardens/${slug}/crops.csv`} download>
          Whole book, CSV
        </a>
        <a className="press" href={`/api/gardens/${slug}/own-crops.toml`} download>
          Own crops, TOML
        </a>
      </span>
      {refused.length > 0 && (
        <ul aria-label="Not imported" className="w-full" role="alert">
          {refused.map((fault) => (
            <li key={`${fault.line} ${fault.field}`}>
              <strong>{`Line ${fault.line}, ${fault.record || 'no id'}`}</strong>
              {fault.field && `, ${fault.field}`}
              {`: ${fault.text}`}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
