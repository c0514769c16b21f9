import type { PlaceReport } from '../api/types';
import { groundToPx } from './scale';
import type { GroundScale } from './scale';

/** What is laid over a place: its lines, and the spots on them where plants stand. */
export function LaidLines({ laid, scale }: { laid: PlaceReport['laid']; scale: GroundScale }) {
  if (!laid) return null;
  const px = ([x, y]: readonly [number, number]) => groundToPx(scale, [x, y]).join(' ');
  const lines = laid.lines_cm.map(([from, to]) => `M${px(from)}L${px(to)}`);
  return (
    <g role="img" aria-label={laid.label}>
      <path d={lines.join('')} stroke="var(--muted)" strokeWidth={1} strokeDasharray="2 3" />
      {laid.spots_cm.map((spot, i) => {
        const [x, y] = groundToPx(scale, [spot[0], spot[1]]);
        return <circle key={i} cx={x} cy={y} r={1.8} fill="var(--muted)" />;
      })}
    </g>
  );
}
