import type { Day } from '../kit/day';

/** The one place where centimetres and days become pixels. */

export interface TimeScale {
  start: Day;
  end: Day;
  left: number;
  width: number;
}

export function dayToPx(scale: TimeScale, day: Day): number {
  return scale.left + ((day - scale.start) / (scale.end - scale.start)) * scale.width;
}

export function pxToDay(scale: TimeScale, px: number): Day {
  return Math.round(scale.start + ((px - scale.left) / scale.width) * (scale.end - scale.start));
}

/**
 * A place drawn with its length along the page: y of its frame runs right, x runs down,
 * so that letters run along the bed's width. A quarter turn, never a mirror image.
 */
export interface GroundScale {
  pxPerCm: number;
  left: number;
  top: number;
  originX: number;
  originY: number;
}

export type PointCm = readonly [number, number];
export type PointPx = readonly [number, number];

export function groundToPx(scale: GroundScale, [x, y]: PointCm): PointPx {
  return [
    scale.left + (y - scale.originY) * scale.pxPerCm,
    scale.top + (x - scale.originX) * scale.pxPerCm,
  ];
}

export function pxToGround(scale: GroundScale, [px, py]: PointPx): PointCm {
  return [
    (py - scale.top) / scale.pxPerCm + scale.originX,
    (px - scale.left) / scale.pxPerCm + scale.originY,
  ];
}

export interface Room {
  width: number;
  height: number;
}

/** The largest scale at which a place fits into some room. */
export function fitGround(
  bounds: readonly [number, number, number, number],
  room: Room,
  left: number,
  top: number,
): GroundScale {
  const [x0, y0, x1, y1] = bounds;
  const pxPerCm = Math.min(room.width / (y1 - y0), room.height / (x1 - x0));
  return { pxPerCm, left, top, originX: x0, originY: y0 };
}

/** Azimuth of the page's upward direction, for the north mark. [degrees] */
export function upAzimuth(headingDeg: number): number {
  // Right is the frame's +y, which points along the heading; up is a quarter turn back.
  return (headingDeg + 270) % 360;
}
