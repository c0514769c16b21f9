import { polygonPath } from '../drawing/outline';
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

/** How far a thing is shown from where it lies, while it is held. */
export function shiftOf(held: Held | null, thing: Thing, scale: YardScale): string | undefined {
  if (!held || keyOf(held.thing) !== keyOf(thing)) return undefined;
  return `translate(${held.by[0] * scale.pxPerM} ${-held.by[1] * scale.pxPerM})`;
}
