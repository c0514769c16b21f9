import { useState } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { Edit, Obstacle } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { useUnits } from '../../kit/preferences';
import { metresField, readMetres } from './measure';
import { formOf, rectangleRing, removeThing, roundRing, siteEdit, siteOf } from './things';
import type { Thing } from './things';
import { boundsOf } from './yardScale';

const KINDS = [
  ['house', 'house'],
  ['wall', 'wall'],
  ['fence', 'fence'],
  ['hedge', 'hedge'],
  ['tree', 'tree'],
  ['shrub', 'shrub'],
  ['other', 'something else'],
] as const;
const LEAVES = [
  ['evergreen', 'evergreen'],
  ['deciduous', 'bare in winter'],
] as const;
const USES = [
  ['feet', 'feet'],
  ['barrow', 'a barrow'],
  ['chair', 'a wheelchair'],
] as const;
const LEAFY = ['tree', 'shrub', 'hedge'];

interface Props {
  state: HeldGarden;
  thing: Thing;
  onEdit: (edit: Edit) => void;
  onRemove: (edit: Edit) => void;
  onPlacing: () => void;
}

interface Read {
  /** A typed length in metres. */
  length: (key: string, least: number) => number;
  /** A typed number within bounds; null where nothing is typed. */
  number: (key: string, low: number, high: number) => number | null;
}

/** What is chosen in the yard, in typed measures. Each kind says which it has. */
export function ThingForm({ state, thing, onEdit, onRemove, onPlacing }: Props) {
  const units = useUnits();
  const spec = specOf(state, thing);
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      spec.fields.map((f) => [f.key, f.kind === 'length' ? metresField(f.m, units) : f.value]),
    ),
  );
  const [faults, setFaults] = useState<Record<string, string>>({});
  const set = (key: string, value: string) => setTyped((now) => ({ ...now, [key]: value }));
  const save = () => {
    const found: Record<string, string> = {};
    const read: Read = {
      length: (key, least) => {
        const { m, fault } = readMetres(typed[key] ?? '', units, least);
        if (fault) found[key] = fault;
        return m;
      },
      number: (key, low, high) => {
        const text = (typed[key] ?? '').trim().replace(',', '.');
        const value = Number(text);
        if (text !== '' && (Number.isNaN(value) || value < low || value > high)) {
          found[key] = `Enter a number from ${low} to ${high}.`;
        }
        return text === '' ? null : value;
      },
    };
    const edit = spec.edit(typed, read);
    setFaults(found);
    if (Object.keys(found).length === 0) onEdit(edit);
  };
  return (
    <section aria-label={spec.title}>
      <h2 className="text-base first-letter:uppercase">{spec.title}</h2>
      <form
        className="grid grid-cols-2 gap-x-3 gap-y-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        {spec.fields.map((field) =>
          field.kind === 'choice' ? (
            <Choice
              key={field.key}
              label={field.label}
              value={typed[field.key] ?? ''}
              options={field.options}
              onChange={(value) => set(field.key, value)}
            />
          ) : (
            <Field
              key={field.key}
              label={field.kind === 'length' ? `${field.label}, ${units.lengthUnit}` : field.label}
              fault={faults[field.key]}
            >
              <input
                value={typed[field.key] ?? ''}
                inputMode={field.kind === 'text' ? 'text' : 'decimal'}
                maxLength={120}
                onChange={(event) => set(field.key, event.target.value)}
              />
            </Field>
          ),
        )}
        <p className="col-span-full flex flex-wrap items-baseline gap-x-4 pt-1">
          <button type="submit" className="act act-main">
            Save
          </button>
          <button type="button" className="press" onClick={onPlacing}>
            Move
          </button>
          <button
            type="button"
            className="press"
            onClick={() => onRemove(removeThing(state.plan, thing))}
          >
            Delete
          </button>
        </p>
      </form>
    </section>
  );
}

type FieldSpec =
  | { kind: 'text' | 'number'; key: string; label: string; value: string }
  | { kind: 'length'; key: string; label: string; m: number | null | undefined }
  | {
      kind: 'choice';
      key: string;
      label: string;
      value: string;
      options: readonly (readonly [string, string])[];
    };

interface Spec {
  title: string;
  fields: FieldSpec[];
  edit: (typed: Record<string, string>, read: Read) => Edit;
}

const nameField = (value: string | null | undefined): FieldSpec => ({
  kind: 'text',
  key: 'name',
  label: 'Name',
  value: value ?? '',
});

const spotFields = ([x, y]: readonly [number, number]): FieldSpec[] => [
  { kind: 'length', key: 'x', label: 'From the left side', m: x },
  { kind: 'length', key: 'y', label: 'From the lower side', m: y },
];

const ANYWHERE = -100_000;
const spot = (read: Read): [number, number] => [
  read.length('x', ANYWHERE),
  read.length('y', ANYWHERE),
];
const named = (typed: Record<string, string>) => ({ name: typed.name?.trim() || null });

