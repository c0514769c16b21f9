import { useRef } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';

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

const LEAST_FILL_CM = 5;
const MOST_FILL_CM = 150;

export interface Filling {
  /** The fill tried so far; null while nothing is. [cm] */
  cm: number | null;
  tried: (cm: number | null) => void;
  taken: (cm: number) => void;
}

/** The floor of the mix, to be dragged: the section follows as it goes, by keys as well. */
export function FillLine({
  place,
  left,
  right,
  heights,
  filling,
}: {
  place: PlaceReport;
  left: number;
  right: number;
  heights: Heights;
  filling: Filling;
}) {
  const units = useUnits();
  const from = useRef<{ y: number; cm: number; pxPerCm: number } | null>(null);
  const now = filling.cm ?? place.layers.fill_cm;
  const y = heights.surface + now * heights.soilPxPerCm;
  const within = (cm: number) => Math.min(MOST_FILL_CM, Math.max(LEAST_FILL_CM, Math.round(cm)));
  const dragged = (event: PointerEvent<SVGGElement>) => {
    const held = from.current;
    return held ? within(held.cm + (event.clientY - held.y) / held.pxPerCm) : null;
  };
  const onKey = (event: KeyboardEvent<SVGGElement>) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) filling.tried(within(now + step));
    else if (event.key === 'Enter' && filling.cm !== null) filling.taken(filling.cm);
    else if (event.key === 'Escape') filling.tried(null);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label="Depth of the fill"
      aria-orientation="vertical"
      aria-valuenow={now}
      aria-valuemin={LEAST_FILL_CM}
      aria-valuemax={MOST_FILL_CM}
      aria-valuetext={units.length(now)}
      className="fill-line cursor-ns-resize"
      onKeyDown={onKey}
      onBlur={() => {
        if (!from.current) filling.tried(null);
      }}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { y: event.clientY, cm: now, pxPerCm: heights.soilPxPerCm };
      }}
      onPointerMove={(event) => {
        const cm = dragged(event);
        if (cm !== null && cm !== now) filling.tried(cm);
      }}
      onPointerUp={(event) => {
        const cm = dragged(event);
        const moved = cm !== null && cm !== Math.round(from.current?.cm ?? cm);
        event.stopPropagation();
        from.current = null;
        if (moved) filling.taken(cm);
        else filling.tried(null);
      }}
      onPointerCancel={() => {
        from.current = null;
        filling.tried(null);
      }}
    >
      <rect x={left - 46} y={y - 7} width={right - left + 46} height={14} fill="transparent" />
      <path d={`M${left - 10} ${y}H${right}`} className="fill-mark" />
      <text x={left - 12} y={y + 4} fontSize={11} fontWeight={600} textAnchor="end">
        {units.length(now)}
      </text>
    </g>
  );
}
