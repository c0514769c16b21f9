import { useState } from 'react';

import type { HeldGarden } from '../../../api/merge';
import type { BuildReport, Edit, Material } from '../../../api/types';
import { Choice } from '../../../kit/Choice';
import { Field } from '../../../kit/Field';
import { usePreferences, useUnits } from '../../../kit/preferences';
import { NumberField, textOf, useTyped } from '../../../kit/useTyped';
import type { Typed } from '../../../kit/useTyped';
import { useMaterials } from '../../../api/useSoil';
import { readLength } from '../../../kit/units';

interface Props {
  state: HeldGarden;
  build: BuildReport;
  onEdit: (edit: Edit) => void;
  onSaved: () => void;
}

const UNIT_WORDS: Record<Material['unit'], string> = {
  m: 'a m',
  m2: 'a m²',
  piece: 'each',
  L: 'per litre',
};

/** Boards as they are sold here, and what all else costs by its unit. */
export function BuildPrices({ state, build, onEdit, onSaved }: Props) {
  const units = useUnits();
  const { preferences } = usePreferences();
  const materials = useMaterials().data ?? {};
  const given = state.plan.build;
  const boards = given?.boards ?? [];
  const prices = given?.prices ?? [];
  const [count, setCount] = useState(Math.max(1, boards.length));
  const [short, setShort] = useState<string | null>(null);
  const form = useTyped(() => ({
    ...Object.fromEntries(
      boards.flatMap((board, i) => [
        [`material${i}`, board.material],
        [`length${i}`, units.toField(board.length_cm)],
        [`height${i}`, units.toField(board.height_cm)],
        [`price${i}`, textOf(board.price)],
      ]),
    ),
    ...Object.fromEntries(prices.map((known) => [known.material, textOf(known.price)])),
  }));
  const kinds = Object.entries(materials).filter(([, m]) => m.used_for === 'frame');
  const others = build.lines.map((line) => line.material);
  const save = () => {
    const reader = form.reader();
    const length = (key: string) => readLength(form.typed[key] ?? '', preferences.units);
    const rows = Array.from({ length: count }, (_, i) => ({
      material: form.typed[`material${i}`] ?? 'softwood-board',
      length_cm: length(`length${i}`),
      height_cm: length(`height${i}`),
      price: reader.number(`price${i}`, 0),
    }));
    const kept = rows.filter((row) => row.length_cm !== null || row.height_cm !== null);
    const half = kept.some((row) => row.length_cm === null || row.height_cm === null);
    setShort(half ? 'A board needs both a length and a height.' : null);
    const costs = [...new Set([...others, ...prices.map((known) => known.material)])].map(
      (material) => ({ material, price: reader.number(material, 0) }),
    );
    if (!reader.sound() || half) return;
    onEdit({
      do: 'change-build',
      changes: { boards: kept, prices: costs.filter((cost) => cost.price !== null) },
    });
    onSaved();
  };
  return (
    <form
      className="grid grid-cols-3 gap-x-3 gap-y-1"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      {Array.from({ length: count }, (_, i) => (
        <div key={i} className="col-span-full grid grid-cols-3 gap-x-3">
          <div className="col-span-full">
            <Choice
              label={`Board ${i + 1}`}
              value={form.typed[`material${i}`] ?? 'softwood-board'}
              options={kinds.map(([id, m]) => [id, m.label] as const)}
              onChange={(value) => form.set(`material${i}`, value)}
            />
          </div>
          <LengthField form={form} name={`length${i}`} label={`Length, ${units.lengthUnit}`} />
          <LengthField form={form} name={`height${i}`} label={`Height, ${units.lengthUnit}`} />
          <NumberField form={form} name={`price${i}`} label="Price" />
        </div>
      ))}
      {short && (
        <p role="alert" className="col-span-full font-semibold text-damson">
          {short}
        </p>
      )}
      <p className="col-span-full">
        <button type="button" className="press" onClick={() => setCount(count + 1)}>
          Add a board
        </button>
      </p>
      {others.map((id) => (
        <div key={id} className="col-span-full">
          <NumberField
            form={form}
            name={id}
            label={`${materials[id]?.label ?? id}, ${UNIT_WORDS[materials[id]?.unit ?? 'piece']}`}
          />
        </div>
      ))}
      <p className="col-span-full pt-1">
        <button type="submit" className="act act-main">
          Save
        </button>
      </p>
    </form>
  );
}

function LengthField({ form, name, label }: { form: Typed; name: string; label: string }) {
  return (
    <Field label={label}>
      <input
        value={form.typed[name] ?? ''}
        inputMode="decimal"
        onChange={(event) => form.set(name, event.target.value)}
      />
    </Field>
  );
}
