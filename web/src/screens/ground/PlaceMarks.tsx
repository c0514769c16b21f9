import { memo } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { PlaceReport } from '../../api/types';
import type { Extent } from '../../kit/useExtent';
import { dayOf, words } from '../../kit/day';
import { isShown, ring } from './held';
import type { Shows } from './held';
import { beside, fitLabel, textWidth, within } from './labels';
import type { Box } from './labels';
import { sameThing } from './things';
import type { Thing } from './things';
import { boundsOf, toPx } from './yardScale';
import type { PointM, YardScale } from './yardScale';

/** A place as drawn: its box on the page, and where its name stands. */
export interface PlaceMark {
  report: PlaceReport;
  name: string;
  hours: string;
  box: Box;
  /** Null where the page leaves no room: its name is in the table and on pointing. */
  label: Box | null;
  /** Name and hours stand on one line, for a bed that is long and low on the page. */
  short: boolean;
}

const LINE = 15;

/** All places that have a spot, their labels set where none meets another. */
export function placeBoxes(
  state: HeldGarden,
  hours: Record<string, number>,
  scale: YardScale,
  extent: Extent,
  around: readonly Box[],
): PlaceMark[] {
  const placed = state.report.places.filter((p) => p.ground.outer_m.length > 0);
  const boxes = placed.map((p) => pageBox(scale, p.ground.outer_m));
  const taken = [...boxes, ...around];
  return placed.map((report, i) => {
    const box = boxes[i] ?? { x: 0, y: 0, w: 0, h: 0 };
    const name = state.plan.places.find((p) => p.id === report.id)?.name ?? report.id;
    const sun = hours[report.id];
    const words = sun === undefined ? '' : `${sun.toFixed(1)} h`;
    const short = box.h < 2 * LINE && box.h >= LINE && box.w >= textWidth(`${name}  ${words}`);
    const [w, h] = short
      ? [textWidth(`${name}  ${words}`), LINE]
      : [textWidth(name), words ? 2 * LINE : LINE];
    const fits = box.w >= w && box.h >= h;
    const inner = { x: box.x + (box.w - w) / 2, y: box.y + (box.h - h) / 2, w, h };
    const onPage = (spot: Box) => within(spot, extent.width, extent.height);
    const full = fitLabel(beside(box, w, h).filter(onPage), taken);
    const nameOnly = full ?? fitLabel(beside(box, textWidth(name), LINE).filter(onPage), taken);
    const label = fits ? inner : nameOnly;
    const said = fits || full ? words : '';
    if (label) taken.push(label);
    return { report, name, hours: said, box, label, short };
  });
}

export function pageBox(scale: YardScale, points: readonly PointM[]): Box {
  const { x0, y0, x1, y1 } = boundsOf(points);
  const [left, top] = toPx(scale, [x0, y1]);
  return { x: left, y: top, w: (x1 - x0) * scale.pxPerM, h: (y1 - y0) * scale.pxPerM };
}

interface Props {
  marks: readonly PlaceMark[];
  state: HeldGarden;
  scale: YardScale;
  chosen: Thing | null;
  shows: Shows;
}

export const PlaceMarks = memo(function PlaceMarks({ marks, state, scale, chosen, shows }: Props) {
  return (
    <g>
      {marks.map((mark) => {
        const thing: Thing = { kind: 'place', id: mark.report.id };
        return (
          <g
            key={mark.report.id}
            data-thing={JSON.stringify(thing)}
            visibility={isShown(shows, thing) ? undefined : 'hidden'}
            className="cursor-move"
          >
            <Mark
              mark={mark}
              scale={scale}
              stop={state.report.notes.some(
                (n) => n.place === mark.report.id && n.level === 'stop',
              )}
              isChosen={sameThing(chosen, thing)}
            />
          </g>
        );
      })}
    </g>
  );
});

