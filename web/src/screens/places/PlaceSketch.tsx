import { useRef } from 'react';
import type { PointerEvent } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { LaidReport, Place, PlaceFigures } from '../../api/types';
import type { Draft } from '../../edits/placeDraft';
import { useUnits } from '../../kit/preferences';
import { capital } from '../../kit/text';
import { grouped } from '../../kit/units';
import type { Units } from '../../kit/units';
import { LaidLines } from '../../drawing/LaidLines';
import { polygonPath } from '../../drawing/outline';
import { fitGround, groundToPx } from '../../drawing/scale';
import type { GroundScale } from '../../drawing/scale';
import { useFigures } from './useFigures';

const WIDTH = 440;
const PLAN = 230;
const LEFT = 74;
const TOP = 26;
const SECTION = 150;
const STEP_CM = { metric: 5, imperial: 5.08 } as const;

interface Props {
  state: HeldGarden;
  draft: Draft;
  before: Place | undefined;
  set: (key: 'width' | 'length' | 'wall', text: string) => void;
}

/** A place as it is typed: from above and in section, with what it holds. */
export function PlaceSketch({ state, draft, before, set }: Props) {
  const units = useUnits();
  const { data: figures, error } = useFigures(state, draft, before, units);
  if (!figures) return <div className="min-h-[420px]" aria-hidden="true" />;
  return (
    <figure aria-label="The place as typed" className="min-w-0">
      <div role="status">
        <p>
          <strong>{squaresWords(figures)}</strong>
          {`, ${units.area(figures.inside_area_m2)} inside; ${units.bulk(figures.soil_litres)} of soil; roots have ${units.length(figures.usable_cm)}.`}
        </p>
        {error && <p>{error.message}</p>}
        {strips(figures).map((cm) => (
          <p key={cm} className="text-muted">
            {`A strip of ${units.length(cm)} is left beside the last squares; it can be planted with them.`}
          </p>
        ))}
        {figures.laid && <p className="text-muted">{laidWords(figures.laid)}</p>}
      </div>
      <Drawing figures={figures} draft={draft} units={units} set={set} />
    </figure>
  );
}

function squaresWords({ whole_squares: whole, part_squares: part }: PlaceFigures): string {
  const wholes = `${whole} ${whole === 1 ? 'square' : 'squares'}`;
  return part > 0 ? `${wholes} and ${part} in part` : wholes;
}

function laidWords({ label, lines_cm: lines, spots_cm: spots }: LaidReport): string {
  const many = `${lines.length} ${lines.length === 1 ? 'line' : 'lines'}`;
  const at = spots.length > 0 ? `, ${grouped(spots.length)} spots for plants` : '';
  return `${capital(label)}: ${many}${at}.`;
}

const strips = ({ strip_cm }: PlaceFigures) => strip_cm.filter((cm): cm is number => cm !== null);

interface Drawn {
  figures: PlaceFigures;
  draft: Draft;
  units: Units;
  set: Props['set'];
}

