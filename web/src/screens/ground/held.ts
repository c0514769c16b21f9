import { polygonPath } from '../../drawing/outline';
import { keyOf } from './things';
import type { Thing } from './things';
import { toPx } from './yardScale';
import type { PointM, YardScale } from './yardScale';

/** A thing that the pointer holds, and how far it has been carried. [m] */
export interface Held {
  thing: Thing;
  from: PointM;
  by: PointM;
}

export function ring(scale: YardScale, points: readonly PointM[]): string {
  return polygonPath(points.map((p) => toPx(scale, p)));
}

/** Which things a layer of the drawing shows: all but the one that is held, or that one alone. */
export type Shows = { but: string | null } | { only: string };

export function isShown(shows: Shows, thing: Thing): boolean {
  return 'only' in shows ? shows.only === keyOf(thing) : shows.but !== keyOf(thing);
}
