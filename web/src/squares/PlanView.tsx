import { memo } from 'react';

import type { PlaceReport, PlantingReport, YearReport } from '../api/types';
import { useUnits } from '../app/preferences';
import { sizeOn } from '../drawing/growth';
import { hatchOf, PICKED, SHADE } from '../drawing/Hatches';
import { NorthMark } from '../drawing/NorthMark';
import { polygonPath, softOutline } from '../drawing/outline';
import { groundToPx } from '../drawing/scale';
import type { GroundScale, PointCm } from '../drawing/scale';
import { dayOf, shortWords } from '../time/day';
import type { Day } from '../time/day';
import { boxOf, gridSize, sidesOf, spotOf } from './cells';
import type { CellBox } from './cells';

interface Props {
  place: PlaceReport;
  plantings: readonly PlantingReport[];
  year: YearReport;
  day: Day;
  scale: GroundScale;
  chosen: readonly string[];
  cursor: string | null;
  selected: PlantingReport | null;
}

const LEAST_RADIUS_PX = 1.4;
const DIMENSION_PX_A_LETTER = 3.6;

/** The place from above at true scale: grid, plants at their size that day, supports, shade. */
export const PlanView = memo(function PlanView(props: Props) {
  const { place, plantings, year, day, scale, chosen, cursor, selected } = props;
  const px = (point: PointCm) => groundToPx(scale, point);
  const outline = polygonPath(place.outline_cm.map((p) => px([p[0], p[1]])));
  const standing = plantings.filter((p) => sizeOn(p, day) !== null);
  return (
    <g>
      <NoonShade place={place} year={year} day={day} scale={scale} />
      <path
        d={outline}
        fill="var(--bed)"
        stroke="var(--board)"
        strokeWidth={9}
        strokeLinejoin="round"
      />
      <path d={outline} fill="var(--bed)" stroke="var(--ink)" strokeWidth={1.2} />
      <GridLines place={place} scale={scale} outline={outline} />
      {place.cells
        .filter((cell) => cell.held)
        .map((cell) => (
          <HeldCell key={cell.address} box={boxOf(place, spotOf(cell.address))} scale={scale} />
        ))}
      <IdleOutlines place={place} scale={scale} day={day} />
      {standing.map((p) => (
        <PlantsFromAbove key={p.id} planting={p} day={day} scale={scale} />
      ))}
      <Supports place={place} scale={scale} />
      {standing.map((p) => (
        <MarkAt key={p.id} planting={p} place={place} scale={scale} />
      ))}
      <Sides place={place} cells={chosen} scale={scale} />
      {cursor && <CursorMark box={boxOf(place, spotOf(cursor))} scale={scale} />}
      {selected && <Dimension planting={selected} place={place} scale={scale} />}
      <Letters place={place} scale={scale} />
    </g>
  );
});

function GridLines({
  place,
  scale,
  outline,
}: {
  place: PlaceReport;
  scale: GroundScale;
  outline: string;
}) {
  const [x0, y0, x1, y1] = place.bounds_cm;
  const { columns, rows } = gridSize(place);
  const clip = `clip-${place.id.replace(/\W/g, '_')}`;
  return (
    <g stroke="var(--rule)" strokeWidth={0.8} clipPath={`url(#${clip})`}>
      <clipPath id={clip}>
        <path d={outline} />
      </clipPath>
      {Array.from({ length: columns - 1 }, (_, i) => {
        const x = x0 + (i + 1) * place.cell_cm;
        const [ax, ay] = groundToPx(scale, [x, y0]);
        const [bx] = groundToPx(scale, [x, y1]);
        return <line key={`c${i}`} x1={ax} y1={ay} x2={bx} y2={ay} />;
      })}
      {Array.from({ length: rows - 1 }, (_, i) => {
        const y = y0 + (i + 1) * place.cell_cm;
        const [ax, ay] = groundToPx(scale, [x0, y]);
        const [, by] = groundToPx(scale, [x1, y]);
        return <line key={`r${i}`} x1={ax} y1={ay} x2={ax} y2={by} />;
      })}
    </g>
  );
}

