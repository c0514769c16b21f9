import { useState } from 'react';

import { attempt } from '../../../api/attempt';
import { useEditor } from '../../../api/garden';
import type { HeldGarden } from '../../../api/merge';
import type { Row, RowPlant, TellingTrait } from '../../../api/types';
import { useMessages } from '../../../kit/messages';
import { or } from '../../../kit/text';
import { knownAs } from './useRow';

interface Props {
  state: HeldGarden;
  row: Row;
  plant: RowPlant;
}

/** A plant without its label, known again by how it looks: each trait leaves fewer kinds. */
export function LostLabel({ state, row, plant }: Props) {
  const { slug } = state.head;
  const editor = useEditor(slug);
  const { say } = useMessages();
  const [seen, setSeen] = useState<Readonly<Record<string, string>>>({});
  const chosen = row.traits.filter((trait) => seen[trait.part] === trait.looks);
  const left = row.kinds.filter((kind) => chosen.every((trait) => trait.kinds.includes(kind.kind)));
  const parts = [...new Set(row.traits.map((trait) => trait.part))];
  const only = left.length === 1 ? left[0] : undefined;
  const know = async (kind: string) => {
    const edit = await attempt(() => knownAs(slug, row.planting, plant.number, kind));
    if (edit.is === 'refused') say({ kind: 'stop', text: edit.why.message });
    if (edit.is === 'done') await editor.edit(edit.value);
  };
  const press = (trait: TellingTrait) =>
    setSeen((before) => ({
      ...before,
      [trait.part]: before[trait.part] === trait.looks ? '' : trait.looks,
    }));
  return (
    <details className="mt-2 text-[14px]">
      <summary className="press">Its label is lost</summary>
      {parts.map((part) => (
        <fieldset key={part} className="mt-1">
          <legend className="text-muted">{PARTS[part] ?? part}</legend>
          <div className="flex flex-wrap gap-x-2 gap-y-1">
            {row.traits
              .filter((trait) => trait.part === part)
              .map((trait) => (
                <button
                  key={trait.looks}
                  type="button"
                  className={`act min-h-9 px-2 ${seen[part] === trait.looks ? 'act-main' : ''}`}
                  aria-pressed={seen[part] === trait.looks}
                  onClick={() => press(trait)}
                >
                  {trait.looks}
                </button>
              ))}
          </div>
        </fieldset>
      ))}
      <p role="status" className="mt-2">
        {left.length === 0
          ? 'No kind of this row looks so: something else may have come up here.'
          : only && only.kind === plant.kind
            ? `It is ${only.name}, as the plan says.`
            : `It could be ${or(left.map((kind) => kind.name))}.`}
      </p>
      {only && only.kind !== plant.kind && (
        <button type="button" className="act act-main" onClick={() => void know(only.kind)}>
          {`Plant ${plant.number} is ${only.name}`}
        </button>
      )}
    </details>
  );
}

const PARTS: Readonly<Record<string, string>> = {
  growth: 'How it grows',
  leaf: 'Its leaf',
  flower: 'Its flower',
  fruit: 'Its fruit',
  root: 'Its root',
};
