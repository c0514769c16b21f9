import type { PlaceReport, PlantingReport, YearReport } from '../api/types';
import { useUnits } from '../kit/preferences';
import { SHADE } from './Hatches';
import { NorthMark } from './NorthMark';
import { sizeOn } from './growth';
import { hull, polygonPath } from './outline';
import { groundToPx } from './scale';
import type { GroundScale, PointCm, PointPx } from './scale';
import type { Day } from '../kit/day';
import { dayOf } from '../kit/day';
import { noonOn } from './noon';
import { boxOf, gridSize, spotOf } from './cells';

const DIMENSION_PX_A_LETTER = 3.6;

/** What plants climb on: its line and posts, told over the bed so that no plant lies under words. */
export function Supports({ place, scale }: { place: PlaceReport; scale: GroundScale }) {
  const units = useUnits();
  if (place.supports.length === 0) return null;
  const [x0, y0, x1, y1] = place.bounds_cm;
  const corners = [groundToPx(scale, [x0, y0]), groundToPx(scale, [x1, y1])];
  const alone = place.supports.length === 1;
  const words = place.supports.map((support) =>
    alone
      ? `${support.label}, ${support.posts} posts, ${units.length(support.height_cm)} high`
      : support.label,
  );
  return (
    <g>
      <text
        x={Math.max(...corners.map(([x]) => x))}
        y={Math.min(...corners.map(([, y]) => y)) - 9}
        fontSize={12}
        fontWeight={600}
        textAnchor="end"
        fill="var(--damson)"
        className="halo"
      >
        {words.join('; ')}
      </text>
      {place.supports.map((support) => {
        const line = support.line_cm.map(([x, y]) => groundToPx(scale, [x, y]));
        return (
          <g key={support.id}>
            <polyline
              points={line.map((at) => at.join(',')).join(' ')}
              fill="none"
              stroke="var(--damson)"
              strokeWidth={2.6}
            />
            {evenlyAlong(line, support.posts).map(([x, y], index) => (
              <circle
                key={index}
                cx={x}
                cy={y}
                r={4}
                fill="var(--paper)"
                stroke="var(--damson)"
                strokeWidth={1.6}
              />
            ))}
          </g>
        );
      })}
    </g>
  );
}

/** So many points evenly along a line that may bend, its ends among them. */
function evenlyAlong(line: readonly PointPx[], count: number): PointPx[] {
  const lengths = line.slice(1).map(([x, y], i) => {
    const [px, py] = line[i] ?? [x, y];
    return Math.hypot(x - px, y - py);
  });
  const whole = lengths.reduce((sum, length) => sum + length, 0);
  return Array.from({ length: count }, (_, i) => {
    let left = (whole * i) / Math.max(1, count - 1);
    let part = 0;
    while (part < lengths.length - 1 && left > (lengths[part] ?? 0)) {
      left -= lengths[part] ?? 0;
      part += 1;
    }
    const [[ax, ay], [bx, by]] = [line[part] ?? [0, 0], line[part + 1] ?? [0, 0]];
    const share = left / (lengths[part] || 1);
    return [ax + (bx - ax) * share, ay + (by - ay) * share] as const;
  });
}

