import type { YearReport } from '../api/types';
import { clamp, dayOf } from '../kit/day';
import type { Day } from '../kit/day';

export interface NoonSun {
  altitudeDeg: number;
  azimuthDeg: number;
}

/** Where the noon sun stands on a day, from the year's weekly figures. */
export function noonOn(year: YearReport, day: Day): NoonSun {
  const last = year.noon_altitude_deg.length - 1;
  const week = clamp(Math.round((day - dayOf(year.start)) / 7), 0, last);
  return {
    altitudeDeg: year.noon_altitude_deg[week] ?? 0,
    azimuthDeg: year.noon_azimuth_deg[week] ?? 180,
  };
}
