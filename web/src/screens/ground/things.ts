import type { Edit, Obstacle, Plan, Site } from '../../api/types';
import { boundsOf, snapped } from './yardScale';
import type { PointM } from './yardScale';

/** Something that stands or lies in the yard, named so that it can be chosen. */
export type Thing =
  | { kind: 'place'; id: string }
  | { kind: 'obstacle'; index: number }
  | { kind: 'path'; index: number }
  | { kind: 'tap'; index: number }
  | { kind: 'tank'; index: number }
  | { kind: 'door' };

export function keyOf(thing: Thing): string {
  switch (thing.kind) {
    case 'place':
      return `place-${thing.id}`;
    case 'door':
      return 'door';
    default:
      return `${thing.kind}-${thing.index}`;
  }
}

export function sameThing(a: Thing | null, b: Thing | null): boolean {
  return a !== null && b !== null && keyOf(a) === keyOf(b);
}

export const EMPTY_SITE: Site = { obstacles: [], paths: [], taps: [], tanks: [], animals: [] };

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
      const ring = site.obstacles[thing.index]?.outline_m;
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
      return siteEdit({
        obstacles: swap(site.obstacles, thing.index, (o) => ({
          ...o,
          outline_m: shifted(o.outline_m, by),
        })),
      });
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
      return siteEdit({ obstacles: without(site.obstacles, thing.index) });
    case 'path':
      return siteEdit({ paths: without(site.paths, thing.index) });
    case 'tap':
      return siteEdit({ taps: without(site.taps, thing.index) });
    case 'tank':
      return siteEdit({ tanks: without(site.tanks, thing.index) });
    case 'door':
      return { do: 'change-site', changes: { door_m: null } };
  }
}

export function rectangleRing(at: PointM, width: number, depth: number): [number, number][] {
  const [x, y] = at;
  const [x1, y1] = [clean(x + width), clean(y + depth)];
  return [
    [x, y],
    [x1, y],
    [x1, y1],
    [x, y1],
  ];
}

const CROWN_CORNERS = 12;

/** A crown seen from above: a ring of even corners in the box whose least corner is given. */
export function roundRing(at: PointM, across: number): [number, number][] {
  const r = across / 2;
  return Array.from({ length: CROWN_CORNERS }, (_, i) => {
    const turn = (2 * Math.PI * i) / CROWN_CORNERS;
    return [clean(at[0] + r + r * Math.cos(turn)), clean(at[1] + r + r * Math.sin(turn))];
  });
}

export type OutlineForm = 'rectangle' | 'round' | 'drawn';

/** How an obstacle's outline can be given in two measures, if at all. */
export function formOf(obstacle: Obstacle): OutlineForm {
  const ring = obstacle.outline_m;
  const { x0, y0, x1, y1 } = boundsOf(ring);
  const [cx, cy] = [(x0 + x1) / 2, (y0 + y1) / 2];
  const corner = ([x, y]: PointM) => (x === x0 || x === x1) && (y === y0 || y === y1);
  if (ring.length === 4 && ring.every(corner)) return 'rectangle';
  const reach = ring.map(([x, y]) => Math.hypot(x - cx, y - cy));
  const even = Math.max(...reach) - Math.min(...reach) < 0.06 * Math.max(...reach);
  return ring.length >= 8 && even ? 'round' : 'drawn';
}

export interface NewThing {
  label: string;
  thing: (site: Site) => Thing;
  add: (site: Site, middle: PointM) => Edit;
}

const obstacle = (
  label: string,
  given: Omit<Obstacle, 'outline_m'>,
  ring: (at: PointM) => [number, number][],
): NewThing => ({
  label,
  thing: (site) => ({ kind: 'obstacle', index: site.obstacles.length }),
  add: (site, middle) =>
    siteEdit({ obstacles: [...site.obstacles, { ...given, outline_m: ring(middle) } as Obstacle] }),
});

/** What can be laid out, with sizes that are usual; each is then dragged or typed right. */
export const NEW_THINGS: Record<'shade' | 'water', readonly NewThing[]> = {
  shade: [
    obstacle('house', { name: 'house', kind: 'house', height_m: 6 }, (at) =>
      rectangleRing(at, 6, 4),
    ),
    obstacle('wall', { name: 'wall', kind: 'wall', height_m: 1.5 }, (at) =>
      rectangleRing(at, 4, 0.25),
    ),
    obstacle('fence', { name: 'fence', kind: 'fence', height_m: 1.8 }, (at) =>
      rectangleRing(at, 4, 0.1),
    ),
    obstacle('hedge', { name: 'hedge', kind: 'hedge', height_m: 1.8, leaf: 'evergreen' }, (at) =>
      rectangleRing(at, 4, 0.6),
    ),
    obstacle('tree', { name: 'tree', kind: 'tree', height_m: 5, leaf: 'deciduous' }, (at) =>
      roundRing(at, 3),
    ),
  ],
  water: [
    {
      label: 'tap',
      thing: (site) => ({ kind: 'tap', index: site.taps.length }),
      add: (site, middle) =>
        siteEdit({ taps: [...site.taps, { at_m: [...middle], name: 'tap', hose_m: 10 }] }),
    },
    {
      label: 'butt',
      thing: (site) => ({ kind: 'tank', index: site.tanks.length }),
      add: (site, middle) =>
        siteEdit({ tanks: [...site.tanks, { at_m: [...middle], name: 'butt', litres: 200 }] }),
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
