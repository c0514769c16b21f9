import type { KeyboardEvent, PointerEvent } from 'react';
import { useState } from 'react';

import type { Closeness, Dial } from '../../../api/types';
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
  const [ref, { width }] = useExtent<SVGSVGElement>();
  const [dragging, setDragging] = useState(false);
  const { points } = dial;
  const here = points[at];
  const first = points[0];
  const last = points.at(-1);
  if (!here || !first || !last) return null;
  const weighed = points.some((point) => point.kg > 0);
  const value = (point: Closeness) => (weighed ? point.kg : point.plants);
  const most = Math.max(...points.map(value), 1e-9);
  const x = (cm: number) =>
    LEFT + ((cm - first.spacing_cm) / (last.spacing_cm - first.spacing_cm)) * (width - 2 * LEFT);
  const y = (amount: number) => BASE - (amount / most) * (BASE - TOP - 8);
  const line = (of: (point: Closeness) => number) =>
    points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.spacing_cm)} ${y(of(p))}`).join('');
  const usable = (point: Closeness) => value(point) - (weighed ? (point.too_small_kg ?? 0) : 0);

  const toPoint = (event: PointerEvent<SVGSVGElement>) => {
    const px = event.clientX - event.currentTarget.getBoundingClientRect().left;
    const away = points.map((p) => Math.abs(x(p.spacing_cm) - px));
    onAt(away.indexOf(Math.min(...away)));
  };
  const onKey = (event: KeyboardEvent) => {
    const to: Record<string, number> = {
      ArrowLeft: at - 1,
      ArrowDown: at - 1,
      ArrowRight: at + 1,
      ArrowUp: at + 1,
      Home: 0,
      End: points.length - 1,
    };
    const next = to[event.key];
    if (next === undefined) return;
    event.preventDefault();
    onAt(Math.min(points.length - 1, Math.max(0, next)));
  };

  const px = x(here.spacing_cm);
  const leftward = px > width - 90;
  return (
    <svg
      ref={ref}
      className="block w-full cursor-ew-resize touch-none select-none"
      height={HEIGHT}
      role="slider"
      tabIndex={0}
      aria-label="How far apart"
      aria-valuemin={first.spacing_cm}
      aria-valuemax={last.spacing_cm}
      aria-valuenow={here.spacing_cm}
      aria-valuetext={`${units.length(here.spacing_cm)} apart, ${here.plants} plants`}
      onKeyDown={onKey}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setDragging(true);
        toPoint(event);
      }}
      onPointerMove={(event) => {
        if (dragging) toPoint(event);
      }}
      onPointerUp={() => setDragging(false)}
      onPointerCancel={() => setDragging(false)}
    >
      {width > 0 && (
        <>
          <line x1={LEFT} x2={width - LEFT} y1={BASE} y2={BASE} stroke="var(--ink)" />
          <path d={line(value)} fill="none" stroke="var(--leaf)" strokeWidth={1.6} />
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
          <g fontSize={11.5} fill="var(--muted)">
            <path d={`M${x(dial.reference_cm)} ${BASE}v11`} stroke="var(--ink)" strokeWidth={1.4} />
            <text x={x(dial.reference_cm)} y={BASE + 20} textAnchor="middle">
              {`book ${units.bare(dial.reference_cm)}`}
            </text>
            <text x={LEFT} y={BASE + 20}>
              {units.bare(first.spacing_cm)}
            </text>
            <text x={width - LEFT} y={BASE + 20} textAnchor="end">
              {units.bare(last.spacing_cm)}
            </text>
          </g>
          <line x1={px} x2={px} y1={2} y2={BASE + 6} stroke="var(--damson)" strokeWidth={1.6} />
          <circle cx={px} cy={y(value(here))} r={3} fill="var(--damson)" />
          <text
            x={leftward ? px - 6 : px + 6}
            y={y(value(here)) - 5}
            fontSize={11.5}
            fill="var(--leaf)"
            textAnchor={leftward ? 'end' : 'start'}
            className="halo"
          >
            {weighed ? `${units.mass(here.kg)} in all` : `${here.plants} plants`}
          </text>
          <text
            x={leftward ? px - 6 : px + 6}
            y={13}
            fontSize={13}
            fontWeight={600}
            fill="var(--damson)"
            textAnchor={leftward ? 'end' : 'start'}
            className="halo"
          >
            {units.length(here.spacing_cm)}
          </text>
        </>
      )}
    </svg>
  );
}
