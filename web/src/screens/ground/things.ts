import type { Edit, Obstacle, Plan, Site } from '../../api/types';
import { boundsOf, snapped } from './yardScale';
import type { PointM } from './yardScale';

export type ObstacleKind = NonNullable<Obstacle['kind']>;
export type ObstacleShape = NonNullable<Obstacle['shape']>;
type Leaf = NonNullable<Obstacle['leaf']>;

/** Something that stands or lies in the yard, named so that it can be chosen. */
export type Thing =
  | { kind: 'place'; id: string }
  | { kind: 'obstacle'; id: string }
  | { kind: 'path'; index: number }
  | { kind: 'tap'; index: number }
  | { kind: 'tank'; index: number }
  | { kind: 'sun'; index: number }
  | { kind: 'door' };

export function keyOf(thing: Thing): string {
  switch (thing.kind) {
    case 'place':
    case 'obstacle':
      return `${thing.kind}-${thing.id}`;
    case 'door':
      return 'door';
    default:
      return `${thing.kind}-${thing.index}`;
  }
}

export function sameThing(a: Thing | null, b: Thing | null): boolean {
  return a !== null && b !== null && keyOf(a) === keyOf(b);
}

/** An obstacle as a thing of the yard; as the server sends it, it always has an id. */
export function thingOf(obstacle: Obstacle): Thing {
  return { kind: 'obstacle', id: obstacle.id ?? '' };
}

export const EMPTY_SITE: Site = {
  obstacles: [],
  paths: [],
  taps: [],
  tanks: [],
  sun_seen: [],
  animals: [],
};

export function siteOf(plan: Plan): Site {
  return plan.site ?? EMPTY_SITE;
}

/** The point by which a thing is set out: its own corner or middle, or its first point. */
export function spotOfThing(plan: Plan, thing: Thing): PointM | null {
  const site = siteOf(plan);
  switch (thing.kind) {
    case 'place':
      return plan.places.find((p) => p.id === thing.id)?.at_m ?? null;
    case 'obstacle': {
      const ring = site.obstacles.find((o) => o.id === thing.id)?.outline_m;
      if (!ring) return null;
      const { x0, y0 } = boundsOf(ring);
      return [x0, y0];
    }
    case 'path':
      return site.paths[thing.index]?.line_m[0] ?? null;
    case 'tap':
      return site.taps[thing.index]?.at_m ?? null;
    case 'tank':
      return site.tanks[thing.index]?.at_m ?? null;
    case 'sun':
      return site.sun_seen[thing.index]?.at_m ?? null;
    case 'door':
      return site.door_m ?? null;
  }
}

const shifted = (points: readonly PointM[], [dx, dy]: PointM): [number, number][] =>
  points.map(([x, y]) => [clean(x + dx), clean(y + dy)]);

const clean = (m: number) => Math.round(m * 10_000) / 10_000;

/** The edit that brings a thing's spot to a point of the yard. */
export function moveThing(plan: Plan, thing: Thing, to: PointM): Edit | null {
  const from = spotOfThing(plan, thing);
  if (!from) return null;
  const by: PointM = [to[0] - from[0], to[1] - from[1]];
  if (by[0] === 0 && by[1] === 0) return null;
  const at: [number, number] = [clean(to[0]), clean(to[1])];
  const site = siteOf(plan);
  const swap = <T>(list: readonly T[], index: number, change: (old: T) => T) =>
    list.map((old, i) => (i === index ? change(old) : old));
  switch (thing.kind) {
    case 'place':
      return { do: 'change-place', id: thing.id, changes: { at_m: at } };
    case 'obstacle':
      return { do: 'change-obstacle', id: thing.id, changes: {}, at_m: at };
    case 'path':
      return siteEdit({
        paths: swap(site.paths, thing.index, (path) => ({
          ...path,
          line_m: shifted(path.line_m, by),
        })),
      });
    case 'tap':
      return siteEdit({ taps: swap(site.taps, thing.index, (tap) => ({ ...tap, at_m: at })) });
    case 'tank':
      return siteEdit({ tanks: swap(site.tanks, thing.index, (tank) => ({ ...tank, at_m: at })) });
    case 'sun':
      return siteEdit({
        sun_seen: swap(site.sun_seen, thing.index, (patch) => ({ ...patch, at_m: at })),
      });
    case 'door':
      return siteEdit({ door_m: at });
  }
}

export function siteEdit(changes: Partial<Site>): Edit {
  return { do: 'change-site', changes };
}

