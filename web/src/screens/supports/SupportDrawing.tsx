import type { ReactNode } from 'react';

import type { PlantingReport, SupportSheet } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { useExtent } from '../../kit/useExtent';
import type { Units } from '../../kit/units';
import { sizeOn } from '../../drawing/growth';
import { hatchOf } from '../../drawing/Hatches';
import { steady } from '../../drawing/outline';
import type { Day } from '../../kit/day';

const WIDEST = 760;
const TALLEST = 380;
const EDGE = { left: 32, right: 100, top: 26, bottom: 34 };
const LEAST_MESH_PX = 4;

interface Frame {
  pxPerCm: number;
  left: number;
  soil: number;
  x: (alongCm: number) => number;
  z: (heightCm: number) => number;
}

function frameOf(sheet: SupportSheet, wideCm: number, highCm: number, width: number): Frame {
  const deepCm = (sheet.arch ? sheet.fill_cm : Math.max(sheet.buried_cm, sheet.fill_cm)) + 6;
  const pxPerCm = Math.min(
    (width - EDGE.left - EDGE.right) / wideCm,
    (TALLEST - EDGE.top - EDGE.bottom) / (highCm + deepCm),
  );
  const left = EDGE.left + (width - EDGE.left - EDGE.right - wideCm * pxPerCm) / 2;
  const soil = EDGE.top + highCm * pxPerCm;
  return { pxPerCm, left, soil, x: (cm) => left + cm * pxPerCm, z: (cm) => soil - cm * pxPerCm };
}

interface Props {
  sheet: SupportSheet;
  plantings: readonly PlantingReport[];
  day: Day;
}

/** A support to scale: from the front with its posts in the ground, or an arch from its end. */
export function SupportDrawing({ sheet, plantings, day }: Props) {
  const units = useUnits();
  const { arch } = sheet;
  const wide = arch ? arch.span_cm : sheet.run_cm;
  const [room, extent] = useExtent<HTMLDivElement>();
  const width = Math.min(WIDEST, extent.width || WIDEST);
  const frame = frameOf(sheet, wide, arch ? arch.height_cm : sheet.height_cm, width);
  const height = frame.z(-Math.max(arch ? 0 : sheet.buried_cm, sheet.fill_cm)) + EDGE.bottom;
  const words = arch
    ? `The arch from its end: ${units.length(arch.span_cm)} between its feet, ${units.length(arch.height_cm)} high.`
    : `The support from the front: ${sheet.bays.posts_at_cm.length} posts, ${units.length(sheet.bays.bay_cm)} apart.`;
  return (
    <div ref={room}>
      <svg width={width} height={height} className="mx-auto block" role="img" aria-label={words}>
        <Ground sheet={sheet} frame={frame} wideCm={wide} />
        {arch ? (
          <Arch sheet={sheet} frame={frame} units={units} />
        ) : (
          <>
            <Crops sheet={sheet} frame={frame} plantings={plantings} day={day} />
            <Mesh sheet={sheet} frame={frame} />
            <Lines sheet={sheet} frame={frame} />
            <Posts sheet={sheet} frame={frame} />
            <CropMarks sheet={sheet} frame={frame} plantings={plantings} day={day} />
            <Measures sheet={sheet} frame={frame} units={units} />
          </>
        )}
      </svg>
    </div>
  );
}

function Ground({ sheet, frame, wideCm }: { sheet: SupportSheet; frame: Frame; wideCm: number }) {
  const [from, to] = [frame.x(0) - 26, frame.x(wideCm) + 26];
  const floor = frame.z(-sheet.fill_cm);
  return (
    <g>
      {sheet.fill_cm > 0 && (
        <rect
          x={from}
          y={frame.soil}
          width={to - from}
          height={floor - frame.soil}
          fill="var(--mix)"
        />
      )}
      <line
        x1={from}
        x2={to}
        y1={frame.soil}
        y2={frame.soil}
        stroke="var(--ink)"
        strokeWidth={1.4}
      />
      {sheet.fill_cm > 0 && (
        <line
          x1={from}
          x2={to}
          y1={floor}
          y2={floor}
          stroke="var(--root)"
          strokeWidth={1}
          strokeDasharray="5 3"
        />
      )}
    </g>
  );
}

