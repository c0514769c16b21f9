import type { PlaceReport } from '../../../api/types';
import { useUnits } from '../../../kit/preferences';
import { polygonPath } from '../../../drawing/outline';

const MOST = { width: 640, height: 150 };
const EDGE = 10;

/** Drip or soaker lines laid over a place to scale, with the pipe that feeds them. */
export function LinesDrawing({ place }: { place: PlaceReport }) {
  const units = useUnits();
  const lines = place.water?.lines;
  if (!lines) return null;
  const [x0, y0, x1, y1] = place.bounds_cm;
  // The longer side lies across the page, whichever way the place is measured.
  const lying = y1 - y0 >= x1 - x0;
  const wide = lying ? y1 - y0 : x1 - x0;
  const high = lying ? x1 - x0 : y1 - y0;
  const scale = Math.min((MOST.width - 2 * EDGE) / wide, (MOST.height - 2 * EDGE) / high);
  const at = ([x, y]: readonly [number, number]): [number, number] =>
    lying
      ? [EDGE + (y - y0) * scale, EDGE + (x - x0) * scale]
      : [EDGE + (x - x0) * scale, EDGE + (y1 - y) * scale];
  const runs = lines.runs_cm.map(([from, to]) => [at(from), at(to)] as const);
  const feet = runs.map(([from]) => from[1]);
  return (
    <figure>
      <svg
        width={wide * scale + 2 * EDGE}
        height={high * scale + 2 * EDGE}
        role="img"
        aria-label={`Lines over ${place.id}, ${units.length(lines.apart_cm)} apart`}
      >
        <path
          d={polygonPath(place.outline_cm.map(at))}
          fill="var(--bed)"
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
        {runs.map(([from, to], i) => (
          <path
            key={i}
            d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}`}
            stroke="var(--ink)"
            strokeWidth={2}
            strokeDasharray="1 5"
            strokeLinecap="round"
          />
        ))}
        {lines.header_m > 0 && (
          <path
            d={`M${EDGE} ${Math.min(...feet)}V${Math.max(...feet)}`}
            stroke="var(--ink)"
            strokeWidth={3}
          />
        )}
      </svg>
      <figcaption className="text-muted">
        {`${lines.runs_cm.length} lines, ${units.length(lines.apart_cm)} apart: ${units.distance(Math.round(lines.line_m * 10) / 10)} of line with ${lines.emitters} drippers, ${units.distance(Math.round(lines.header_m * 10) / 10)} of header.`}
      </figcaption>
    </figure>
  );
}
