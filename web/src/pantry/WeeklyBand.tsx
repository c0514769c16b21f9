import type { WeekBand } from '../api/types';
import { round } from '../drawing/outline';
import { PlumbLine } from '../drawing/PlumbLine';
import { dayToPx } from '../drawing/scale';
import type { TimeScale } from '../drawing/scale';
import { useUnits } from '../app/preferences';
import { dayOf } from '../time/day';
import type { Day } from '../time/day';

interface Props {
  weeks: readonly WeekBand[];
  scale: TimeScale;
  width: number;
  height: number;
  day: Day;
  /** Eaten each week, below the line; nothing where it is not known. */
  eatenKg: number;
  label: string;
}

const BELOW = 9;

/** What is picked week by week as a band above the line, and what is eaten below it. */
export function WeeklyBand({ weeks, scale, width, height, day, eatenKg, label }: Props) {
  const units = useUnits();
  const most = Math.max(...weeks.map((week) => week.p90), eatenKg, 1e-6);
  const base = height - BELOW;
  const y = (kg: number) => round(base - (kg / most) * (base - 12));
  const shown = weeks.filter((w) => dayOf(w.week) + 7 > scale.start && dayOf(w.week) < scale.end);
  const at = (week: WeekBand, days: number) =>
    round(dayToPx(scale, Math.min(scale.end, Math.max(scale.start, dayOf(week.week) + days))));
  const steps = (value: (week: WeekBand) => number) =>
    shown.map((w) => `H${at(w, 0)}V${y(value(w))}H${at(w, 7)}`).join('');
  const first = shown[0];
  const last = shown.at(-1);
  const peak = shown.reduce<WeekBand | undefined>(
    (best, w) => (w.p50 > (best?.p50 ?? 0) ? w : best),
    undefined,
  );
  return (
    <svg
      className="block"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
    >
      <line
        x1={scale.left}
        x2={scale.left + scale.width}
        y1={base}
        y2={base}
        stroke="var(--rule)"
      />
      {eatenKg > 0 && (
        <rect
          x={scale.left}
          y={base + 1}
          width={scale.width}
          height={Math.max(1.5, Math.min(BELOW - 2, (eatenKg / most) * (base - 12)))}
          fill="var(--faint)"
        />
      )}
      {first && last && (
        <>
          {shown.map((w) => (
            <rect
              key={w.week}
              x={at(w, 0)}
              y={y(w.p90)}
              width={Math.max(0, at(w, 7) - at(w, 0))}
              height={Math.max(0, y(w.p10) - y(w.p90))}
              fill="var(--leaf)"
              opacity={0.22}
            />
          ))}
          {eatenKg > 0 && (
            <line
              x1={scale.left}
              x2={scale.left + scale.width}
              y1={y(eatenKg)}
              y2={y(eatenKg)}
              stroke="var(--marigold-line)"
              strokeDasharray="3 3"
            />
          )}
          <path
            d={`M${at(first, 0)} ${base}${steps((w) => w.p50)}V${base}`}
            fill="none"
            stroke="var(--leaf)"
            strokeWidth={1.4}
          />
        </>
      )}
      {peak && (
        <text
          x={at(peak, 3)}
          y={Math.max(10, y(peak.p50) - 3)}
          fontSize={11}
          textAnchor="middle"
          fill="var(--ink)"
          className="halo"
        >
          {units.mass(peak.p50)}
        </text>
      )}
      <PlumbLine scale={scale} day={day} height={height} />
    </svg>
  );
}
