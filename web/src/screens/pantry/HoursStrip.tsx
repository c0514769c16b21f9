import type { Hours } from '../../api/types';
import { round } from '../../drawing/outline';
import { PlumbLine } from '../../drawing/PlumbLine';
import { dayToPx } from '../../drawing/scale';
import type { TimeScale } from '../../drawing/scale';
import { dayOf } from '../../kit/day';
import type { Day } from '../../kit/day';

interface Props {
  hours: Hours;
  scale: TimeScale;
  width: number;
  day: Day;
}

const HEIGHT = 58;
const BASE = 50;

/** Each week's work above the line, the hours that there are as a line across it. */
export function HoursStrip({ hours, scale, width, day }: Props) {
  const most = Math.max(1, ...hours.weeks.map((w) => Math.max(w.hours, w.able ?? 0)));
  const y = (value: number) => round(BASE - (value / most) * (BASE - 12));
  const at = (iso: string, days: number) =>
    round(dayToPx(scale, Math.min(scale.end, Math.max(scale.start, dayOf(iso) + days))));
  const busiest = hours.weeks.reduce((best, w) => (w.hours > best.hours ? w : best));
  const able = hours.weeks.filter((w) => w.able !== null);
  return (
    <svg
      className="block"
      width={width}
      height={HEIGHT}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      role="img"
      aria-label="Hours of work, week by week"
    >
      <line
        x1={scale.left}
        x2={scale.left + scale.width}
        y1={BASE}
        y2={BASE}
        stroke="var(--rule)"
      />
      {hours.weeks.map((w) => (
        <g key={w.week}>
          <rect
            x={at(w.week, 0)}
            y={y(w.hours)}
            width={Math.max(0, at(w.week, 7) - at(w.week, 0) - 1)}
            height={BASE - y(w.hours)}
            fill="url(#hatch-beyond)"
            stroke="var(--ink)"
            strokeWidth={0.7}
          />
          {w.able !== null && w.hours > w.able && (
            <rect
              x={at(w.week, 0)}
              y={BASE + 3}
              width={Math.max(0, at(w.week, 7) - at(w.week, 0))}
              height={2.4}
              fill="var(--marigold-line)"
            />
          )}
        </g>
      ))}
      {able.length > 0 && (
        <path
          d={`M${able.map((w) => `${at(w.week, 0)} ${y(w.able ?? 0)}H${at(w.week, 7)}`).join('L')}`}
          fill="none"
          stroke="var(--damson)"
          strokeWidth={1.2}
        />
      )}
      <text
        x={at(busiest.week, 3)}
        y={Math.max(10, y(busiest.hours) - 3)}
        fontSize={11}
        textAnchor="middle"
        fill="var(--ink)"
        className="halo"
      >
        {`${busiest.hours.toFixed(1)} h`}
      </text>
      <PlumbLine scale={scale} day={day} height={HEIGHT} />
    </svg>
  );
}
