import type { CropTape, Tape, TapeWeek } from '../../../api/types';
import { dayOf, words } from '../../../kit/day';
import { useUnits } from '../../../kit/preferences';
import { estimated, weekOf } from './week';

interface Props {
  tape: Tape;
  width: number;
}

const HEIGHT = 20;
const LEAST_KG = 0.005;

/** One week: what was picked of each crop, a bar over the range that was estimated for it. */
export function WeekDrawn({ tape, width }: Props) {
  const lines = [tape.whole, ...tape.crops].flatMap((strip) => {
    const week = weekOf(strip, tape.day);
    const some = week && (week.picked_kg > 0 || week.estimated_kg.p90 >= LEAST_KG);
    return some ? [{ strip, week }] : [];
  });
  const [whole] = lines;
  if (!whole) return <p className="px-[14px] text-muted">Nothing is picked in this week.</p>;
  const of = (week: TapeWeek) => Math.max(week.picked_kg, week.estimated_kg.p90);
  const most = Math.max(...lines.slice(1).map(({ week }) => of(week)), LEAST_KG);
  return (
    <section aria-label="The week" className="px-[14px]">
      <h2 className="text-base">{`From ${words(dayOf(whole.week.week))}, seven days`}</h2>
      {lines.map(({ strip, week }) => (
        <Line
          key={strip.crop}
          strip={strip}
          week={week}
          most={strip === tape.whole ? of(week) : most}
          width={Math.min(520, width - 28)}
        />
      ))}
    </section>
  );
}

interface LineProps {
  strip: CropTape;
  week: TapeWeek;
  most: number;
  width: number;
}

function Line({ strip, week, most, width }: LineProps) {
  const units = useUnits();
  const x = (kg: number) => (kg / most) * width;
  const { p10, p50, p90 } = week.estimated_kg;
  const range = estimated(week, units);
  const picked = week.picked_kg > 0 ? units.mass(week.picked_kg) : 'nothing';
  const said = `${picked} picked, ${range || 'nothing'} estimated`;
  return (
    <div className="border-b border-faint py-1">
      <p className="text-[14px]">
        {strip.name} <span className="text-[13px] text-muted">{said}</span>
      </p>
      <svg
        className="block"
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={`${strip.name}: ${said}`}
      >
        <rect
          x={x(p10)}
          width={Math.max(0, x(p90) - x(p10))}
          y={2}
          height={HEIGHT - 4}
          fill="var(--leaf)"
          opacity={0.2}
        />
        {p90 > 0 && (
          <line
            x1={x(p50)}
            x2={x(p50)}
            y1={2}
            y2={HEIGHT - 2}
            stroke="var(--leaf)"
            strokeDasharray="3 3"
          />
        )}
        <line x1={0} x2={0} y1={0} y2={HEIGHT} stroke="var(--rule)" strokeWidth={2} />
        <rect x={0} width={x(week.picked_kg)} y={7} height={HEIGHT - 14} fill="var(--damson)" />
      </svg>
    </div>
  );
}
