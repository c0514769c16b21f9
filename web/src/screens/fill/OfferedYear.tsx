import { memo, useMemo } from 'react';

import type { Drawn } from '../../api/types';
import { lanesOf } from '../../drawing/lanes';
import { dayToPx } from '../../drawing/scale';
import type { TimeScale } from '../../drawing/scale';
import { round } from '../../drawing/outline';
import { dayOf, shortWords } from '../../kit/day';

const LANE_PX = 16;
const LETTERS_PX = 22;
const SEEDLING = 0.28;

interface Props {
  name: string;
  drawn: readonly Drawn[];
  scale: TimeScale;
  width: number;
}

/** One place's ground through the year: what stands in leaf, what is offered in outline. */
export const OfferedYear = memo(function OfferedYear({ name, drawn, scale, width }: Props) {
  const lanes = useMemo(() => lanesOf(drawn), [drawn]);
  const height = Math.max(1, lanes.length) * LANE_PX + 6;
  const offered = drawn.filter((one) => one.offered).length;
  return (
    <section aria-label={name} className="contain-content border-b border-rule">
      <p className="flex items-baseline gap-4 px-[14px] pt-1">
        <span className="font-semibold">{name}</span>
        {offered > 0 && <span className="text-[13px] text-damson">{`${offered} offered`}</span>}
      </p>
      <svg
        className="block"
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`${name} through the year: ${drawn.map(inWords).join('; ') || 'nothing planted'}`}
      >
        {lanes.map((lane, index) => (
          <g key={[...lane.cells].join()}>
            <line
              x1={scale.left}
              x2={scale.left + scale.width}
              y1={(index + 1) * LANE_PX}
              y2={(index + 1) * LANE_PX}
              stroke="var(--faint)"
            />
            {lane.plantings.map((one) => (
              <Growing key={one.id} one={one} base={(index + 1) * LANE_PX} scale={scale} />
            ))}
          </g>
        ))}
      </svg>
    </section>
  );
});

/** It rises while it grows, is level while it is picked, and ends where it is cleared. */
function Growing({ one, base, scale }: { one: Drawn; base: number; scale: TimeScale }) {
  const x = (iso: string | null) =>
    round(dayToPx(scale, Math.min(scale.end, Math.max(scale.start, dayOf(iso ?? one.start_date)))));
  const tall = LANE_PX - 3;
  const [from, ripe, until] = [
    x(one.start_date),
    x(one.first_pick ?? one.clear_date),
    x(one.clear_date ?? one.last_pick),
  ];
  if (until <= from) return null;
  return (
    <g>
      <path
        d={`M${from} ${base} V${base - tall * SEEDLING} L${ripe} ${base - tall} H${until} V${base} Z`}
        fill={one.offered ? 'none' : 'var(--leaf-wash)'}
        stroke={one.offered ? 'var(--damson)' : 'var(--leaf)'}
        strokeWidth={one.offered ? 1.5 : 1}
      />
      {until - from > LETTERS_PX && (
        <text
          x={until - 4}
          y={base - 3}
          textAnchor="end"
          fontSize={10.5}
          className="halo"
          fill={one.offered ? 'var(--damson)' : 'var(--ink)'}
        >
          {until - from > one.name.length * 7 + 8 ? one.name : one.mark}
        </text>
      )}
    </g>
  );
}

function inWords(one: Drawn): string {
  const until = one.clear_date ?? one.last_pick ?? one.start_date;
  return `${one.name}${one.offered ? ', offered,' : ''} ${shortWords(dayOf(one.start_date))} to ${shortWords(dayOf(until))}`;
}