function specOf(state: HeldGarden, thing: Thing): Spec {
  const site = siteOf(state.plan);
  const swapped = <T,>(list: readonly T[], index: number, value: T): T[] =>
    list.map((old, i) => (i === index ? value : old));
  const optional = (typed: Record<string, string>, read: Read, key: string) =>
    typed[key]?.trim() ? read.length(key, 0) : null;
  switch (thing.kind) {
    case 'obstacle': {
      const old = site.obstacles[thing.index];
      if (old)
        return obstacleSpec(old, (o) =>
          siteEdit({ obstacles: swapped(site.obstacles, thing.index, o) }),
        );
      break;
    }
    case 'path': {
      const old = site.paths[thing.index];
      if (!old) break;
      const first = old.line_m[0] ?? [0, 0];
      const last = old.line_m.at(-1) ?? [0, 0];
      return {
        title: old.name ?? 'path',
        fields: [
          nameField(old.name),
          {
            kind: 'choice',
            key: 'use',
            label: 'Goes along it',
            value: old.use ?? 'feet',
            options: USES,
          },
          { kind: 'length', key: 'width', label: 'Width', m: old.width_cm / 100 },
          ...spotFields(first),
          { kind: 'length', key: 'x2', label: 'Ends from the left', m: last[0] },
          { kind: 'length', key: 'y2', label: 'Ends from below', m: last[1] },
        ],
        edit: (typed, read) =>
          siteEdit({
            paths: swapped(site.paths, thing.index, {
              ...old,
              ...named(typed),
              use: typed.use as 'feet',
              width_cm: read.length('width', 0.01) * 100,
              line_m: [
                spot(read),
                ...old.line_m.slice(1, -1),
                [read.length('x2', ANYWHERE), read.length('y2', ANYWHERE)],
              ],
            }),
          }),
      };
    }
    case 'tap': {
      const old = site.taps[thing.index];
      if (!old) break;
      return {
        title: old.name ?? 'tap',
        fields: [
          nameField(old.name),
          { kind: 'length', key: 'hose', label: 'Hose', m: old.hose_m },
          ...spotFields(old.at_m),
        ],
        edit: (typed, read) =>
          siteEdit({
            taps: swapped(site.taps, thing.index, {
              ...old,
              ...named(typed),
              hose_m: optional(typed, read, 'hose'),
              at_m: spot(read),
            }),
          }),
      };
    }
    case 'tank': {
      const old = site.tanks[thing.index];
      if (!old) break;
      return {
        title: old.name ?? 'butt',
        fields: [
          nameField(old.name),
          { kind: 'number', key: 'litres', label: 'Capacity, litres', value: String(old.litres) },
          {
            kind: 'number',
            key: 'roof',
            label: 'Roof it drains, m²',
            value: String(old.roof_m2 ?? ''),
          },
          ...spotFields(old.at_m),
        ],
        edit: (typed, read) =>
          siteEdit({
            tanks: swapped(site.tanks, thing.index, {
              ...old,
              ...named(typed),
              litres: read.number('litres', 0, 1_000_000) ?? 0,
              roof_m2: read.number('roof', 0, 100_000),
              at_m: spot(read),
            }),
          }),
      };
    }
    case 'door':
      return {
        title: 'door',
        fields: spotFields(site.door_m ?? [0, 0]),
        edit: (_typed, read) => siteEdit({ door_m: spot(read) }),
      };
    case 'place':
      break;
  }
  return { title: 'gone', fields: [], edit: () => siteEdit({}) };
}

function obstacleSpec(old: Obstacle, put: (obstacle: Obstacle) => Edit): Spec {
  const { x0, y0, x1, y1 } = boundsOf(old.outline_m);
  const form = formOf(old);
  const leafy = LEAFY.includes(old.kind ?? '');
  const crowned = old.kind === 'tree';
  const sheds = old.leaf === 'deciduous';
  const [first, last] = old.leaf_months ?? [null, null];
  return {
    title: old.name ?? old.kind ?? 'obstacle',
    fields: [
      nameField(old.name),
      { kind: 'choice', key: 'kind', label: 'Kind', value: old.kind ?? 'other', options: KINDS },
      { kind: 'length', key: 'height', label: 'Height', m: old.height_m },
      ...(form === 'rectangle'
        ? ([
            { kind: 'length', key: 'width', label: 'Width, left to right', m: x1 - x0 },
            { kind: 'length', key: 'depth', label: 'Depth', m: y1 - y0 },
          ] as const)
        : []),
      ...(form === 'round'
        ? ([{ kind: 'length', key: 'across', label: 'Across', m: x1 - x0 }] as const)
        : []),
      ...spotFields([x0, y0]),
      ...(leafy
        ? ([
            {
              kind: 'choice',
              key: 'leaf',
              label: 'Leaves',
              value: old.leaf ?? 'evergreen',
              options: LEAVES,
            },
          ] as const)
        : []),
      ...(crowned
        ? ([
            { kind: 'length', key: 'crown', label: 'Crown begins at', m: old.crown_base_m ?? 0 },
          ] as const)
        : []),
      ...(leafy && sheds
        ? ([
            { kind: 'number', key: 'from', label: 'In leaf from month', value: `${first ?? ''}` },
            { kind: 'number', key: 'to', label: 'to month', value: `${last ?? ''}` },
          ] as const)
        : []),
    ],
    edit: (typed, read) => {
      const at = spot(read);
      const outline =
        form === 'rectangle'
          ? rectangleRing(at, read.length('width', 0.01), read.length('depth', 0.01))
          : form === 'round'
            ? roundRing(at, read.length('across', 0.1))
            : old.outline_m.map(([x, y]): [number, number] => [x + at[0] - x0, y + at[1] - y0]);
      const [from, to] = [read.number('from', 1, 12), read.number('to', 1, 12)];
      return put({
        ...old,
        ...named(typed),
        kind: typed.kind as 'house',
        height_m: read.length('height', 0),
        outline_m: outline,
        ...(leafy ? { leaf: typed.leaf as 'evergreen' } : {}),
        ...(crowned ? { crown_base_m: read.length('crown', 0) || null } : {}),
        ...(leafy && sheds
          ? { leaf_months: from !== null && to !== null ? [from, to] : null }
          : {}),
      });
    },
  };
}