/** Covers that are on on this day: a broken line round their squares, and what they are. */
export function Covers({
  place,
  scale,
  day,
}: {
  place: PlaceReport;
  scale: GroundScale;
  day: Day;
}) {
  const on = place.covers.filter((c) => dayOf(c.since) <= day && day < dayOf(c.until));
  return (
    <g fill="none" stroke="var(--ink)" strokeWidth={1.3} strokeDasharray="2 3">
      {on.map((cover) => {
        const boxes = cover.cells.map((cell) => boxOf(place, spotOf(cell)));
        const [x, y] = groundToPx(scale, [
          Math.min(...boxes.map((b) => b.x0)),
          Math.min(...boxes.map((b) => b.y0)),
        ]);
        const [x1, y1] = groundToPx(scale, [
          Math.max(...boxes.map((b) => b.x1)),
          Math.max(...boxes.map((b) => b.y1)),
        ]);
        return (
          <g key={cover.id}>
            <rect x={x + 2} y={y + 2} width={x1 - x - 4} height={y1 - y - 4} rx={6} />
            <text
              x={x1 - 6}
              y={y1 - 6}
              fontSize={11}
              textAnchor="end"
              stroke="none"
              fill="var(--ink)"
              className="halo-bed"
            >
              {cover.label}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** Where the noon shadow of whatever stands tall falls on this day, as high as it is by then. */
export function NoonShade({
  place,
  plantings,
  year,
  day,
  scale,
}: {
  place: PlaceReport;
  plantings: readonly PlantingReport[];
  year: YearReport;
  day: Day;
  scale: GroundScale;
}) {
  const { altitudeDeg: altitude, azimuthDeg: azimuth } = noonOn(year, day);
  if (altitude < 3) return null;
  const away = ((azimuth + 180 - place.heading_deg) * Math.PI) / 180;
  const long = 1 / Math.tan((altitude * Math.PI) / 180);
  return (
    <g>
      {plantings.map((planting) => {
        const size = planting.casts_shade ? sizeOn(planting, day) : null;
        if (!size || planting.positions_cm.length === 0) return null;
        const reach = Math.min(400, size.heightCm * long);
        const by: PointCm = [Math.sin(away) * reach, Math.cos(away) * reach];
        const ring = stoodOn(planting, size.canopyCm / 2);
        const shade = hull([...ring, ...ring.map(([x, y]): PointCm => [x + by[0], y + by[1]])]);
        return (
          <path
            key={planting.id}
            d={polygonPath(shade.map((corner) => groundToPx(scale, corner)))}
            fill={SHADE}
          />
        );
      })}
    </g>
  );
}

/** The ground that a planting's leaves stand on: a box about its plants. */
function stoodOn(planting: PlantingReport, half: number): PointCm[] {
  const xs = planting.positions_cm.map(([x]) => x);
  const ys = planting.positions_cm.map(([, y]) => y);
  const [x0, x1] = [Math.min(...xs) - half, Math.max(...xs) + half];
  const [y0, y1] = [Math.min(...ys) - half, Math.max(...ys) + half];
  return [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ];
}

/** How many and how far apart, as a drawing is dimensioned: in the margin below the bed. */
export function Dimension({
  planting,
  place,
  scale,
}: {
  planting: PlantingReport;
  place: PlaceReport;
  scale: GroundScale;
}) {
  const units = useUnits();
  const boxes = planting.cells.map((cell) => boxOf(place, spotOf(cell)));
  const [, , x1] = place.bounds_cm;
  const [left, y] = groundToPx(scale, [x1, Math.min(...boxes.map((b) => b.y0))]);
  const [right] = groundToPx(scale, [x1, Math.max(...boxes.map((b) => b.y1))]);
  const base = y + 27;
  const count =
    planting.plants === 1
      ? '1 plant'
      : `${planting.plants}, ${units.length(planting.spacing_cm)} apart`;
  const text = `${planting.mark} ${count}`;
  const middle = (left + right) / 2;
  // The line breaks for its figure, as on a drawing board.
  const half = text.length * DIMENSION_PX_A_LETTER;
  const sides =
    right - left > 2 * half + 16
      ? `M${left} ${base}H${middle - half}M${middle + half} ${base}H${right}`
      : '';
  return (
    <g>
      <path
        d={`M${left} ${base - 5}v10M${right} ${base - 5}v10${sides}`}
        stroke="var(--damson)"
        fill="none"
      />
      <text
        x={sides ? middle : Math.max(middle, half)}
        y={base + 4}
        textAnchor="middle"
        fontSize={12.5}
        fontWeight={600}
        fill="var(--damson)"
        className="halo"
      >
        {text}
      </text>
    </g>
  );
}

export function Letters({ place, scale }: { place: PlaceReport; scale: GroundScale }) {
  const { columns, rows } = gridSize(place);
  const [x0, y0, x1] = place.bounds_cm;
  return (
    <g fontSize={11.5} fill="var(--muted)" textAnchor="middle">
      {Array.from({ length: columns }, (_, column) => {
        const box = boxOf(place, { column, row: 0 });
        const [x, y] = groundToPx(scale, [(box.x0 + box.x1) / 2, y0]);
        return (
          <text key={column} x={x - 16} y={y + 4}>
            {String.fromCharCode(65 + column)}
          </text>
        );
      })}
      {Array.from({ length: rows }, (_, row) => {
        const box = boxOf(place, { column: 0, row });
        const [x, y] = groundToPx(scale, [x1, (box.y0 + box.y1) / 2]);
        return (
          <text key={row} x={x} y={y + 17}>
            {row + 1}
          </text>
        );
      })}
      <NorthMark
        x={groundToPx(scale, [x0, place.bounds_cm[3]])[0] + 28}
        y={groundToPx(scale, [x0, y0])[1] + 24}
        headingDeg={place.heading_deg}
      />
    </g>
  );
}
