import { memo } from 'react';

import type { PlaceReport, PlantingReport, YearReport } from '../api/types';
import { useUnits } from '../app/preferences';
import { sizeOn } from '../drawing/growth';
import type { Size } from '../drawing/growth';
import { hatchOf } from '../drawing/Hatches';
import { round, softOutline, steady } from '../drawing/outline';
import { groundToPx } from '../drawing/scale';
import type { GroundScale } from '../drawing/scale';
import { dayOf } from '../time/day';
import type { Day } from '../time/day';

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
  height: number;
}

const CAPTION = 16;
const MOST_TOPS_CM = 60;
const BELOW_CM = 6;

/** Depth at true scale where there is room, heights at whatever scale shows the tallest. */
interface Heights {
  surface: number;
  soilPxPerCm: number;
  topPxPerCm: number;
}

/** A section through the soil along one line of cells, the other lines ghosted. */
export const Cutaway = memo(function Cutaway(props: Props) {
  const { place, plantings, year, day, scale, column, top, height } = props;
  const units = useUnits();
  const standing = plantings.flatMap((p) => {
    const size = sizeOn(p, day);
    return size ? [{ planting: p, size }] : [];
  });
  const tallest = Math.max(
    MOST_TOPS_CM,
    ...place.supports.map((s) => s.height_cm),
    ...standing.map((s) => s.size.heightCm),
  );
  const wanted = standing.map((s) =>
    Math.max(s.planting.depth.full_cm, s.planting.edible_root_cm ?? 0),
  );
  const deepest = Math.max(place.usable_depth_cm, ...wanted) + BELOW_CM;
  const room = height - CAPTION;
  const soilPxPerCm = Math.min(scale.pxPerCm, (room * 0.58) / deepest);
  const topRoom = room - soilPxPerCm * deepest;
  const topPxPerCm = Math.min(scale.pxPerCm, (topRoom - 6) / tallest);
  const surface = top + CAPTION + 6 + tallest * topPxPerCm;
  const heights: Heights = { surface, soilPxPerCm, topPxPerCm };
  const [x0] = place.bounds_cm;
  const low = x0 + column * place.cell_cm;
  const inCut = (x: number) => x >= low && x < low + place.cell_cm;
  const left = groundToPx(scale, [0, place.bounds_cm[1]])[0];
  const right = groundToPx(scale, [0, place.bounds_cm[3]])[0];
  const letter = String.fromCharCode(65 + column);
  return (
    <g>
      <text x={left} y={top + 11} fontSize={11.5} fill="var(--muted)">
        {`Section along row ${letter}, other rows paler. Dashes: least depth; bars: full depth.`}
      </text>
      <Soil place={place} left={left} right={right} heights={heights} />
      <Nets place={place} left={left} right={right} scale={scale} heights={heights} cut={inCut} />
      {standing.map(({ planting, size }) => (
        <g key={planting.id}>
          {sideViews(planting, size, inCut).map((view) => (
            <g key={view.index} opacity={view.cut ? 1 : 0.22}>
              <Plant
                planting={planting}
                size={size}
                x={groundToPx(scale, [0, view.y])[0]}
                index={view.index}
                heights={heights}
                scale={scale}
                floorCm={rootFloor(place)}
              />
            </g>
          ))}
        </g>
      ))}
      {standing.map(({ planting }) =>
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
      <DepthTicks place={place} left={left} heights={heights} length={units.length} />
      <NoonSun place={place} year={year} day={day} right={right} heights={heights} />
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

function Soil({
  place,
  left,
  right,
  heights,
}: {
  place: PlaceReport;
  left: number;
  right: number;
  heights: Heights;
}) {
  const { surface, soilPxPerCm: s } = heights;
  const { fill_cm: fill, loosened_cm: loosened, native_cm: native } = place.layers;
  const bands = [
    { key: 'mix', from: 0, depth: fill, colour: 'var(--mix)' },
    { key: 'loosened', from: fill, depth: loosened, colour: 'var(--loosened)' },
    { key: 'undug', from: fill + loosened, depth: native, colour: 'var(--undug)' },
  ];
  const floor = surface + fill * s;
  const rim = surface - place.rim_gap_cm * s;
  const bottomLine = {
    open: undefined,
    mesh: '1 4',
    rotting: '8 3 2 3',
    lined: '6 2',
    closed: '',
  }[place.bottom];
  return (
    <g>
      {bands.map((band) => (
        <rect
          key={band.key}
          x={left}
          y={surface + band.from * s}
          width={right - left}
          height={Math.max(0, band.depth * s)}
          fill={band.colour}
        />
      ))}
      {Array.from({ length: 60 }, (_, i) => (
        <circle
          key={i}
          cx={left + steady(i + 1) * (right - left)}
          cy={surface + steady(i + 91) * fill * s}
          r={0.9}
          fill="var(--root)"
          opacity={0.4}
        />
      ))}
      <line x1={left} x2={right} y1={surface} y2={surface} stroke="var(--root)" />
      {bottomLine !== undefined && (
        <line
          x1={left}
          x2={right}
          y1={floor}
          y2={floor}
          stroke="var(--ink)"
          strokeWidth={2}
          strokeDasharray={bottomLine}
        />
      )}
      {[left - 6, right].map((x) => (
        <rect
          key={x}
          x={x}
          y={rim}
          width={6}
          height={Math.max(1, floor - rim)}
          fill="var(--board)"
          stroke="var(--ink)"
          strokeWidth={0.8}
        />
      ))}
    </g>
  );
}

function Nets({
  place,
  left,
  right,
  scale,
  heights,
  cut,
}: {
  place: PlaceReport;
  left: number;
  right: number;
  scale: GroundScale;
  heights: Heights;
  cut: (x: number) => boolean;
}) {
  return (
    <g>
      {place.supports.map((support) => {
        const [a, b] = support.line_cm;
        const from = groundToPx(scale, [0, Math.min(a[1], b[1])])[0];
        const to = groundToPx(scale, [0, Math.max(a[1], b[1])])[0];
        const rise = support.height_cm * heights.topPxPerCm;
        const near = cut((a[0] + b[0]) / 2 + (place.bounds_cm[0] === (a[0] + b[0]) / 2 ? 1 : -1));
        const posts =
          to - from < 2
            ? [0]
            : Array.from({ length: support.posts }, (_, i) => i / Math.max(1, support.posts - 1));
        const lines = Math.max(2, Math.round(rise / 12));
        return (
          <g key={support.id} opacity={near ? 1 : 0.4}>
            {posts.map((share) => (
              <line
                key={share}
                x1={from + (to - from) * share}
                x2={from + (to - from) * share}
                y1={heights.surface - rise}
                y2={heights.surface + 14}
                stroke="var(--damson)"
                strokeWidth={2}
              />
            ))}
            {to - from >= 2 &&
              Array.from({ length: lines }, (_, i) => (
                <line
                  key={i}
                  x1={from}
                  x2={to}
                  y1={heights.surface - (rise * (i + 1)) / lines}
                  y2={heights.surface - (rise * (i + 1)) / lines}
                  stroke="var(--damson)"
                  strokeWidth={0.5}
                  opacity={0.7}
                />
              ))}
            <HeightTick
              x={to > (left + right) / 2 ? right + 9 : left - 9}
              y={heights.surface - rise}
              cm={support.height_cm}
              end={to <= (left + right) / 2}
            />
          </g>
        );
      })}
    </g>
  );
}

function HeightTick({ x, y, cm, end }: { x: number; y: number; cm: number; end: boolean }) {
  const units = useUnits();
  return (
    <text x={x} y={y + 8} fontSize={11} fill="var(--damson)" textAnchor={end ? 'end' : 'start'}>
      {units.length(cm)}
    </text>
  );
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

function DepthTicks({
  place,
  left,
  heights,
  length,
}: {
  place: PlaceReport;
  left: number;
  heights: Heights;
  length: (cm: number) => string;
}) {
  const marks = [...new Set([place.layers.fill_cm, place.usable_depth_cm])];
  return (
    <g fontSize={11} fill="var(--muted)" textAnchor="end">
      {marks.map((cm) => (
        <g key={cm}>
          <line
            x1={left - 10}
            x2={left}
            y1={heights.surface + cm * heights.soilPxPerCm}
            y2={heights.surface + cm * heights.soilPxPerCm}
            stroke="var(--muted)"
          />
          <text x={left - 12} y={heights.surface + cm * heights.soilPxPerCm + 4}>
            {length(cm)}
          </text>
        </g>
      ))}
    </g>
  );
}

/** The noon sun at its profile angle: its height as seen in the plane of the cut. */
function NoonSun({
  place,
  year,
  day,
  right,
  heights,
}: {
  place: PlaceReport;
  year: YearReport;
  day: Day;
  right: number;
  heights: Heights;
}) {
  const week = Math.min(
    year.noon_altitude_deg.length - 1,
    Math.max(0, Math.round((day - dayOf(year.start)) / 7)),
  );
  const altitude = year.noon_altitude_deg[week] ?? 0;
  const azimuth = year.noon_azimuth_deg[week] ?? 180;
  if (altitude <= 0) return null;
  const along = Math.cos(((azimuth - place.heading_deg) * Math.PI) / 180);
  const rise = Math.tan((altitude * Math.PI) / 180);
  const profile = Math.atan2(rise, along);
  const foot = right + 34;
  const [dx, dy] = [Math.cos(profile) * 34, Math.sin(profile) * 34];
  return (
    <g>
      <line
        x1={foot}
        y1={heights.surface}
        x2={foot + dx}
        y2={heights.surface - dy}
        stroke="var(--marigold-line)"
        strokeWidth={1.3}
      />
      <circle cx={foot + dx} cy={heights.surface - dy} r={5} fill="var(--marigold-line)" />
      <text x={foot} y={heights.surface + 14} textAnchor="middle" fontSize={11} fill="var(--muted)">
        {`noon sun ${Math.round(altitude)}°`}
      </text>
    </g>
  );
}
