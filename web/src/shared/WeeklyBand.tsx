import type { TableWeek, WeekBand } from '../api/types';
import { round } from '../drawing/outline';
import { PlumbLine } from '../drawing/PlumbLine';
import { dayToPx } from '../drawing/scale';
import type { TimeScale } from '../drawing/scale';
import { useUnits } from '../kit/preferences';
import { dayOf } from '../kit/day';
import type { Day } from '../kit/day';

interface Props {
  weeks: readonly WeekBand[];
  /** What was picked before a change that is being tried. */
  before?: readonly WeekBand[];
  /** What is eaten, in store and short; nothing where no want is known. */
  table?: readonly TableWeek[];
  scale: TimeScale;
  width: number;
  height: number;
  day: Day;
  label: string;
}

const BELOW = 12;

interface Week {
  week: string;
}

/** What is picked week by week as a band above the line; below it what is eaten and what lacks. */
export function WeeklyBand({
  weeks,
  before = [],
  table = [],
  scale,
  width,
  height,
  day,
  label,
}: Props) {
  const units = useUnits();
  const need = Math.max(0, ...table.map((week) => week.need));
  const most = Math.max(...[...weeks, ...before].map((week) => week.p90), need, 1e-6);
  const base = height - BELOW;
  const y = (kg: number) => round(base - (Math.min(kg, most) / most) * (base - 12));
  const inView = <W extends Week>(all: readonly W[]) =>
    all.filter((w) => dayOf(w.week) + 7 > scale.start && dayOf(w.week) < scale.end);
  const at = (week: Week, days: number) =>
    round(dayToPx(scale, Math.min(scale.end, Math.max(scale.start, dayOf(week.week) + days))));
  const wide = (week: Week) => Math.max(0, at(week, 7) - at(week, 0));
  const shown = inView(weeks);
  const peak = shown.reduce<WeekBand | undefined>(
    (best, w) => (w.p50 > (best?.p50 ?? 0) ? w : best),
    undefined,
  );
  const line = (all: readonly WeekBand[]) => outline(inView(all), base, (w) => y(w.p50), at);
  const depth = (week: TableWeek) => Math.max(1.5, (week.need / need) * 5);
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
      {inView(table).map((w) => (
        <g key={w.week}>
          {w.stored > 0 && (
            <rect
              x={at(w, 0)}
              y={y(w.stored)}
              width={wide(w)}
              height={base - y(w.stored)}
              fill="url(#hatch-beyond)"
              opacity={0.6}
            />
          )}
          {w.need > 0 && (
            <rect x={at(w, 0)} y={base + 1} width={wide(w)} height={depth(w)} fill="var(--rule)" />
          )}
          {w.short && (
            <rect
              x={at(w, 0)}
              y={base + 8}
              width={wide(w)}
              height={2.4}
              fill="var(--marigold-line)"
            />
          )}
        </g>
      ))}
      {shown.map((w) => (
        <rect
          key={w.week}
          x={at(w, 0)}
          y={y(w.p90)}
          width={wide(w)}
          height={Math.max(0, y(w.p10) - y(w.p90))}
          fill="var(--leaf)"
          opacity={0.22}
        />
      ))}
      {before.length > 0 && (
        <path d={line(before)} fill="none" stroke="var(--muted)" strokeDasharray="3 3" />
      )}
      <path d={line(weeks)} fill="none" stroke="var(--leaf)" strokeWidth={1.4} />
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

/** A line of steps over some weeks, down to the base where nothing is picked between two. */
function outline(
  weeks: readonly WeekBand[],
  base: number,
  y: (week: WeekBand) => number,
  at: (week: Week, days: number) => number,
): string {
  return weeks
    .map((w, i) => {
      const last = weeks[i - 1];
      const next = weeks[i + 1];
      const joins = (a: Week, b: Week) => dayOf(b.week) - dayOf(a.week) === 7;
      const begin = last && joins(last, w) ? '' : `M${at(w, 0)} ${base}`;
      const end = next && joins(w, next) ? '' : `V${base}`;
      return `${begin}V${y(w)}H${at(w, 7)}${end}`;
    })
    .join('');
}