function HeldCell({ box, scale }: { box: CellBox; scale: GroundScale }) {
  const [ax, ay] = groundToPx(scale, [box.x0, box.y0]);
  const [bx, by] = groundToPx(scale, [box.x1, box.y1]);
  return (
    <path
      d={`M${ax} ${ay}L${bx} ${by}M${ax} ${by}L${bx} ${ay}M${ax} ${ay}H${bx}V${by}H${ax}z`}
      fill="none"
      stroke="var(--muted)"
      strokeWidth={0.8}
    />
  );
}

function PlantsFromAbove({
  planting,
  day,
  scale,
}: {
  planting: PlantingReport;
  day: Day;
  scale: GroundScale;
}) {
  const size = sizeOn(planting, day);
  if (!size) return null;
  const radius = Math.max(
    LEAST_RADIUS_PX,
    (size.canopyCm / 2) * scale.pxPerCm * Math.sqrt(size.standing),
  );
  // Where leaves meet, each plant keeps its own outline and the overlap is a tone.
  const own = Math.min(radius, (planting.spacing_cm / 2) * scale.pxPerCm * 0.97);
  const outlines = (reach: number) =>
    planting.positions_cm
      .map(([x, y], i) => softOutline(groundToPx(scale, [x, y]), reach, i + planting.id.length * 7))
      .join('');
  const path = outlines(own);
  const picked = planting.first_pick !== null && dayOf(planting.first_pick) <= day;
  return (
    <g>
      {radius > own + 0.5 && <path d={outlines(radius)} fill="var(--leaf-wash)" />}
      <path d={path} fill="var(--leaf-wash)" stroke="var(--leaf)" strokeWidth={1.1} />
      {own > 3 && <path d={path} fill={hatchOf(planting.family)} />}
      {own > 3 && picked && <path d={path} fill={PICKED} opacity={0.4} />}
    </g>
  );
}

function MarkAt({
  planting,
  place,
  scale,
}: {
  planting: PlantingReport;
  place: PlaceReport;
  scale: GroundScale;
}) {
  const spots = planting.cells.map(spotOf);
  const first = spots.reduce(
    (a, b) => (b.column < a.column || (b.column === a.column && b.row < a.row) ? b : a),
    spots[0] ?? { column: 0, row: 0 },
  );
  const box = boxOf(place, first);
  const [x, y] = groundToPx(scale, [box.x0, box.y0]);
  return (
    <text
      x={x + 4}
      y={y + 13}
      fontSize={12.5}
      fontWeight={600}
      fill="var(--ink)"
      className="halo-bed"
    >
      {planting.mark}
    </text>
  );
}

