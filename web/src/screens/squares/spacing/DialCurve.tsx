import type { KeyboardEvent } from 'react';

import type { Closeness, Dial } from '../../../api/types';
import { DrawnSlider } from '../../../kit/DrawnSlider';
import { useUnits } from '../../../kit/preferences';
import { useExtent } from '../../../kit/useExtent';

const HEIGHT = 120;
const TOP = 22;
const BASE = 92;
const LEFT = 10;

interface Props {
  dial: Dial;
  at: number;
  onAt: (index: number) => void;
}

/** What a planting gives from tight to generous; a plumb line stands at the spacing looked at. */
export function DialCurve({ dial, at, onAt }: Props) {
  const units = useUnits();
  const [ref, { width }] = useExtent<HTMLDivElement>();
  const { points } = dial;
  const here = points[at];
  const [first, last] = [points[0], points.at(-1)];
  if (!here || !first || !last) return null;
  const axes = axesOf(points, width);

  const toNearest = (cm: number) => {
    const away = points.map((p) => Math.abs(p.spacing_cm - cm));
    onAt(away.indexOf(Math.min(...away)));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = POINTS_BY_KEY[event.key];
    if (by === undefined) return;
    event.preventDefault();
    onAt(Math.min(points.length - 1, Math.max(0, at + by)));
  };
  return (
    <div ref={ref} className="drawn relative w-full cursor-ew-resize" style={{ height: HEIGHT }}>
      {width > 0 && (
        <>
          <DrawnSlider
            label="How far apart"
            text={`${units.length(here.spacing_cm)} apart, ${here.plants} plants`}
            value={here.spacing_cm}
            min={first.spacing_cm}
            max={last.spacing_cm}
            step={STEP_CM}
            style={{ left: LEFT, width: width - 2 * LEFT, top: 0, bottom: 0 }}
            onChange={toNearest}
            onKeyDown={onKeyDown}
          />
          <svg className="pointer-events-none absolute inset-0 h-full w-full select-none">
            <Curves points={points} axes={axes} />
            <Scale dial={dial} axes={axes} first={first} last={last} width={width} />
            <LookedAt here={here} axes={axes} width={width} />
          </svg>
        </>
      )}
    </div>
  );
}

const STEP_CM = 0.1;

const POINTS_BY_KEY: Record<string, number> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
};

interface Axes {
  /** Kilograms are drawn, else plants: nothing of this planting is weighed. */
  weighed: boolean;
  most: number;
  amount: (point: Closeness) => number;
  x: (cm: number) => number;
  y: (amount: number) => number;
}

function axesOf(points: readonly Closeness[], width: number): Axes {
  const weighed = points.some((point) => point.kg > 0);
  const amount = (point: Closeness) => (weighed ? point.kg : point.plants);
  const most = Math.max(...points.map(amount), 1e-9);
  const [least, widest] = [points[0]?.spacing_cm ?? 0, points.at(-1)?.spacing_cm ?? 1];
  return {
    weighed,
    most,
    amount,
    x: (cm) => LEFT + ((cm - least) / (widest - least)) * (width - 2 * LEFT),
    y: (value) => BASE - (value / most) * (BASE - TOP - 8),
  };
}

function Curves({ points, axes }: { points: readonly Closeness[]; axes: Axes }) {
  const { weighed, most, amount, x, y } = axes;
  const line = (of: (point: Closeness) => number) =>
    points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.spacing_cm)} ${y(of(p))}`).join('');
  const usable = (point: Closeness) => amount(point) - (weighed ? (point.too_small_kg ?? 0) : 0);
  return (
    <>
      <path d={line(amount)} fill="none" stroke="var(--leaf)" strokeWidth={1.6} />
      {weighed && points.some((p) => (p.too_small_kg ?? 0) > 0.005 * most) && (
        <path
          d={line(usable)}
          fill="none"
          stroke="var(--leaf)"
          strokeWidth={1.2}
          strokeDasharray="3 3"
        />
      )}
      {points.map((point) => (
        <line
          key={point.spacing_cm}
          x1={x(point.spacing_cm)}
          x2={x(point.spacing_cm)}
          y1={BASE}
          y2={BASE + 4}
          stroke="var(--rule)"
        />
      ))}
    </>
  );
}

interface ScaleProps {
  dial: Dial;
  axes: Axes;
  first: Closeness;
  last: Closeness;
  width: number;
}

function Scale({ dial, axes, first, last, width }: ScaleProps) {
  const units = useUnits();
  const book = axes.x(dial.reference_cm);
  return (
    <>
      <line x1={LEFT} x2={width - LEFT} y1={BASE} y2={BASE} stroke="var(--ink)" />
      <g fontSize={11.5} fill="var(--muted)">
        <path d={`M${book} ${BASE}v11`} stroke="var(--ink)" strokeWidth={1.4} />
        <text x={book} y={BASE + 20} textAnchor="middle">
          {`book ${units.bare(dial.reference_cm)}`}
        </text>
        <text x={LEFT} y={BASE + 20}>
          {units.bare(first.spacing_cm)}
        </text>
        <text x={width - LEFT} y={BASE + 20} textAnchor="end">
          {units.bare(last.spacing_cm)}
        </text>
      </g>
    </>
  );
}

const LABEL_PX = 90;

/** The plumb line, and what the spacing under it gives. */
function LookedAt({ here, axes, width }: { here: Closeness; axes: Axes; width: number }) {
  const units = useUnits();
  const px = axes.x(here.spacing_cm);
  const py = axes.y(axes.amount(here));
  const leftward = px > width - LABEL_PX;
  const words = {
    x: leftward ? px - 6 : px + 6,
    textAnchor: leftward ? 'end' : 'start',
    className: 'halo',
  } as const;
  return (
    <>
      <line x1={px} x2={px} y1={2} y2={BASE + 6} stroke="var(--damson)" strokeWidth={1.6} />
      <circle cx={px} cy={py} r={3} fill="var(--damson)" />
      <text {...words} y={py - 5} fontSize={11.5} fill="var(--leaf)">
        {axes.weighed ? `${units.mass(here.kg)} in all` : `${here.plants} plants`}
      </text>
      <text {...words} y={13} fontSize={13} fontWeight={600} fill="var(--damson)">
        {units.length(here.spacing_cm)}
      </text>
    </>
  );
}