function Posts({ sheet, frame }: { sheet: SupportSheet; frame: Frame }) {
  const wide = Math.max(3, sheet.post_diameter_cm * frame.pxPerCm);
  return (
    <g>
      {sheet.bays.posts_at_cm.map((at) => (
        <rect
          key={at}
          x={frame.x(at) - wide / 2}
          y={frame.z(sheet.height_cm)}
          width={wide}
          height={(sheet.height_cm + sheet.buried_cm) * frame.pxPerCm}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={1.2}
        />
      ))}
    </g>
  );
}

/** The sheet's openings, thinned out where they would run together. */
function Mesh({ sheet, frame }: { sheet: SupportSheet; frame: Frame }) {
  const { opening_cm: opening, bays } = sheet;
  const [first, last] = [bays.posts_at_cm[0] ?? 0, bays.posts_at_cm.at(-1) ?? 0];
  if (!opening || bays.openings === null) return null;
  const every = opening * Math.max(1, Math.ceil(LEAST_MESH_PX / (opening * frame.pxPerCm)));
  const steps = (length: number) =>
    Array.from({ length: Math.floor(length / every + 1e-6) + 1 }, (_, i) => i * every);
  return (
    <g stroke="var(--ink)" strokeWidth={0.5} opacity={0.55}>
      {steps(last - first).map((at) => (
        <line
          key={`x${at}`}
          x1={frame.x(first + at)}
          x2={frame.x(first + at)}
          y1={frame.z(0)}
          y2={frame.z(sheet.height_cm)}
        />
      ))}
      {steps(sheet.height_cm).map((up) => (
        <line
          key={`z${up}`}
          x1={frame.x(first)}
          x2={frame.x(last)}
          y1={frame.z(up)}
          y2={frame.z(up)}
        />
      ))}
    </g>
  );
}

/** Rails and wires, and tiers of twine where the crop calls for them. */
function Lines({ sheet, frame }: { sheet: SupportSheet; frame: Frame }) {
  return (
    <g>
      {sheet.rails_cm.map((up) => (
        <line
          key={up}
          x1={frame.x(0)}
          x2={frame.x(sheet.run_cm)}
          y1={frame.z(up)}
          y2={frame.z(up)}
          stroke="var(--ink)"
          strokeWidth={1.6}
        />
      ))}
      {sheet.strings &&
        sheet.crops.flatMap((crop) =>
          Array.from({ length: crop.plants }, (_, i) => {
            const along = crop.from_cm + ((crop.to_cm - crop.from_cm) * (i + 0.5)) / crop.plants;
            return (
              <line
                key={`${crop.planting}${i}`}
                x1={frame.x(along)}
                x2={frame.x(along)}
                y1={frame.z(0)}
                y2={frame.z(sheet.height_cm)}
                stroke="var(--damson)"
                strokeWidth={0.9}
                strokeDasharray="6 2"
              />
            );
          }),
        )}
      {sheet.tiers.map((tier) => {
        const crop = sheet.crops.find((c) => c.planting === tier.planting);
        return (
          <line
            key={`${tier.planting}${tier.height_cm}`}
            x1={frame.x(crop?.from_cm ?? 0)}
            x2={frame.x(crop?.to_cm ?? sheet.run_cm)}
            y1={frame.z(tier.height_cm)}
            y2={frame.z(tier.height_cm)}
            stroke="var(--damson)"
            strokeWidth={1}
            strokeDasharray="2 2"
          />
        );
      })}
    </g>
  );
}

interface Growing {
  sheet: SupportSheet;
  frame: Frame;
  plantings: readonly PlantingReport[];
  day: Day;
}

/** How high each crop on it stands on the ruler's day; what does not stand is left out. */
function heightsOn({ sheet, plantings, day }: Growing) {
  return sheet.crops.flatMap((crop) => {
    const planting = plantings.find((p) => p.id === crop.planting);
    const size = planting && sizeOn(planting, day);
    return size ? [{ crop, top: Math.min(size.heightCm, crop.height_cm) }] : [];
  });
}

/** What stands on it on the ruler's day, as high as it is by then. */
function Crops(props: Growing) {
  const { frame } = props;
  return (
    <g>
      {heightsOn(props).map(({ crop, top }) => {
        const outline = hedge(frame, crop.from_cm, crop.to_cm, top);
        return (
          <g key={crop.planting}>
            <path d={outline} fill="var(--paper)" stroke="var(--leaf)" />
            <path d={outline} fill={hatchOf(crop.family)} opacity={0.8} />
          </g>
        );
      })}
    </g>
  );
}

