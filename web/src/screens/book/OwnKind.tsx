import { useState } from 'react';

import type { CropPage, Edit } from '../../api/types';

interface Props {
  page: CropPage;
  taken: readonly string[];
  onEdit: (edit: Edit) => Promise<boolean>;
  onOpen: (id: string) => void;
}

/** A kind of one's own begun from the crop shown; or the kind shown taken out again. */
export function OwnKind({ page, taken, onEdit, onOpen }: Props) {
  const [name, setName] = useState('');
  const { crop, like } = page;
  const begin = async () => {
    const id = freeId(name, taken);
    const figures = { name: name.trim() };
    if (await onEdit({ do: 'change-crop', id, like: crop.id, figures })) onOpen(id);
  };
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-x-3 gap-y-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim()) void begin();
      }}
    >
      <label className="flex flex-col">
        <span className="text-[12.5px] text-muted">Add a kind of your own, based on this one</span>
        <input
          value={name}
          maxLength={80}
          placeholder={`such as early ${crop.name}`}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <button type="submit" className="act">
        Add it
      </button>
      {like && (
        <button
          type="button"
          className="press ml-auto"
          onClick={() =>
            void onEdit({ do: 'remove-crop', id: crop.id }).then((gone) => gone && onOpen(like))
          }
        >
          Delete this kind
        </button>
      )}
    </form>
  );
}

/** An id from a name: small letters and hyphens, with a number where it is taken. */
export function freeId(name: string, taken: readonly string[]): string {
  const plain = name
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 56);
  const stem = plain || 'own';
  let id = stem;
  for (let number = 2; taken.includes(id); number += 1) id = `${stem}-${number}`;
  return id;
}