function Supports({ place, scale }: { place: PlaceReport; scale: GroundScale }) {
  const units = useUnits();
  return (
    <g>
      {place.supports.map((support) => {
        const [start, end] = support.line_cm;
        const [ax, ay] = groundToPx(scale, [start[0], start[1]]);
        const [bx, by] = groundToPx(scale, [end[0], end[1]]);
        const posts = Array.from(
          { length: support.posts },
          (_, i) => i / Math.max(1, support.posts - 1),
        );
        return (
          <g key={support.id}>
            <line x1={ax} y1={ay} x2={bx} y2={by} stroke="var(--damson)" strokeWidth={2.6} />
            {posts.map((share) => (
              <circle
                key={share}
                cx={ax + (bx - ax) * share}
                cy={ay + (by - ay) * share}
                r={4}
                fill="var(--paper)"
                stroke="var(--damson)"
                strokeWidth={1.6}
              />
            ))}
            <text
              x={Math.max(ax, bx)}
              y={Math.min(ay, by) - 9}
              fontSize={12}
              fontWeight={600}
              textAnchor="end"
              fill="var(--damson)"
              className="halo"
            >
              {`${support.label}, ${support.posts} posts, ${units.length(support.height_cm)} high`}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** Where the noon shadow of each support falls on this day. */
function NoonShade({
  place,
  year,
  day,
  scale,
}: {
  place: PlaceReport;
  year: YearReport;
  day: Day;
  scale: GroundScale;
}) {
  const week = Math.min(
    year.noon_altitude_deg.length - 1,
    Math.max(0, Math.round((day - dayOf(year.start)) / 7)),
  );
  const altitude = year.noon_altitude_deg[week] ?? 0;
  const azimuth = year.noon_azimuth_deg[week] ?? 180;
  if (altitude < 3) return null;
  const away = ((azimuth + 180 - place.heading_deg) * Math.PI) / 180;
  return (
    <g>
      {place.supports.map((support) => {
        const reach = Math.min(400, support.height_cm / Math.tan((altitude * Math.PI) / 180));
        const [dx, dy] = [Math.sin(away) * reach, Math.cos(away) * reach];
        const [a, b] = support.line_cm;
        const corners: PointCm[] = [
          [a[0], a[1]],
          [b[0], b[1]],
          [b[0] + dx, b[1] + dy],
          [a[0] + dx, a[1] + dy],
        ];
        return (
          <path
            key={support.id}
            d={polygonPath(corners.map((c) => groundToPx(scale, c)))}
            fill={SHADE}
          />
        );
      })}
    </g>
  );
}

function IdleOutlines({ place, scale, day }: { place: PlaceReport; scale: GroundScale; day: Day }) {
  const now = place.idle.filter((spell) => dayOf(spell.start) <= day && day < dayOf(spell.end));
  return (
    <g>
      {now.map((spell) => {
        const first = spell.cells[0];
        const box = first ? boxOf(place, spotOf(first)) : null;
        const [x, y] = box ? groundToPx(scale, [box.x0, box.y0]) : [0, 0];
        return (
          <g key={`${spell.start}${first ?? ''}`}>
            {sidesOf(place, spell.cells).map((side, i) => {
              const [ax, ay] = groundToPx(scale, [side.x0, side.y0]);
              const [bx, by] = groundToPx(scale, [side.x1, side.y1]);
              return (
                <line
                  key={i}
                  x1={ax}
                  y1={ay}
                  x2={bx}
                  y2={by}
                  stroke="var(--marigold-line)"
                  strokeWidth={1.6}
                  strokeDasharray="2 3"
                />
              );
            })}
            {spell.cells.length > 1 && (
              <text
                x={x + 5}
                y={y + 14}
                fontSize={11.5}
                fill="var(--marigold)"
                className="halo-bed"
              >
                {`free until ${shortWords(dayOf(spell.end))}`}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

function Sides({
  place,
  cells,
  scale,
}: {
  place: PlaceReport;
  cells: readonly string[];
  scale: GroundScale;
}) {
  return (
    <g stroke="var(--damson)" strokeWidth={2.4} strokeLinecap="square">
      {sidesOf(place, cells).map((side, i) => {
        const [ax, ay] = groundToPx(scale, [side.x0, side.y0]);
        const [bx, by] = groundToPx(scale, [side.x1, side.y1]);
        return <line key={i} x1={ax} y1={ay} x2={bx} y2={by} />;
      })}
    </g>
  );
}

function CursorMark({ box, scale }: { box: CellBox; scale: GroundScale }) {
  const [ax, ay] = groundToPx(scale, [box.x0, box.y0]);
  const [bx, by] = groundToPx(scale, [box.x1, box.y1]);
  return (
    <rect
      className="cursor-mark"
      x={ax + 3}
      y={ay + 3}
      width={Math.max(0, bx - ax - 6)}
      height={Math.max(0, by - ay - 6)}
      fill="none"
      stroke="var(--ink)"
      strokeWidth={1.2}
      strokeDasharray="4 2"
    />
  );
}

/** How many and how far apart, as a drawing is dimensioned: in the margin below the bed. */
function Dimension({
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

function Letters({ place, scale }: { place: PlaceReport; scale: GroundScale }) {
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
