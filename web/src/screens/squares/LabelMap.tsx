import type { PlaceReport, PlantLabel, PlantingReport } from '../../api/types';
import { standsOn } from '../../drawing/growth';
import { polygonPath } from '../../drawing/outline';
import { fitGround, groundToPx } from '../../drawing/scale';
import { dayOf, shortWords, words } from '../../kit/day';
import { useDay } from '../../shared/DayContext';
import { Letters } from '../../drawing/PlanMarks';

interface Props {
  labels: readonly PlantLabel[];
  place: PlaceReport;
  plantings: readonly PlantingReport[];
}

const ROOM = { width: 640, height: 300 };
const EDGE = 24;

/** Which label goes where, for one day: the bed with its numbers, and what each of them says. */
export function LabelMap({ labels, place, plantings }: Props) {
  const { day } = useDay();
  const standing = new Set(plantings.filter((p) => standsOn(p, day)).map((p) => p.id));
  const shown = labels.filter((label) => standing.has(label.planting));
  return (
    <>
      <Map place={place} plantings={plantings.filter((p) => standing.has(p.id))} labels={shown} />
      <table className="mt-1">
        <caption className="text-left text-muted">{`Labels on ${words(day)}; move the season ruler for another day.`}</caption>
        <thead className="sr-only">
          <tr>
            <th scope="col">Label</th>
            <th scope="col">Kind</th>
            <th scope="col">Where</th>
            <th scope="col">Started</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((label) => (
            <tr key={label.number} className="border-t border-faint">
              <td className="pr-3 text-right font-semibold text-damson">{label.number}</td>
              <th scope="row" className="pr-4 text-left font-semibold">
                {label.name}
              </th>
              <td className="pr-4">{`${label.cell}, ${plantsOf(label)}`}</td>
              <td className="whitespace-nowrap text-muted">
                {shortWords(dayOf(label.start_date))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function plantsOf(label: PlantLabel): string {
  const count = label.last_plant - label.first_plant + 1;
  if (count === label.of_plants) return count === 1 ? '1 plant' : `${count} plants`;
  if (count === 1) return `plant ${label.first_plant} of ${label.of_plants}`;
  return `plants ${label.first_plant}–${label.last_plant} of ${label.of_plants}`;
}

function Map({ place, plantings, labels }: Props) {
  const scale = fitGround(place.bounds_cm, ROOM, EDGE, EDGE);
  const [x0, y0, x1, y1] = place.bounds_cm;
  const width = (y1 - y0) * scale.pxPerCm + 2 * EDGE;
  const height = (x1 - x0) * scale.pxPerCm + 2 * EDGE;
  return (
    <div className="mt-2 overflow-x-auto" role="group" aria-label="Map of the labels" tabIndex={0}>
      <svg
        className="block"
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label="Label map"
      >
        <path
          d={polygonPath(place.outline_cm.map(([x, y]) => groundToPx(scale, [x, y])))}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.4}
        />
        <Letters place={place} scale={scale} />
        {plantings.flatMap((planting) =>
          planting.positions_cm.map(([x, y], i) => {
            const [cx, cy] = groundToPx(scale, [x, y]);
            return (
              <circle key={`${planting.id} ${i}`} cx={cx} cy={cy} r={1.6} fill="var(--leaf)" />
            );
          }),
        )}
        {labels.map((label) => {
          const [x, y] = groundToPx(scale, [label.at_cm[0], label.at_cm[1]]);
          return (
            <g key={label.number}>
              <path d={`M${x} ${y}v-12`} stroke="var(--ink)" strokeWidth={1.2} />
              <text
                x={x}
                y={y - 3}
                dx={3}
                fontSize={13}
                fontWeight={600}
                fill="var(--damson)"
                className="halo-bed"
              >
                {label.number}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
