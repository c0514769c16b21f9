import type { HeldGarden } from '../../api/merge';
import type { Edit, Obstacle, Site } from '../../api/types';
import { measureText } from '../../kit/measures';
import type { CoreUnit } from '../../kit/measures';
import type { Reader } from '../../kit/reader';
import type { Units } from '../../kit/units';
import { siteEdit, siteOf } from './things';
import type { ObstacleKind, ObstacleShape, Thing } from './things';
import { boundsOf } from './yardScale';
import { apart, lineOf, ringAlong, sameLine } from './lines';
import type { Line } from './lines';

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
export const SUN_SEEN = [
  ['little', 'little sun'],
  ['some', 'some sun'],
  ['enough', 'enough sun'],
] as const;
const LEAFY = ['tree', 'shrub', 'hedge'];

type Typed = Record<string, string>;
type Read = Reader<Typed>;

export type FieldSpec =
  | { kind: 'text' | 'number'; key: string; label: string; value: string }
  | {
      kind: 'measure';
      key: string;
      label: string;
      unit: CoreUnit;
      measure: number | null | undefined;
    }
  | { kind: 'length'; key: string; label: string; m: number | null | undefined }
  | {
      kind: 'choice';
      key: string;
      label: string;
      value: string;
      options: readonly (readonly [string, string])[];
    };

/** How a thing of the yard is given in measures, and the edit that what was typed makes. */
export interface Spec {
  title: string;
  fields: FieldSpec[];
  edit: (read: Read) => Edit;
}

const GONE: Spec = { title: 'gone', fields: [], edit: () => siteEdit({}) };
const ANYWHERE = -100_000;

export type Coverings = readonly (readonly [string, string])[];

export function specOf(state: HeldGarden, thing: Thing, coverings: Coverings): Spec {
  const site = siteOf(state.plan);
  switch (thing.kind) {
    case 'obstacle': {
      const obstacle = site.obstacles.find((o) => o.id === thing.id);
      return obstacle ? obstacleSpec(obstacle, thing.id) : GONE;
    }
    case 'path':
      return pathSpec(site, thing.index, coverings);
    case 'tap':
      return tapSpec(site, thing.index);
    case 'tank':
      return tankSpec(site, thing.index);
    case 'sun':
      return sunSpec(site, thing.index);
    case 'door':
      return {
        title: 'door',
        fields: spotFields(site.door_m ?? [0, 0]),
        edit: (read) => siteEdit({ door_m: spot(read) }),
      };
    case 'place':
      return GONE;
  }
}

/** What stands in a field before anything is typed. */
export function fieldText(field: FieldSpec, units: Units): string {
  switch (field.kind) {
    case 'length':
      return metresField(field.m, units);
    case 'measure':
      return measureText(field.measure, field.unit, units.system);
    default:
      return field.value;
  }
}

/** Metres as they stand in a field. */
export function metresField(m: number | null | undefined, units: Units): string {
  return m === null || m === undefined ? '' : units.toField(m * 100);
}

const text = (key: string, label: string, value: string | null | undefined): FieldSpec => ({
  kind: 'text',
  key,
  label,
  value: value ?? '',
});

const number = (key: string, label: string, value: number | null | undefined): FieldSpec => ({
  kind: 'number',
  key,
  label,
  value: String(value ?? ''),
});

const measure = (
  key: string,
  label: string,
  unit: CoreUnit,
  value: number | null | undefined,
): FieldSpec => ({ kind: 'measure', key, label, unit, measure: value });

const length = (key: string, label: string, m: number | null | undefined): FieldSpec => ({
  kind: 'length',
  key,
  label,
  m,
});

const nameField = (value: string | null | undefined) => text('name', 'Name', value);

const spotFields = ([x, y]: readonly [number, number]): FieldSpec[] => [
  length('x', 'From the left side', x),
  length('y', 'From the lower side', y),
];

const spot = (read: Read): [number, number] => [
  read.metres('x', ANYWHERE),
  read.metres('y', ANYWHERE),
];

const named = (read: Read) => ({ name: read.text('name') });

const swapped = <T>(list: readonly T[], index: number, value: T): T[] =>
  list.map((old, i) => (i === index ? value : old));

