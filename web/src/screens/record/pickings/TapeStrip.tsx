import type { CropTape } from '../../../api/types';
import { round } from '../../../drawing/outline';
import { PlumbLine } from '../../../drawing/PlumbLine';
import { dayToPx } from '../../../drawing/scale';
import type { TimeScale } from '../../../drawing/scale';
import { dayOf, shortWords } from '../../../kit/day';
import type { Day } from '../../../kit/day';
import { useUnits } from '../../../kit/preferences';

interface Props {
  tape: CropTape;
  scale: TimeScale;
  width: number;
  day: Day;
}

const HEIGHT = 64;
const BASE = HEIGHT - 8;
const MOST_MARK = 22;
const STANDS = { below: ', below the range', within: '', above: ', above the range' } as const;

/** One crop: pickings as plumb marks, their sum as a staircase over the estimate's band. */
export function TapeStrip({ tape, scale, width, day }: Props) {
  const units = useUnits();
  const last = tape.picked.at(-1);
  const most = Math.max(tape.estimate_kg.p90, last?.sum_kg ?? 0, 1e-6);
  const heaviest = Math.max(...tape.picked.map((step) => step.kg), 1e-6);
  const x = (iso: string) =>
    round(dayToPx(scale, Math.min(scale.end, Math.max(scale.start, dayOf(iso)))));
  const y = (kg: number) => round(BASE - (kg / most) * (BASE - 6));
  const line = (of: (point: CropTape['band'][number]) => number) =>
    tape.band.map((point) => `${x(point.day)} ${y(of(point))}`);
  const band = [...line((point) => point.kg.p90), ...line((point) => point.kg.p10).reverse()];
  const stairs = tape.picked.flatMap((step, index) => [
    `${x(step.day)} ${y(tape.picked[index - 1]?.sum_kg ?? 0)}`,
    `${x(step.day)} ${y(step.sum_kg)}`,
  ]);
  // What was picked stays so up to the day that is looked at.
  if (last && day > dayOf(last.day)) stairs.push(`${round(dayToPx(scale, day))} ${y(last.sum_kg)}`);
  const { p10, p90 } = tape.estimate_kg;
  const told = tape.standing === null ? '' : STANDS[tape.standing];
  return (
    <section aria-label={tape.name} className="border-b border-faint px-0">
      <h2 className="px-[14px] text-[15px]">
        {tape.name}{' '}
        <span className="font-sans text-[13px] font-normal text-muted">
          {p90 > 0
            ? `estimate ${units.weight(p10)}–${units.weight(p90)} ${units.weightUnit}`
            : 'not planned'}
        </span>{' '}
        {last && (
          <strong className="font-sans text-[13px] text-damson">
            {`${units.mass(tape.picked_kg)} picked${told}`}
          </strong>
        )}
      </h2>
      <svg
        className="block"
        width={width}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="img"
        aria-label={`${tape.name}: ${tape.picked.map((step) => `${shortWords(dayOf(step.day))} ${units.mass(step.kg)}`).join(', ') || 'nothing picked yet'}`}
      >
        <line
          x1={scale.left}
          x2={scale.left + scale.width}
          y1={BASE}
          y2={BASE}
          stroke="var(--rule)"
        />
        {band.length > 2 && <polygon points={band.join(' ')} fill="var(--leaf)" opacity={0.16} />}
        <polyline
          points={line((point) => point.kg.p50).join(' ')}
          fill="none"
          stroke="var(--leaf)"
          strokeDasharray="3 3"
        />
        {tape.picked.map((step) => (
          <line
            key={step.day}
            x1={x(step.day)}
            x2={x(step.day)}
            y1={BASE}
            y2={BASE - Math.max(3, (step.kg / heaviest) * MOST_MARK)}
            stroke="var(--ink)"
            strokeWidth={2}
          />
        ))}
        <polyline points={stairs.join(' ')} fill="none" stroke="var(--damson)" strokeWidth={2} />
        <PlumbLine scale={scale} day={day} height={HEIGHT} />
      </svg>
    </section>
  );
}
