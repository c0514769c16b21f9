import { memo } from 'react';

import type { PlaceReport, PlantingReport, YearReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { sizeOn } from '../../drawing/growth';
import type { Size } from '../../drawing/growth';
import { hatchOf } from '../../drawing/Hatches';
import { round, softOutline, steady } from '../../drawing/outline';
import { groundToPx } from '../../drawing/scale';
import type { GroundScale } from '../../drawing/scale';
import type { Day } from '../../kit/day';
import { DepthTicks, FillMark, Nets, NoonSun, Soil } from './CutawayGround';

interface Props {
  place: PlaceReport;
  plantings: readonly PlantingReport[];
  year: YearReport;
  day: Day;
  /** The plan's own scale: the section shares it along the page. */
  scale: GroundScale;
  /** The line of cells that is cut, as a column number. */
  column: number;
  top: number;
  heights: Heights;
  /** What a fill that is tried comes to, in the stead of the caption. */
  said: string | null;
}

const CAPTION = 16;
const LEAST_TOPS_CM = 25;
const BELOW_CM = 6;

/** Depth at true scale where there is room, heights at whatever scale shows the tallest. */
export interface Heights {
  surface: number;
  soilPxPerCm: number;
  topPxPerCm: number;
}

/** Heights of the section of a place in this much of the page, from its top down. */
export function sectionHeights(
  place: PlaceReport,
  plantings: readonly PlantingReport[],
  day: Day,
  pxPerCm: number,
  top: number,
  height: number,
): Heights {
  const standing = plantings.flatMap((p) => {
    const size = sizeOn(p, day);
    return size ? [{ planting: p, heightCm: size.heightCm }] : [];
  });
  const tallest = Math.max(
    LEAST_TOPS_CM,
    ...place.supports.map((s) => s.height_cm),
    ...standing.map((s) => s.heightCm),
  );
  const wanted = standing.map(({ planting }) =>
    Math.max(planting.depth.full_cm, planting.edible_root_cm ?? 0),
  );
  const deepest = Math.max(place.usable_depth_cm, ...wanted) + BELOW_CM;
  const room = height - CAPTION;
  const soilPxPerCm = Math.min(pxPerCm, (room * 0.58) / deepest);
  const topRoom = room - soilPxPerCm * deepest;
  const topPxPerCm = Math.min(pxPerCm, (topRoom - 6) / tallest);
  return { surface: top + CAPTION + 6 + tallest * topPxPerCm, soilPxPerCm, topPxPerCm };
}

/** A section through the soil along one line of cells, the other lines ghosted. */
export const Cutaway = memo(function Cutaway(props: Props) {
  const { place, plantings, year, day, scale, column, top, heights, said } = props;
  const units = useUnits();
  const standing = plantings.filter((planting) => sizeOn(planting, day));
  const [x0] = place.bounds_cm;
  const [pitch] = place.pitch_cm;
  const low = x0 + column * pitch;
  const inCut = (x: number) => x >= low && x < low + pitch;
  const left = groundToPx(scale, [0, place.bounds_cm[1]])[0];
  const right = groundToPx(scale, [0, place.bounds_cm[3]])[0];
  const letter = String.fromCharCode(65 + column);
  return (
    <g>
      <text x={left} y={top + 11} fontSize={11.5} fill="var(--muted)">
        {said ?? `Section along squares ${letter}. Dashes: least depth; bars: full.`}
      </text>
      <Soil place={place} left={left} right={right} heights={heights} />
      <Nets place={place} left={left} right={right} scale={scale} heights={heights} cut={inCut} />
      {standing.map((planting) => (
        <Side
          key={planting.id}
          planting={planting}
          day={day}
          cutFrom={low}
          cutTo={low + pitch}
          heights={heights}
          scale={scale}
          floorCm={rootFloor(place)}
        />
      ))}
      {standing.map((planting) =>
        planting.positions_cm.some(([x]) => inCut(x)) ? (
          <DepthMarks
            key={planting.id}
            planting={planting}
            heights={heights}
            scale={scale}
            cut={inCut}
          />
        ) : null,
      )}
      {place.layers.fill_cm > 0 && (
        <FillMark place={place} left={left} right={right} heights={heights} />
      )}
      <DepthTicks place={place} left={left} heights={heights} length={units.length} />
      <NoonSun place={place} year={year} day={day} right={right} heights={heights} />
    </g>
  );
});

interface SideProps {
  planting: PlantingReport;
  day: Day;
  cutFrom: number;
  cutTo: number;
  heights: Heights;
  scale: GroundScale;
  floorCm: number;
}

/** One planting seen from the side. */
const Side = memo(function Side({ planting, day, cutFrom, cutTo, ...drawn }: SideProps) {
  const size = sizeOn(planting, day);
  if (!size) return null;
  return (
    <g>
      {sideViews(planting, size, (x) => x >= cutFrom && x < cutTo).map((view) => (
        <g key={view.index} opacity={view.cut ? 1 : 0.22}>
          <Plant
            planting={planting}
            size={size}
            x={groundToPx(drawn.scale, [0, view.y])[0]}
            index={view.index}
            {...drawn}
          />
        </g>
      ))}
    </g>
  );
});

interface SideView {
  index: number;
  y: number;
  cut: boolean;
}

const MOST_GHOSTS = 12;

/** Plants seen from the side: each of the cut line, a few of the others. */
function sideViews(
  planting: PlantingReport,
  size: Size,
  inCut: (x: number) => boolean,
): SideView[] {
  if (size.heightCm <= 0) return [];
  const all = planting.positions_cm.map(([x, y], index) => ({ index, y, cut: inCut(x) }));
  const places = new Set<string>();
  const distinct = all.filter((view) => {
    const key = `${Math.round(view.y)}${view.cut}`;
    if (places.has(key)) return false;
    places.add(key);
    return true;
  });
  const ghosts = distinct.filter((view) => !view.cut);
  const every = Math.max(1, Math.ceil(ghosts.length / MOST_GHOSTS));
  return [...ghosts.filter((_, i) => i % every === 0), ...distinct.filter((view) => view.cut)];
}

/** How deep roots can be drawn: they stop at a liner or a floor. */
function rootFloor(place: PlaceReport): number {
  const open = place.bottom === 'open' || place.bottom === 'mesh';
  return open ? place.usable_depth_cm + BELOW_CM : place.layers.fill_cm;
}

const ROOTS = [-1, -0.55, -0.15, 0.2, 0.6, 1];
const CROWDED_ROOTS = [-0.6, 0, 0.7];
const MANY_PLANTS = 24;

interface PlantProps {
  planting: PlantingReport;
  size: Size;
  x: number;
  index: number;
  heights: Heights;
  scale: GroundScale;
  floorCm: number;
}

/** One plant from the side: leaf above, roots below, standing on its own foot. */
function Plant({ planting, size, x, index, heights, scale, floorCm }: PlantProps) {
  const { surface, soilPxPerCm, topPxPerCm } = heights;
  const tall = Math.max(2, size.heightCm * topPxPerCm);
  const wide = Math.max(1.2, (size.canopyCm / 2) * scale.pxPerCm * Math.sqrt(size.standing));
  const reach = Math.min(size.rootCm, floorCm) * soilPxPerCm;
  const spread = Math.min(wide * 0.9, reach * 0.6);
  const crowded = planting.plants > MANY_PLANTS;
  const roots = (crowded ? CROWDED_ROOTS : ROOTS).map((lean, i) => {
    const end = reach * (0.7 + 0.3 * steady(index * 7 + i));
    return `M${round(x)} ${round(surface)}Q${round(x + lean * spread * 0.3)} ${round(surface + end * 0.5)} ${round(x + lean * spread)} ${round(surface + end)}`;
  });
  const edible = planting.edible_root_cm;
  const full = Math.max(...planting.growth.canopy_cm, 0.1);
  const grown = edible ? edible * Math.min(1, size.canopyCm / full) : 0;
  const girth = Math.min(4.5, wide * 0.4);
  const crown = softOutline([x, surface - tall / 2], 1, index + 3);
  return (
    <g>
      <path d={roots.join('')} fill="none" stroke="var(--root)" strokeWidth={0.8} opacity={0.85} />
      {grown > 0 && (
        <path
          d={`M${round(x - girth)} ${round(surface)}L${round(x)} ${round(surface + grown * soilPxPerCm)}L${round(x + girth)} ${round(surface)}z`}
          fill="var(--root)"
        />
      )}
      <g
        transform={`translate(${round(x)} ${round(surface - tall / 2)}) scale(${round(wide * 10) / 10} ${round(tall / 2)}) translate(${-x} ${-(surface - tall / 2)})`}
      >
        <path
          d={crown}
          fill="var(--leaf-wash)"
          stroke="var(--leaf)"
          strokeWidth={1.1}
          vectorEffect="non-scaling-stroke"
        />
      </g>
      {wide > 5 && (
        <ellipse
          cx={x}
          cy={surface - tall / 2}
          rx={wide * 0.95}
          ry={(tall / 2) * 0.95}
          fill={hatchOf(planting.family)}
        />
      )}
    </g>
  );
}

/** Least depth as dashes, full depth as a bar, under the plants of the cut. */
function DepthMarks({
  planting,
  heights,
  scale,
  cut,
}: {
  planting: PlantingReport;
  heights: Heights;
  scale: GroundScale;
  cut: (x: number) => boolean;
}) {
  const ys = planting.positions_cm.filter(([x]) => cut(x)).map(([, y]) => y);
  const from = groundToPx(scale, [0, Math.min(...ys)])[0] - 12;
  const to = groundToPx(scale, [0, Math.max(...ys)])[0] + 12;
  const at = (cm: number) => heights.surface + cm * heights.soilPxPerCm;
  const short = planting.depth.verdict !== 'full';
  const colour = short ? 'var(--damson)' : 'var(--ink)';
  return (
    <g stroke={colour}>
      <line
        x1={from}
        x2={to}
        y1={at(planting.depth.least_cm)}
        y2={at(planting.depth.least_cm)}
        strokeDasharray="2 3"
        strokeWidth={1.2}
      />
      <line
        x1={from}
        x2={to}
        y1={at(planting.depth.full_cm)}
        y2={at(planting.depth.full_cm)}
        strokeWidth={1.8}
      />
      <text
        x={(from + to) / 2}
        y={at(planting.depth.full_cm) - 3}
        textAnchor="middle"
        fontSize={11}
        fontWeight={600}
        fill={colour}
        stroke="none"
        className="halo-soil"
      >
        {planting.mark}
      </text>
    </g>
  );
}
