import { memo, useMemo } from 'react';

import type { SunMap } from '../../api/types';
import { polygonPath } from '../../drawing/outline';
import { lineLevels, openLines, toneLevels } from './isolines';
import { fitLabel } from './labels';
import type { Box } from './labels';
import { toPx } from './yardScale';
import type { Px, YardScale } from './yardScale';

/** The ground in tones of sun: the more hours, the lighter. */
export const Tones = memo(function Tones({
  map,
  layer,
  scale,
}: {
  map: SunMap;
  layer: number;
  scale: YardScale;
}) {
  const levels = useMemo(() => toneLevels(map, layer), [map, layer]);
  const half = map.step_m / 2;
  const [left, foot] = toPx(scale, [map.x0_m - half, map.y0_m - half]);
  return (
    <g>
      <rect
        x={left}
        y={foot - map.rows * map.step_m * scale.pxPerM}
        width={map.columns * map.step_m * scale.pxPerM}
        height={map.rows * map.step_m * scale.pxPerM}
        fill="var(--sun-0)"
      />
      {levels.map(({ hours, rings }) => (
        <path
          key={hours}
          d={rings.map((ring) => polygonPath(ring.map((p) => toPx(scale, p)))).join('')}
          fill={`var(--sun-${hours / 2})`}
        />
      ))}
    </g>
  );
});

interface Line {
  hours: number;
  d: string;
  at: Px | null;
}

/** Lines of equal sun with their hours written where nothing else is written. */
export const Isolines = memo(function Isolines({
  map,
  layer,
  scale,
  taken,
}: {
  map: SunMap;
  layer: number;
  scale: YardScale;
  taken: readonly Box[];
}) {
  const lines = useMemo(() => {
    const full = [...taken];
    return lineLevels(map, layer).flatMap(({ hours, rings }): Line[] => {
      const open = rings
        .flatMap((ring) => openLines(map, ring))
        .map((line) => line.map((p) => toPx(scale, p)))
        .sort((a, b) => b.length - a.length);
      const longest = open[0];
      if (!longest) return [];
      const spots = spread(longest).map(([x, y]): Box => ({ x: x - 14, y: y - 8, w: 28, h: 16 }));
      const box = fitLabel(spots, full);
      if (box) full.push(box);
      const d = open.map(
        (line) => `M${line.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`,
      );
      return [{ hours, d: d.join(''), at: box ? [box.x + 14, box.y + 12] : null }];
    });
  }, [map, layer, scale, taken]);
  return (
    <g>
      {lines.map(({ hours, d, at }) => (
        <g key={hours}>
          <path d={d} fill="none" stroke="var(--sun-line)" strokeWidth={1} />
          {at && (
            <text
              x={at[0]}
              y={at[1]}
              textAnchor="middle"
              fontSize={11.5}
              fill="var(--ink)"
              className="halo-sun"
            >
              {`${hours} h`}
            </text>
          )}
        </g>
      ))}
    </g>
  );
});

const TRIES = 24;

/** Points of a line from its middle outwards. */
function spread(line: readonly Px[]): Px[] {
  const middle = Math.floor(line.length / 2);
  const step = Math.max(1, Math.floor(line.length / TRIES));
  const spots: Px[] = [];
  for (let out = 0; out <= middle; out += step) {
    for (const at of out === 0 ? [middle] : [middle - out, middle + out]) {
      const point = line[at];
      if (point) spots.push(point);
    }
  }
  return spots;
}
