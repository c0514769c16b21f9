import { useState } from 'react';

import type { HeldGarden } from '../../../api/merge';
import type { BuildReport, Edit, Material } from '../../../api/types';
import { Choice } from '../../../kit/Choice';
import { LengthField, NumberField, useTyped } from '../../../kit/form';
import { useUnits } from '../../../kit/preferences';
import { textOf } from '../../../kit/reader';
import { useMaterials } from '../../../api/useSoil';

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

const USUAL_BOARD = 'softwood-board';

/** Boards as they are sold here, and what all else costs by its unit. */
export function BuildPrices({ state, build, onEdit, onSaved }: Props) {
  const units = useUnits();
  const materials = useMaterials().data ?? {};
  const given = state.plan.build;
  const boards = given?.boards ?? [];
  const prices = given?.prices ?? [];
  const [count, setCount] = useState(Math.max(1, boards.length));
  const kinds = Object.entries(materials).filter(([, m]) => m.used_for === 'frame' && !m.walling);
  const others = [...build.lines, ...build.paths].map((line) => line.material);
  const first: Record<string, string> = {
    ...Object.fromEntries(
      boards.flatMap((board, i) => [
        [`material${i}`, board.material],
        [`length${i}`, units.toField(board.length_cm)],
        [`height${i}`, units.toField(board.height_cm)],
        [`price${i}`, textOf(board.price)],
      ]),
    ),
    ...Object.fromEntries(prices.map((entry) => [entry.material, textOf(entry.price)])),
  };
  const form = useTyped(first, (read) => ({
    boards: Array.from({ length: count }, (_, i) => i)
      .filter((i) => read.text(`length${i}`) !== null || read.text(`height${i}`) !== null)
      .map((i) => ({
        material: read.text(`material${i}`) ?? USUAL_BOARD,
        length_cm: read.length(`length${i}`, 1),
        height_cm: read.length(`height${i}`, 1),
        price: read.number(`price${i}`, 0),
      })),
    prices: [...new Set([...others, ...prices.map((entry) => entry.material)])]
      .map((material) => ({ material, price: read.number(material, 0) }))
      .filter((cost) => cost.price !== null),
  }));
  return (
    <form
      className="grid grid-cols-3 gap-x-3 gap-y-1"
      onSubmit={form.sent((changes) => {
        onEdit({ do: 'change-build', changes });
        onSaved();
      })}
    >
      {Array.from({ length: count }, (_, i) => (
        <div key={i} className="col-span-full grid grid-cols-3 gap-x-3">
          <div className="col-span-full">
            <Choice
              label={`Board ${i + 1}`}
              value={form.typed[`material${i}`] ?? USUAL_BOARD}
              options={kinds.map(([id, m]) => [id, m.label] as const)}
              onChange={(value) => form.set(`material${i}`, value)}
            />
          </div>
          <LengthField form={form} name={`length${i}`} label="Length" />
          <LengthField form={form} name={`height${i}`} label="Height" />
          <NumberField form={form} name={`price${i}`} label="Price" />
        </div>
      ))}
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
