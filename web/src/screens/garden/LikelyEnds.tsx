import { useState } from 'react';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import { Choice } from '../../kit/Choice';
import type { Options } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { useIndex } from '../../api/useBook';
import { dayOf, words } from '../../kit/day';

type Takes = 'all' | 'old';

const TAKES: Options<Takes> = [
  ['all', 'every plant, young or old'],
  ['old', 'old plants; young ones bear on'],
];

/** Crops that usually end here before frost, by an illness or a pest: their plantings end so too. */
export function LikelyEnds({ state }: { state: HeldGarden }) {
  const editor = useEditor(state.head.slug);
  const likely = state.plan.garden.likely_ends;
  const index = useIndex(state, null);
  const [crop, setCrop] = useState('');
  const [on, setOn] = useState(state.plan.garden.first_frost);
  const [takes, setTakes] = useState<Takes>('all');
  const names = new Map((index.data ?? []).map((line) => [line.id, line.name]));
  const save = (ends: typeof likely) =>
    void editor.edit({
      do: 'change-garden',
      changes: { likely_ends: ends.length > 0 ? ends : null },
    });
  return (
    <section aria-labelledby="ends">
      <h2 id="ends" className="mb-2 text-base">
        What usually ends a crop here
      </h2>
      <p className="text-muted">
        Blight, mildew or another trouble that comes every year about the same time.
      </p>
      <ul>
        {likely.map((end) => (
          <li key={end.crop} className="flex gap-4 border-b border-faint">
            <span className="grow">{`${names.get(end.crop) ?? end.crop}, about ${words(dayOf(end.on))}${end.spares_young ? '; young plants bear on' : ''}`}</span>
            <button
              type="button"
              className="press"
              onClick={() => save(likely.filter((other) => other !== end))}
            >
              Delete
            </button>
          </li>
        ))}
      </ul>
      <form
        className="flex flex-wrap items-end gap-3 pt-1"
        onSubmit={(event) => {
          event.preventDefault();
          if (crop)
            save([
              ...likely.filter((end) => end.crop !== crop),
              { crop, on, trouble: null, spares_young: takes === 'old' },
            ]);
        }}
      >
        <Choice
          label="Crop"
          value={crop}
          options={[
            ['', 'choose a crop'],
            ...(index.data ?? []).map((line) => [line.id, line.name] as const),
          ]}
          onChange={setCrop}
        />
        <Field label="Usual end">
          <input type="date" value={on} onChange={(e) => e.target.value && setOn(e.target.value)} />
        </Field>
        <Choice label="Plants lost" value={takes} options={TAKES} onChange={setTakes} />
        <button type="submit" className="press">
          Add
        </button>
      </form>
    </section>
  );
}