function pathSpec(site: Site, index: number, coverings: Coverings): Spec {
  const path = site.paths[index];
  if (!path) return GONE;
  const first = path.line_m[0] ?? [0, 0];
  const last = path.line_m.at(-1) ?? [0, 0];
  return {
    title: path.name ?? 'path',
    fields: [
      nameField(path.name),
      {
        kind: 'choice',
        key: 'use',
        label: 'Goes along it',
        value: path.use ?? 'feet',
        options: USES,
      },
      length('width', 'Width', path.width_cm / 100),
      {
        kind: 'choice',
        key: 'covering',
        label: 'Covered with',
        value: path.covering ?? '',
        options: [['', 'nothing'], ...coverings],
      },
      ...(path.covering
        ? [length('deep', 'Depth', path.covering_cm ? path.covering_cm / 100 : null)]
        : []),
      ...spotFields(first),
      length('x2', 'Ends from the left', last[0]),
      length('y2', 'Ends from below', last[1]),
    ],
    edit: (read) =>
      siteEdit({
        paths: swapped(site.paths, index, {
          ...path,
          ...named(read),
          use: read.typed.use as 'feet',
          width_cm: read.metres('width', 0.01) * 100,
          covering: read.typed.covering || null,
          covering_cm: read.text('deep') === null ? null : read.metres('deep', 0.001) * 100,
          line_m: [
            spot(read),
            ...path.line_m.slice(1, -1),
            [read.metres('x2', ANYWHERE), read.metres('y2', ANYWHERE)],
          ],
        }),
      }),
  };
}

function tapSpec(site: Site, index: number): Spec {
  const tap = site.taps[index];
  if (!tap) return GONE;
  return {
    title: tap.name ?? 'tap',
    fields: [nameField(tap.name), length('hose', 'Hose', tap.hose_m), ...spotFields(tap.at_m)],
    edit: (read) =>
      siteEdit({
        taps: swapped(site.taps, index, {
          ...tap,
          ...named(read),
          hose_m: read.text('hose') === null ? null : read.metres('hose', 0),
          at_m: spot(read),
        }),
      }),
  };
}

function tankSpec(site: Site, index: number): Spec {
  const tank = site.tanks[index];
  if (!tank) return GONE;
  return {
    title: tank.name ?? 'butt',
    fields: [
      nameField(tank.name),
      measure('litres', 'Capacity', 'L', tank.litres),
      measure('roof', 'Roof it drains', 'm²', tank.roof_m2),
      ...spotFields(tank.at_m),
    ],
    edit: (read) =>
      siteEdit({
        tanks: swapped(site.tanks, index, {
          ...tank,
          ...named(read),
          litres: read.measure('litres', 'L', 0, 1_000_000) ?? 0,
          roof_m2: read.measure('roof', 'm²', 0, 100_000),
          at_m: spot(read),
        }),
      }),
  };
}

function sunSpec(site: Site, index: number): Spec {
  const patch = site.sun_seen[index];
  if (!patch) return GONE;
  return {
    title: 'sun as seen',
    fields: [
      {
        kind: 'choice',
        key: 'sun',
        label: 'How much',
        value: patch.sun,
        options: SUN_SEEN,
      },
      length('width', 'Width, left to right', patch.width_m),
      length('depth', 'Depth', patch.length_m),
      ...spotFields(patch.at_m),
    ],
    edit: (read) =>
      siteEdit({
        sun_seen: swapped(site.sun_seen, index, {
          sun: read.typed.sun as 'some',
          width_m: read.metres('width', 0.1),
          length_m: read.metres('depth', 0.1),
          at_m: spot(read),
        }),
      }),
  };
}

/** The measures that each shape is given by, and the shape that typed ones make. */
function shapeFields(shape: ObstacleShape | null | undefined): FieldSpec[] {
  switch (shape?.type) {
    case 'rectangle':
      return [
        length('width', 'Width, left to right', shape.width_cm / 100),
        length('depth', 'Depth', shape.length_cm / 100),
      ];
    case 'circle':
      return [length('across', 'Across', shape.diameter_cm / 100)];
    default:
      return [];
  }
}

function typedShape(shape: ObstacleShape, read: Read): ObstacleShape {
  switch (shape.type) {
    case 'rectangle':
      return {
        ...shape,
        width_cm: read.metres('width', 0.01) * 100,
        length_cm: read.metres('depth', 0.01) * 100,
      };
    case 'circle':
      return { ...shape, diameter_cm: read.metres('across', 0.1) * 100 };
    case 'polygon':
      return shape;
  }
}

/** What runs from one point to another is given by these two and its thickness. */
const LINES = ['fence', 'wall', 'hedge'];