const Mark = memo(function Mark({
  mark,
  scale,
  stop,
  isChosen,
}: {
  mark: PlaceMark;
  scale: YardScale;
  stop: boolean;
  isChosen: boolean;
}) {
  const { report, label } = mark;
  const [outer, inner] = [report.ground.outer_m, report.ground.inner_m];
  const colour = isChosen ? 'var(--damson)' : 'var(--ink)';
  const middle = label ? label.x + label.w / 2 : 0;
  return (
    <>
      <title>{`${mark.name}${mark.hours ? `, ${mark.hours} of sun` : ''}`}</title>
      {report.ground.spots.map((spot) => (
        <path
          key={spot.since}
          d={ring(scale, spot.outer_m)}
          fill="none"
          stroke={colour}
          strokeDasharray="4 3"
        >
          <title>{`${mark.name} from ${words(dayOf(spot.since))} to ${words(dayOf(spot.until))}`}</title>
        </path>
      ))}
      <path
        d={[outer, ...inner.slice(1)].map((points) => ring(scale, points)).join('')}
        fillRule="evenodd"
        fill={isChosen ? 'var(--damson-wash)' : 'var(--paper)'}
        stroke={colour}
        strokeWidth={isChosen ? 1.8 : 1.2}
      />
      <path
        d={inner.map((points) => ring(scale, points)).join('')}
        fill="none"
        stroke={colour}
        strokeWidth={0.6}
      />
      {report.ground.beyond_m.length > 0 && (
        <path
          d={report.ground.beyond_m.map((points) => ring(scale, points)).join('')}
          fill="url(#hatch-beyond)"
          stroke="var(--damson)"
          strokeWidth={0.8}
        >
          <title>out of reach</title>
        </path>
      )}
      <path d={gridLines(report, scale)} stroke="var(--rule)" strokeWidth={0.6} fill="none" />
      {label && (
        <text
          x={middle}
          y={label.y + 12}
          fill={colour}
          textAnchor="middle"
          fontSize={12.5}
          className="halo-paper"
        >
          <tspan fontWeight={600}>{mark.name}</tspan>
          {mark.hours && (
            <tspan
              {...(mark.short ? { dx: 7 } : { x: middle, dy: 14 })}
              fill={isChosen ? colour : 'var(--muted)'}
            >
              {mark.hours}
            </tspan>
          )}
        </text>
      )}
      {stop && (
        <rect x={mark.box.x + 3} y={mark.box.y + 3} width={7} height={7} fill="var(--damson)" />
      )}
    </>
  );
});

/** The squares of a place with straight sides, drawn where they lie in the yard. */
function gridLines(report: PlaceReport, scale: YardScale): string {
  const ground = report.ground.inner_m[0];
  const [x0, y0, x1, y1] = report.bounds_cm;
  if (ground?.length !== 4 || report.outline_cm.length !== 4) return '';
  const at = (x: number, y: number): string => {
    // The frame's corners are known in the yard; every other point lies between them.
    const [a, b, d] = cornersOf(report, ground);
    const [u, v] = [(x - x0) / (x1 - x0), (y - y0) / (y1 - y0)];
    const [px, py] = toPx(scale, [
      a[0] + u * (b[0] - a[0]) + v * (d[0] - a[0]),
      a[1] + u * (b[1] - a[1]) + v * (d[1] - a[1]),
    ]);
    return `${px.toFixed(1)} ${py.toFixed(1)}`;
  };
  let d = '';
  const [xPitch, yPitch] = report.pitch_cm;
  for (let x = x0 + xPitch; x < x1 - 0.01; x += xPitch) d += `M${at(x, y0)}L${at(x, y1)}`;
  for (let y = y0 + yPitch; y < y1 - 0.01; y += yPitch) d += `M${at(x0, y)}L${at(x1, y)}`;
  return d;
}

/** The yard points of the frame's origin, of the end of its width, and of its length. */
function cornersOf(
  report: PlaceReport,
  ground: readonly PointM[],
): readonly [PointM, PointM, PointM] {
  const [x0, y0, x1, y1] = report.bounds_cm;
  const find = (x: number, y: number): PointM => {
    const index = report.outline_cm.findIndex(
      ([px, py]) => Math.abs(px - x) < 0.01 && Math.abs(py - y) < 0.01,
    );
    return ground[Math.max(0, index)] ?? [0, 0];
  };
  return [find(x0, y0), find(x1, y0), find(x0, y1)];
}
