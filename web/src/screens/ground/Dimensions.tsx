import type { HeldGarden } from '../../api/merge';
import { useUnits } from '../../kit/preferences';
import type { Held } from './held';
import { siteOf } from './things';
import { boundsOf, toPx } from './yardScale';
import type { PointM, Px, YardScale } from './yardScale';

interface Props {
  state: HeldGarden;
  place: string;
  scale: YardScale;
  held: Held | null;
}

/** Measures to set a place out by: from the yard's left side and from its lower side. */
export function Dimensions({ state, place, scale, held }: Props) {
  const units = useUnits();
  const outline = siteOf(state.plan).outline_m;
  const outer = state.report.places.find((p) => p.id === place)?.ground.outer_m;
  if (!outline || !outer || outer.length === 0) return null;
  const by = held?.thing.kind === 'place' && held.thing.id === place ? held.by : STILL;
  const yard = boundsOf(outline);
  const bed = boundsOf(outer.map(([x, y]) => [x + by[0], y + by[1]] as const));
  const row = (bed.y0 + bed.y1) / 2 + (bed.y1 - bed.y0) * 0.3;
  const column = (bed.x0 + bed.x1) / 2 + (bed.x1 - bed.x0) * 0.3;
  return (
    <g stroke="var(--damson)" fill="var(--damson)" fontSize={12} aria-hidden="true">
      <Measure
        from={toPx(scale, [yard.x0, row])}
        to={toPx(scale, [bed.x0, row])}
        text={units.distance(round(bed.x0 - yard.x0))}
      />
      <Measure
        from={toPx(scale, [column, yard.y0])}
        to={toPx(scale, [column, bed.y0])}
        text={units.distance(round(bed.y0 - yard.y0))}
      />
    </g>
  );
}

const STILL: PointM = [0, 0];
const round = (m: number) => Math.round(m * 100) / 100;
const LEAST_PX = 12;
const NEAR_PX = 34;

function Measure({ from, to, text }: { from: Px; to: Px; text: string }) {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const long = Math.hypot(dx, dy);
  if (long < LEAST_PX) return null;
  const [nx, ny] = [(-dy / long) * 4, (dx / long) * 4];
  const tick = ([x, y]: Px) => `M${x - nx} ${y - ny}L${x + nx} ${y + ny}`;
  // Written near the place, where it is looked for.
  const near = Math.min(long / 2, NEAR_PX);
  const level = Math.abs(dx) > Math.abs(dy);
  return (
    <>
      <path
        d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}${tick(from)}${tick(to)}`}
        strokeWidth={1.1}
        fill="none"
      />
      <text
        x={level ? to[0] - (dx / long) * near : to[0] + 5}
        y={level ? to[1] - 5 : to[1] - (dy / long) * near + 4}
        textAnchor={level ? 'middle' : 'start'}
        stroke="none"
        className="halo-sun"
        fontWeight={600}
      >
        {text}
      </text>
    </>
  );
}