function obstacleSpec(obstacle: Obstacle, id: string): Spec {
  const line = LINES.includes(obstacle.kind ?? '') ? lineOf(obstacle.outline_m) : null;
  return line ? lineSpec(obstacle, id, line) : shapeSpec(obstacle, id);
}

function lineSpec(obstacle: Obstacle, id: string, line: Line): Spec {
  const leafy = LEAFY.includes(obstacle.kind ?? '');
  const [[x, y], [x2, y2]] = line.ends;
  return {
    title: obstacle.name ?? obstacle.kind ?? 'obstacle',
    fields: [
      nameField(obstacle.name),
      kindField(obstacle),
      length('height', 'Height', obstacle.height_m),
      length('thick', 'Thickness', line.thick_m),
      ...spotFields([x, y]),
      length('x2', 'Ends from the left', x2),
      length('y2', 'Ends from below', y2),
      ...(leafy ? [leafField(obstacle)] : []),
    ],
    edit: (read) => {
      const typed: Line = {
        ends: [spot(read), [read.metres('x2', ANYWHERE), read.metres('y2', ANYWHERE)]],
        thick_m: read.metres('thick', 0.01),
      };
      if (apart(...typed.ends) < 0.01)
        read.fault('x2', 'Enter another end: it is no longer than it is thick.');
      return {
        do: 'change-obstacle',
        id,
        changes: {
          ...named(read),
          kind: read.typed.kind as ObstacleKind,
          height_m: read.metres('height', 0),
          ...(sameLine(typed, line) ? {} : { outline_m: ringAlong(typed) }),
          ...(leafy ? { leaf: read.typed.leaf } : {}),
        },
      };
    },
  };
}

const kindField = (obstacle: Obstacle): FieldSpec => ({
  kind: 'choice',
  key: 'kind',
  label: 'Kind',
  value: obstacle.kind ?? 'other',
  options: KINDS,
});

function shapeSpec(obstacle: Obstacle, id: string): Spec {
  const { x0, y0 } = boundsOf(obstacle.outline_m);
  const shape = obstacle.shape ?? null;
  const turns = shape !== null && shape.type !== 'circle';
  const leafy = LEAFY.includes(obstacle.kind ?? '');
  const crowned = obstacle.kind === 'tree';
  const sheds = leafy && obstacle.leaf === 'deciduous';
  const [first, last] = obstacle.leaf_months ?? [null, null];
  return {
    title: obstacle.name ?? obstacle.kind ?? 'obstacle',
    fields: [
      nameField(obstacle.name),
      kindField(obstacle),
      length('height', 'Height', obstacle.height_m),
      ...shapeFields(shape),
      ...(turns ? [number('turned', 'Turned clockwise, °', obstacle.heading_deg ?? 0)] : []),
      ...spotFields([x0, y0]),
      ...(leafy ? [leafField(obstacle)] : []),
      ...(crowned ? [length('crown', 'Crown begins at', obstacle.crown_base_m ?? 0)] : []),
      ...(sheds
        ? [number('from', 'In leaf from month', first), number('to', 'to month', last)]
        : []),
    ],
    edit: (read) => {
      const [from, to] = [read.number('from', 1, 12), read.number('to', 1, 12)];
      return {
        do: 'change-obstacle',
        id,
        at_m: spot(read),
        changes: {
          ...named(read),
          kind: read.typed.kind as ObstacleKind,
          height_m: read.metres('height', 0),
          ...(shape && changedShape(obstacle, shape, read)),
          ...(leafy ? { leaf: read.typed.leaf } : {}),
          ...(crowned ? { crown_base_m: read.metres('crown', 0) || null } : {}),
          ...(sheds ? { leaf_months: from !== null && to !== null ? [from, to] : null } : {}),
        },
      };
    },
  };
}

/** What is typed of a shape and its heading, where it differs: else the outline stays as drawn. */
function changedShape(
  obstacle: Obstacle,
  shape: ObstacleShape,
  read: Read,
): Record<string, unknown> {
  const now = typedShape(shape, read);
  const turned = read.number('turned', -360, 360) ?? 0;
  const same = JSON.stringify(now) === JSON.stringify(shape);
  const changes = same ? {} : { shape: now };
  return turned === (obstacle.heading_deg ?? 0) ? changes : { ...changes, heading_deg: turned };
}

const leafField = (obstacle: Obstacle): FieldSpec => ({
  kind: 'choice',
  key: 'leaf',
  label: 'Leaves',
  value: obstacle.leaf ?? 'evergreen',
  options: LEAVES,
});
