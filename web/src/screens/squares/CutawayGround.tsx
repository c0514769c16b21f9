import type { PlaceReport, YearReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { steady } from '../../drawing/outline';
import { groundToPx } from '../../drawing/scale';
import type { GroundScale } from '../../drawing/scale';
import type { Day } from '../../kit/day';
import { noonOn } from '../../drawing/noon';
import type { Heights } from './Cutaway';

export function Soil({
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

export function Nets({
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
        const a = support.line_cm[0] ?? [0, 0];
        const b = support.line_cm.at(-1) ?? a;
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

export function DepthTicks({
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
  const marks =
    place.layers.fill_cm > 0 && place.usable_depth_cm === place.layers.fill_cm
      ? []
      : [place.usable_depth_cm];
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
export function NoonSun({
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
  const { altitudeDeg: altitude, azimuthDeg: azimuth } = noonOn(year, day);
  if (altitude <= 0) return null;
  const along = Math.cos(((azimuth - place.heading_deg) * Math.PI) / 180);
  const rise = Math.tan((altitude * Math.PI) / 180);
  const profile = Math.atan2(rise, along);
  const foot = right + 36;
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
        {`sun ${Math.round(altitude)}°`}
      </text>
    </g>
  );
}

/** The floor of the mix, with its depth: drawn here, moved by the slider over it. */
export function FillMark({
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
  const units = useUnits();
  const y = heights.surface + place.layers.fill_cm * heights.soilPxPerCm;
  return (
    <g className="fill-line">
      <path d={`M${left - 10} ${y}H${right}`} />
      <text x={left - 12} y={y + 4} fontSize={11} fontWeight={600} textAnchor="end">
        {units.length(place.layers.fill_cm)}
      </text>
    </g>
  );
}