function Drawing({ figures, draft, units, set }: Drawn) {
  const [x0, y0, x1, y1] = figures.bounds_cm;
  const scale = fitGround(
    [x0, y0, x1, y1],
    { width: WIDTH - LEFT - 20, height: PLAN - TOP - 30 },
    LEFT,
    TOP,
  );
  const outline = [figures.outline_cm, ...figures.holes_cm]
    .map((ring) => polygonPath(ring.map(([x, y]) => groundToPx(scale, [x, y]))))
    .join('');
  const [left, top] = groundToPx(scale, [x0, y0]);
  const [right, foot] = groundToPx(scale, [x1, y1]);
  const resizable = draft.outline !== 'drawn' && draft.outline !== 'border';
  const round = draft.outline === 'round' || draft.outline === 'ring';
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${PLAN + SECTION}`}
      className="block w-full touch-none select-none"
      role="img"
      aria-label="Plan and section"
    >
      <path
        d={outline}
        fillRule="evenodd"
        fill="var(--bed)"
        stroke="var(--board)"
        strokeWidth={7}
      />
      <path
        d={outline}
        fillRule="evenodd"
        fill="var(--bed)"
        stroke="var(--ink)"
        strokeWidth={1.2}
      />
      <Squares figures={figures} scale={scale} />
      <LaidLines laid={figures.laid} scale={scale} />
      <Along
        from={[left, foot + 16]}
        to={[right, foot + 16]}
        cm={y1 - y0}
        units={units}
        cmPerPx={1 / scale.pxPerCm}
        onSet={resizable && !round ? (cm) => set('length', inSteps(cm, units)) : undefined}
      />
      <Along
        from={[left - 16, top]}
        to={[left - 16, foot]}
        cm={x1 - x0}
        units={units}
        cmPerPx={1 / scale.pxPerCm}
        onSet={resizable ? (cm) => set('width', inSteps(cm, units)) : undefined}
      />
      <Section figures={figures} scale={scale} planFoot={foot} units={units} set={set} />
    </svg>
  );
}

/** A length that was pulled, in steps that a tape shows, as it stands in a field. */
function inSteps(cm: number, units: Units): string {
  const step = STEP_CM[units.system];
  return units.toField(Math.max(step, Math.round(cm / step) * step));
}

function Squares({ figures, scale }: { figures: PlaceFigures; scale: GroundScale }) {
  const [x0, y0, x1, y1] = figures.bounds_cm;
  const [xPitch, yPitch] = figures.pitch_cm;
  const at = (extent: number, pitch: number) =>
    Array.from({ length: Math.max(0, Math.ceil(extent / pitch - 0.001) - 1) }, (_, i) => i + 1);
  return (
    <g stroke="var(--rule)" strokeWidth={0.8}>
      {at(x1 - x0, xPitch).map((i) => {
        const [ax, ay] = groundToPx(scale, [x0 + i * xPitch, y0]);
        const [bx] = groundToPx(scale, [x0, y1]);
        return <line key={`x${i}`} x1={ax} x2={bx} y1={ay} y2={ay} />;
      })}
      {at(y1 - y0, yPitch).map((i) => {
        const [ax, ay] = groundToPx(scale, [x0, y0 + i * yPitch]);
        const [, by] = groundToPx(scale, [x1, y0]);
        return <line key={`y${i}`} x1={ax} x2={ax} y1={ay} y2={by} />;
      })}
    </g>
  );
}

interface Dimension {
  from: readonly [number, number];
  to: readonly [number, number];
  cm: number;
  units: Units;
  /** Centimetres for each unit of the drawing, against the axis where it is below zero. */
  cmPerPx: number;
  onSet: ((cm: number) => void) | undefined;
}

/** A dimension line; its end can be pulled. */
function Along({ from, to, cm, units, cmPerPx, onSet }: Dimension) {
  const upright = from[0] === to[0];
  const tick = upright ? 'h8' : 'v8';
  const [tx, ty] = upright ? [-4, 0] : [0, -4];
  return (
    <g stroke="var(--muted)" strokeWidth={1} fill="none">
      <path
        d={`M${from[0] + tx} ${from[1] + ty}${tick}M${to[0] + tx} ${to[1] + ty}${tick}M${from[0]} ${from[1]}L${to[0]} ${to[1]}`}
      />
      <text
        x={upright ? from[0] - 6 : (from[0] + to[0]) / 2}
        y={upright ? (from[1] + to[1]) / 2 + 4 : from[1] + 15}
        textAnchor={upright ? 'end' : 'middle'}
        fontSize={12.5}
        fill="var(--ink)"
        stroke="none"
      >
        {units.length(cm)}
      </text>
      {onSet && <Pull at={to} upright={upright} cm={cm} cmPerPx={cmPerPx} onSet={onSet} />}
    </g>
  );
}

/** What is held while it is pulled: where it was pressed, and what it was then. */
interface Held {
  at: number;
  cm: number;
  cmPerPx: number;
}

function Pull({
  at,
  upright,
  cm,
  cmPerPx,
  onSet,
}: {
  at: readonly [number, number];
  upright: boolean;
  cm: number;
  cmPerPx: number;
  onSet: (cm: number) => void;
}) {
  const held = useRef<Held | null>(null);
  const along = (event: PointerEvent<SVGElement>) => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    const perPx = box && box.width > 0 ? WIDTH / box.width : 1;
    return (upright ? event.clientY : event.clientX) * perPx;
  };
  return (
    <circle
      cx={at[0]}
      cy={at[1]}
      r={5}
      fill="var(--paper)"
      stroke="var(--damson)"
      strokeWidth={2}
      className={upright ? 'cursor-ns-resize' : 'cursor-ew-resize'}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = { at: along(event), cm, cmPerPx };
      }}
      onPointerMove={(event) => {
        const from = held.current;
        if (from) onSet(from.cm + (along(event) - from.at) * from.cmPerPx);
      }}
      onPointerUp={() => {
        held.current = null;
      }}
    />
  );
}

/** The place cut across its width, on the scale of the plan, with the ground that roots can use. */
function Section({
  figures,
  scale,
  planFoot,
  units,
  set,
}: Omit<Drawn, 'draft'> & { scale: GroundScale; planFoot: number }) {
  const { layers, wall_cm: wall, rim_gap_cm: gap, usable_cm: usable } = figures;
  const [x0, , x1] = figures.bounds_cm;
  const below = layers.loosened_cm + layers.native_cm;
  const tall = Math.max(1, wall + below);
  const perCm = Math.min(scale.pxPerCm, (SECTION - 34) / tall);
  const wide = Math.min((x1 - x0) * perCm, WIDTH - LEFT - 120);
  const top = planFoot + 44;
  const soil = top + Math.max(0, wall - layers.fill_cm) * perCm;
  const ground = soil + layers.fill_cm * perCm;
  const foot = ground + below * perCm;
  return (
    <g>
      <rect x={LEFT} y={soil} width={wide} height={layers.fill_cm * perCm} fill="var(--mix)" />
      <rect
        x={LEFT}
        y={ground}
        width={wide}
        height={layers.loosened_cm * perCm}
        fill="var(--loosened)"
      />
      <rect
        x={LEFT}
        y={ground + layers.loosened_cm * perCm}
        width={wide}
        height={layers.native_cm * perCm}
        fill="var(--undug)"
      />
      {wall > 0 && (
        <path
          d={`M${LEFT} ${top}V${top + wall * perCm}M${LEFT + wide} ${top}V${top + wall * perCm}`}
          stroke="var(--ink)"
          strokeWidth={4}
        />
      )}
      {wall > 0 && (
        <Along
          from={[LEFT - 16, top + wall * perCm]}
          to={[LEFT - 16, top]}
          cm={wall}
          units={units}
          cmPerPx={-1 / perCm}
          onSet={(cm) => set('wall', inSteps(cm, units))}
        />
      )}
      <g fontSize={12} fill="var(--muted)">
        {gap > 0 && (
          <text x={LEFT + wide + 10} y={top + 9}>
            {`${units.length(gap)} below the rim`}
          </text>
        )}
        <text x={LEFT + wide + 10} y={Math.max(top + 26, foot - 2)} fill="var(--ink)">
          {`roots: ${units.length(usable)}`}
        </text>
      </g>
    </g>
  );
}