/** The edit that takes a thing out of the yard; a place is only taken off its spot. */
export function removeThing(plan: Plan, thing: Thing): Edit {
  const site = siteOf(plan);
  const without = <T>(list: readonly T[], index: number) => list.filter((_, i) => i !== index);
  switch (thing.kind) {
    case 'place':
      return { do: 'change-place', id: thing.id, changes: { at_m: null } };
    case 'obstacle':
      return { do: 'remove-obstacle', id: thing.id };
    case 'path':
      return siteEdit({ paths: without(site.paths, thing.index) });
    case 'tap':
      return siteEdit({ taps: without(site.taps, thing.index) });
    case 'tank':
      return siteEdit({ tanks: without(site.tanks, thing.index) });
    case 'sun':
      return siteEdit({ sun_seen: without(site.sun_seen, thing.index) });
    case 'door':
      return { do: 'change-site', changes: { door_m: null } };
  }
}

export interface NewThing {
  label: string;
  thing: (site: Site) => Thing;
  /** Named as its label is said here. */
  add: (site: Site, middle: PointM, name: string) => Edit;
}

const rectangle = (width: number, length: number): ObstacleShape => ({
  type: 'rectangle',
  width_cm: width,
  length_cm: length,
});

const circle = (across: number): ObstacleShape => ({ type: 'circle', diameter_cm: across });

const obstacle = (kind: ObstacleKind, height_m: number, shape: ObstacleShape, leaf?: Leaf) => {
  const free = (site: Site) => freeId(kind, site);
  return {
    label: kind,
    thing: (site: Site): Thing => ({ kind: 'obstacle', id: free(site) }),
    add: (site: Site, [x, y]: PointM): Edit => ({
      do: 'add-obstacle',
      obstacle: { id: free(site), name: kind, kind, height_m, shape, ...(leaf && { leaf }) },
      at_m: [x, y],
    }),
  };
};

/** A kind's own id where it is free, or the lowest number after it that is. */
function freeId(kind: string, site: Site): string {
  const taken = new Set(site.obstacles.map((o) => o.id));
  let [id, number] = [kind, 1];
  while (taken.has(id)) id = `${kind}-${(number += 1)}`;
  return id;
}

/** What can be laid out, with sizes that are usual; each is then dragged or typed right. */
export const NEW_THINGS: Record<'shade' | 'water' | 'sun', readonly NewThing[]> = {
  sun: (['little', 'some', 'enough'] as const).map((sun) => ({
    label: `${sun} sun`,
    thing: (site) => ({ kind: 'sun', index: site.sun_seen.length }),
    add: (site, [x, y]) =>
      siteEdit({
        sun_seen: [...site.sun_seen, { at_m: [x, y], width_m: 3, length_m: 3, sun }],
      }),
  })),
  shade: [
    obstacle('house', 6, rectangle(600, 400)),
    obstacle('wall', 1.5, rectangle(400, 25)),
    obstacle('fence', 1.8, rectangle(400, 10)),
    obstacle('hedge', 1.8, rectangle(400, 60), 'evergreen'),
    obstacle('tree', 5, circle(300), 'deciduous'),
  ],
  water: [
    {
      label: 'tap',
      thing: (site) => ({ kind: 'tap', index: site.taps.length }),
      add: (site, middle, name) =>
        siteEdit({ taps: [...site.taps, { at_m: [...middle], name, hose_m: 10 }] }),
    },
    {
      label: 'butt',
      thing: (site) => ({ kind: 'tank', index: site.tanks.length }),
      add: (site, middle, name) =>
        siteEdit({ tanks: [...site.tanks, { at_m: [...middle], name, litres: 200 }] }),
    },
    {
      label: 'door',
      thing: () => ({ kind: 'door' }),
      add: (_site, middle) => siteEdit({ door_m: [...middle] }),
    },
    {
      label: 'path',
      thing: (site) => ({ kind: 'path', index: site.paths.length }),
      add: (site, [x, y]) =>
        siteEdit({
          paths: [
            ...site.paths,
            {
              name: 'path',
              line_m: [
                [x, y],
                [clean(x + 3), y],
              ],
              width_cm: 60,
              use: 'feet',
            },
          ],
        }),
    },
  ],
};

/** The middle of the yard, on the snapping grid. */
export function middleOf(site: Site, stepM: number): PointM {
  const outline = site.outline_m;
  if (!outline || outline.length === 0) return [0, 0];
  const { x0, y0, x1, y1 } = boundsOf(outline);
  return [snapped((x0 + x1) / 2, stepM), snapped((y0 + y1) / 2, stepM)];
}
