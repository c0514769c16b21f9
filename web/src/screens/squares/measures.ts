import type { Place, PlaceReport } from '../../api/types';
import type { Units } from '../../kit/units';

const BOTTOM = {
  open: 'open below',
  mesh: 'mesh bottom',
  rotting: 'card or paper below',
  lined: 'lined bottom',
  closed: 'closed bottom',
} as const;

/** A place's inside measures and soil in a line. */
export function measuresOf(place: Place, report: PlaceReport, units: Units): string {
  const [x0, y0, x1, y1] = report.bounds_cm;
  const across = units.length(x1 - x0);
  const size = place.shape.type === 'circle' ? `${across} across` : units.both(x1 - x0, y1 - y0);
  const { fill_cm: fill, loosened_cm: loosened } = report.layers;
  const below = place.stands_on ? 'of the place below' : 'loosened';
  const soil = `${units.length(fill)} mix${loosened > 0 ? ` over ${units.bare(loosened)} ${below}` : ''}`;
  const bottom = BOTTOM[report.bottom as keyof typeof BOTTOM];
  return `${size} inside · ${soil} · ${bottom} · ${sunWords(report)}`;
}

/** The sun on a place in few words: as counted, else by the yard, else not known. */
function sunWords(report: PlaceReport): string {
  if (report.sun_hours) return `${Math.round(report.sun_hours * 10) / 10} h sun`;
  return report.sun
    ? `${report.sun.best_months_hours.toFixed(1)} h sun in season`
    : 'sun not counted';
}
