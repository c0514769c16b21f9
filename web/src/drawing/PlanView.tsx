import { memo } from 'react';

import type { PlaceReport, PlantingReport, YearReport } from '../api/types';
import { LaidLines } from './LaidLines';
import { sizeOn } from './growth';
import type { Size } from './growth';
import { hatchOf, PICKED } from './Hatches';
import { polygonPath, softOutline } from './outline';
import { groundToPx } from './scale';
import type { GroundScale, PointCm } from './scale';
import { dayOf, shortWords } from '../kit/day';
import type { Day } from '../kit/day';
import { addressOf, boxOf, gridSize, isOneGround, sidesOf, spotOf } from './cells';
import type { CellBox } from './cells';
import { Covers, Dimension, Letters, NoonShade, Supports } from './PlanMarks';

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

/** The place from above at true scale: grid, plants at their size that day, supports, shade. */
export const PlanView = memo(function PlanView(props: Props) {
  const { place, plantings, year, day, scale, chosen, cursor, selected } = props;
  const px = (point: PointCm) => groundToPx(scale, point);
  const outline = polygonPath(place.outline_cm.map((p) => px([p[0], p[1]])));
  const standing = plantings.filter((p) => sizeOn(p, day) !== null);
  return (
    <g>
      <path
        d={outline}
        fill="var(--bed)"
        stroke="var(--board)"
        strokeWidth={9}
        strokeLinejoin="round"
      />
      <path d={outline} fill="var(--bed)" stroke="var(--ink)" strokeWidth={1.2} />
      <GridLines place={place} scale={scale} outline={outline} />
      <LaidLines laid={place.laid} scale={scale} />
      {place.cells
        .filter((cell) => cell.held)
        .map((cell) => (
          <HeldCell key={cell.address} box={boxOf(place, spotOf(cell.address))} scale={scale} />
        ))}
      <IdleOutlines place={place} scale={scale} day={day} />
      <NoonShade place={place} plantings={standing} year={year} day={day} scale={scale} />
      {standing.map((p) => (
        <PlantsFromAbove key={p.id} planting={p} day={day} scale={scale} />
      ))}
      <Covers place={place} scale={scale} day={day} />
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
  if (isOneGround(place)) return null;
  const clip = `clip-${place.id.replace(/\W/g, '_')}`;
  return (
    <g stroke="var(--rule)" strokeWidth={0.8} clipPath={`url(#${clip})`}>
      <clipPath id={clip}>
        <path d={outline} />
      </clipPath>
      {Array.from({ length: columns - 1 }, (_, i) => {
        const x = x0 + (i + 1) * place.pitch_cm[0];
        const [ax, ay] = groundToPx(scale, [x, y0]);
        const [bx] = groundToPx(scale, [x, y1]);
        return <line key={`c${i}`} x1={ax} y1={ay} x2={bx} y2={ay} />;
      })}
      {Array.from({ length: rows - 1 }, (_, i) => {
        const y = y0 + (i + 1) * place.pitch_cm[1];
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

/** How far the leaves of one plant reach on the page. [px] */
function radiusOf({ canopyCm, standing }: Size, scale: GroundScale): number {
  const px = (canopyCm / 2) * scale.pxPerCm * Math.sqrt(standing);
  return Math.max(LEAST_RADIUS_PX, px);
}

const PlantsFromAbove = memo(function PlantsFromAbove({
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
  const radius = radiusOf(size, scale);
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
});

function Mark({ x, y, children }: { x: number; y: number; children: string }) {
  return (
    <text x={x} y={y} fontSize={12.5} fontWeight={600} fill="var(--ink)" className="halo-bed">
      {children}
    </text>
  );
}

/** Where the mark of a crop between others stands: after that of the crop it shares with. */
const BESIDE_HOST_PX = 25;

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
  const whole = place.cells.find((cell) => cell.address === addressOf(first))?.whole;
  const box = boxOf(place, first);
  const corner = groundToPx(scale, [box.x0, box.y0]);
  if (planting.by_variety.length > 0) {
    return planting.by_variety.map((kind) => {
      const [x, y] = groundToPx(scale, planting.positions_cm[kind.first_plant - 1] ?? [0, 0]);
      return (
        <Mark key={kind.first_plant} x={x - 8} y={y + 4}>
          {kind.mark}
        </Mark>
      );
    });
  }
  // In a round place the corner of the square may lie outside: the mark goes to a plant.
  const plant = planting.positions_cm[0];
  const [x, y] =
    whole || !plant
      ? [corner[0] + (planting.between ? BESIDE_HOST_PX : 4), corner[1] + 13]
      : ([groundToPx(scale, plant)[0] - 8, groundToPx(scale, plant)[1] + 4] as const);
  return (
    <Mark x={x} y={y}>
      {planting.between ? `+ ${planting.mark}` : planting.mark}
    </Mark>
  );
}

/** The first square with a free one on its right, where the words have room. */
function roomiest(cells: readonly string[]): string | undefined {
  const follows = (cell: string) => {
    const { column, row } = spotOf(cell);
    return cells.includes(addressOf({ column, row: row + 1 }));
  };
  return cells.find(follows) ?? cells[0];
}

function IdleOutlines({ place, scale, day }: { place: PlaceReport; scale: GroundScale; day: Day }) {
  const now = place.idle.filter((spell) => dayOf(spell.start) <= day && day < dayOf(spell.end));
  return (
    <g>
      {now.map((spell) => {
        const first = roomiest(spell.cells);
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
