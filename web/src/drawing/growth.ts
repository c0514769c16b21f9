import type { Day } from '../kit/day';
import { dayOf } from '../kit/day';
import type { Growth, PlantingReport } from '../api/types';

/** How large one planting stands on a day; null when it is not there. */
export interface Size {
  canopyCm: number;
  heightCm: number;
  rootCm: number;
  standing: number;
}

export function sizeOn(planting: PlantingReport, day: Day): Size | null {
  if (!standsOn(planting, day)) return null;
  return sampled(planting.growth, day);
}

export function standsOn(planting: PlantingReport, day: Day): boolean {
  const clear = planting.clear_date ? dayOf(planting.clear_date) : Infinity;
  return dayOf(planting.start_date) <= day && day < clear;
}

/** Sizes between two weekly samples, straight. */
function sampled(growth: Growth, day: Day): Size {
  const place = (day - dayOf(growth.start)) / growth.step_days;
  const before = Math.max(0, Math.floor(place));
  const share = place - before;
  const between = (values: readonly number[]): number => {
    const from = values[Math.min(before, values.length - 1)] ?? 0;
    const to = values[Math.min(before + 1, values.length - 1)] ?? from;
    return from + (to - from) * share;
  };
  return {
    canopyCm: between(growth.canopy_cm),
    heightCm: between(growth.height_cm),
    rootCm: between(growth.root_cm),
    standing: between(growth.standing),
  };
}