function CropMarks(props: Growing) {
  const { frame } = props;
  return (
    <g>
      {heightsOn(props).map(({ crop, top }) => (
        <text
          key={crop.planting}
          x={frame.x((crop.from_cm + crop.to_cm) / 2)}
          y={frame.z(Math.max(top, 14)) - 6}
          textAnchor="middle"
          fontSize={13}
          fontWeight={600}
          fill="var(--leaf)"
          className="halo"
        >
          {`${crop.mark}, ${crop.plants}`}
        </text>
      ))}
    </g>
  );
}

/** A row of leaf from the front: square on to the soil, a little uneven along its top. */
function hedge(frame: Frame, from: number, to: number, top: number): string {
  const steps = Math.max(2, Math.round((to - from) / 12));
  const along = (i: number) => from + ((to - from) * i) / steps;
  const points = Array.from(
    { length: steps + 1 },
    (_, i) =>
      `${frame.x(along(i)).toFixed(1)} ${frame.z(top * (0.93 + 0.07 * steady(i + 1))).toFixed(1)}`,
  );
  return `M${frame.x(from)} ${frame.soil}L${points.join('L')}L${frame.x(to)} ${frame.soil}z`;
}

function Arch({ sheet, frame, units }: { sheet: SupportSheet; frame: Frame; units: Units }) {
  const { arch } = sheet;
  if (!arch) return null;
  const foot = frame.z(-sheet.fill_cm) + 12;
  const line = arch.line_cm.map(([x, z]) => `${frame.x(x).toFixed(1)} ${frame.z(z).toFixed(1)}`);
  return (
    <g>
      <path d={`M${line.join('L')}`} fill="none" stroke="var(--ink)" strokeWidth={2} />
      <Dimension at={[frame.x(0), foot, frame.x(arch.span_cm), foot]}>
        {units.length(arch.span_cm)}
      </Dimension>
      <Dimension
        at={[
          frame.x(arch.span_cm) + 40,
          frame.soil,
          frame.x(arch.span_cm) + 40,
          frame.z(arch.height_cm),
        ]}
      >
        {units.length(arch.height_cm)}
      </Dimension>
      <text
        x={frame.x(arch.span_cm / 2)}
        y={frame.z(arch.height_cm) - 8}
        textAnchor="middle"
        fontSize={13}
      >
        {`a mesh of ${units.length(arch.mesh_cm)}`}
      </text>
    </g>
  );
}

function Measures({ sheet, frame, units }: { sheet: SupportSheet; frame: Frame; units: Units }) {
  const { posts_at_cm: posts, bay_cm: bay } = sheet.bays;
  const end = frame.x(sheet.run_cm) + 40;
  const foot = frame.z(-Math.max(sheet.buried_cm, sheet.fill_cm)) + 16;
  return (
    <g>
      {posts.slice(1).map((at, i) => (
        <Dimension key={at} at={[frame.x(posts[i] ?? 0), foot, frame.x(at), foot]}>
          {i === 0 ? units.length(bay) : ''}
        </Dimension>
      ))}
      <Dimension at={[end, frame.soil, end, frame.z(sheet.height_cm)]}>
        {units.length(sheet.height_cm)}
      </Dimension>
      <Dimension at={[end, frame.z(-sheet.buried_cm), end, frame.soil]}>
        {units.length(sheet.buried_cm)}
      </Dimension>
    </g>
  );
}

/** A dimension: a line with ticks, its measure beside it. */
function Dimension({
  at: [x1, y1, x2, y2],
  children,
}: {
  at: readonly [number, number, number, number];
  children: ReactNode;
}) {
  const level = y1 === y2;
  const tick = (x: number, y: number) =>
    level ? `M${x} ${y - 4}V${y + 4}` : `M${x - 4} ${y}H${x + 4}`;
  return (
    <g stroke="var(--damson)" fill="var(--damson)">
      <path d={`M${x1} ${y1}L${x2} ${y2}${tick(x1, y1)}${tick(x2, y2)}`} strokeWidth={1} />
      <text
        stroke="none"
        x={level ? (x1 + x2) / 2 : x1 + 7}
        y={level ? y1 + 14 : (y1 + y2) / 2 + 4}
        textAnchor={level ? 'middle' : 'start'}
        fontSize={12}
      >
        {children}
      </text>
    </g>
  );
}
