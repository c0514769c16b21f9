import type { Day } from '../kit/day';
import { dayToPx } from './scale';
import type { TimeScale } from './scale';

/** The ruler's day as it runs through a drawing under the ruler. */
export function PlumbLine({ scale, day, height }: { scale: TimeScale; day: Day; height: number }) {
  const x = dayToPx(scale, day);
  return (
    <line
      x1={x}
      x2={x}
      y1={0}
      y2={height}
      stroke="var(--damson)"
      strokeWidth={1.6}
      pointerEvents="none"
    />
  );
}
