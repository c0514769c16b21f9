import type { KeyboardEvent, PointerEvent } from 'react';
import { useMemo, useRef } from 'react';

import type { PlaceReport, PlantingReport, YearReport } from '../../api/types';
import type { Extent } from '../../kit/useExtent';
import { fitGround, groundToPx, pxToGround } from '../../drawing/scale';
import type { GroundScale } from '../../drawing/scale';
import type { Day } from '../../kit/day';
import {
  addressOf,
  boxOf,
  freeAddresses,
  gridSize,
  plantingAt,
  rectangle,
  spotOf,
  withMore,
} from '../../drawing/cells';
import type { Spot } from '../../drawing/cells';
import { Cutaway, sectionHeights } from './Cutaway';
import { FillSlider } from './FillSlider';
import type { Filling } from './FillSlider';
import type { Gesture, Input } from '../../drawing/gesture';
import { PlanView } from '../../drawing/PlanView';

interface Props {
  place: PlaceReport;
  plantings: readonly PlantingReport[];
  year: YearReport;
  day: Day;
  extent: Extent;
  chosen: readonly string[];
  cursor: Spot;
  anchor: Spot | null;
  /** Whether squares are added to those chosen. */
  adding: boolean;
  /** Supports along lines in the bed: an end is dragged, or the middle with the whole line. */
  lines: readonly LineSupport[];
  selected: PlantingReport | null;
  gesture: Gesture;
  send: (input: Input) => void;
  onRelease: () => void;
  onKey: (event: KeyboardEvent<SVGSVGElement>) => void;
  filling: Filling;
  said: string | null;
}

const LEFT = 46;
const RIGHT = 74;
const TOP = 24;
const FOOT = 36;
const PLAN_SHARE = 0.62;

/** The plan and the cutaway of one place, on one scale along the page. */
export function BedSheet(props: Props) {
  const { place, plantings, day, extent, chosen, cursor, selected, gesture, send } = props;
  const focused = useRef<SVGSVGElement>(null);
  const [x0, y0, x1, y1] = place.bounds_cm;
  const { width, height } = extent;
  const scale = useMemo(
    () =>
      centred(
        fitGround(
          [x0, y0, x1, y1],
          { width: width - LEFT - RIGHT, height: height * PLAN_SHARE - TOP - FOOT },
          LEFT,
          TOP,
        ),
        y1 - y0,
        width,
      ),
    [x0, y0, x1, y1, width, height],
  );
  const planFoot = groundToPx(scale, [place.bounds_cm[2], place.bounds_cm[1]])[1] + FOOT;
  const shown = gestureCells(place, gesture, chosen) ?? chosen;
  const sectionPx = Math.max(90, height - planFoot);
  const heights = useMemo(
    () => sectionHeights(place, plantings, day, scale.pxPerCm, planFoot, sectionPx),
    [place, plantings, day, scale.pxPerCm, planFoot, sectionPx],
  );
  const drawn = width > 0 && height > 0;

  const spotAt = (event: PointerEvent<SVGSVGElement>): Spot | null => {
    const box = event.currentTarget.getBoundingClientRect();
    return spotUnder(place, scale, event.clientX - box.left, event.clientY - box.top);
  };
  const onPointerDown = (event: PointerEvent<SVGSVGElement>) => {
    const spot = spotAt(event);
    if (!spot || event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const box = event.currentTarget.getBoundingClientRect();
    const grip = selected
      ? gripAnchor(place, scale, selected, event.clientX - box.left, event.clientY - box.top)
      : null;
    const adding = props.adding || event.ctrlKey || event.metaKey;
    const plant =
      selected && !adding
        ? plantUnder(selected, scale, event.clientX - box.left, event.clientY - box.top)
        : null;
    const line = lineUnder(props.lines, scale, event.clientX - box.left, event.clientY - box.top);
    if (line && !adding) send(line);
    else if (grip && selected)
      send({ kind: 'pressEdge', planting: selected.id, anchor: grip, spot });
    else if (plant !== null && selected)
      send({ kind: 'pressPlant', planting: selected.id, plant, spot });
    else
      send({
        kind: 'pressSquare',
        spot,
        extendFrom: event.shiftKey ? props.anchor : null,
        adding,
      });
  };

  const here = plantingAt(plantings, addressOf(cursor), day);
  return (
    <div className="bed-sheet relative h-full w-full overflow-hidden">
      <svg
        ref={focused}
        className="bed block h-full w-full touch-none select-none"
        viewBox={`0 0 ${extent.width} ${extent.height}`}
        role="application"
        tabIndex={0}
        aria-label={`Plan of the squares. Cursor at ${addressOf(cursor)}, ${here ? here.name : 'free'}. ${chosen.length} chosen.`}
        aria-keyshortcuts="ArrowUp ArrowDown ArrowLeft ArrowRight Delete Escape"
        onKeyDown={props.onKey}
        onPointerDown={onPointerDown}
        onPointerMove={(event) => {
          if (gesture.kind === 'movingPlant' || gesture.kind === 'movingLine') {
            const box = event.currentTarget.getBoundingClientRect();
            const at = [event.clientX - box.left, event.clientY - box.top] as const;
            send({ kind: 'overPoint', at: pxToGround(scale, at) });
          }
          if (gesture.kind !== 'painting' && gesture.kind !== 'resizing') return;
          const spot = spotAt(event);
          if (spot) send({ kind: 'overSquare', spot });
        }}
        onPointerUp={props.onRelease}
        onPointerCancel={() => send({ kind: 'cancel' })}
      >
        {drawn && (
          <>
            <PlanView
              place={place}
              plantings={plantings}
              year={props.year}
              day={day}
              scale={scale}
              chosen={shown}
              cursor={addressOf(cursor)}
              selected={selected}
            />
            <LineHandles lines={props.lines} scale={scale} />
            {selected && <Grips place={place} scale={scale} planting={selected} />}
            <Cutaway
              place={place}
              plantings={plantings}
              year={props.year}
              day={day}
              scale={scale}
              column={cursor.column}
              top={planFoot}
              heights={heights}
              said={props.said}
            />
          </>
        )}
      </svg>
      {drawn && place.layers.fill_cm > 0 && (
        <FillSlider
          place={place}
          left={groundToPx(scale, [0, place.bounds_cm[1]])[0]}
          right={groundToPx(scale, [0, place.bounds_cm[3]])[0]}
          heights={heights}
          filling={props.filling}
        />
      )}
    </div>
  );
}

/** The same scale with the place in the middle of the page's width. */
function centred(scale: GroundScale, lengthCm: number, width: number): GroundScale {
  const drawn = lengthCm * scale.pxPerCm;
  return { ...scale, left: LEFT + Math.max(0, (width - LEFT - RIGHT - drawn) / 2) };
}

/** The squares that a gesture covers so far. */
export function gestureCells(
  place: PlaceReport,
  gesture: Gesture,
  chosen: readonly string[],
): string[] | null {
  if (gesture.kind === 'painting') {
    const block = rectangle(place, gesture.from, gesture.to);
    return gesture.adding ? withMore(chosen, block) : block;
  }
  if (gesture.kind === 'resizing') return rectangle(place, gesture.anchor, gesture.to);
  return null;
}

function spotUnder(place: PlaceReport, scale: GroundScale, px: number, py: number): Spot | null {
  const [x, y] = pxToGround(scale, [px, py]);
  const [x0, y0, x1, y1] = place.bounds_cm;
  const slack = 12 / scale.pxPerCm;
  if (x < x0 - slack || x > x1 + slack || y < y0 - slack || y > y1 + slack) return null;
  const { columns, rows } = gridSize(place);
  const limit = (value: number, most: number) => Math.min(most - 1, Math.max(0, Math.floor(value)));
  const spot = {
    column: limit((x - x0) / place.pitch_cm[0], columns),
    row: limit((y - y0) / place.pitch_cm[1], rows),
  };
  return freeAddresses(place).has(addressOf(spot)) ? spot : null;
}

/** A support along a line, as the plan has it. */
export interface LineSupport {
  id: string;
  line_cm: readonly (readonly [number, number])[];
}

const LINE_PX = 8;

/** The line's end, or its middle, under the pointer. */
function lineUnder(
  lines: readonly LineSupport[],
  scale: GroundScale,
  px: number,
  py: number,
): Input | null {
  const near = ([x, y]: readonly [number, number]) => {
    const [qx, qy] = groundToPx(scale, [x, y]);
    return Math.hypot(px - qx, py - qy) <= LINE_PX;
  };
  for (const { id, line_cm: line } of lines) {
    const from = pxToGround(scale, [px, py]);
    const end = line.findIndex(near);
    if (end >= 0) return { kind: 'pressLine', support: id, end, from };
    const middle = middleOf(line);
    if (middle && near(middle)) return { kind: 'pressLine', support: id, end: null, from };
  }
  return null;
}

/** The middle of a line's middle part. */
export function middleOf(
  line: readonly (readonly [number, number])[],
): readonly [number, number] | null {
  const part = Math.floor((line.length - 1) / 2);
  const [a, b] = [line[part], line[part + 1]];
  return a && b ? [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] : null;
}

const PLANT_PX = 9;

/** The plant of a planting under the pointer: it can be dragged to its own spot. */
function plantUnder(
  planting: PlantingReport,
  scale: GroundScale,
  px: number,
  py: number,
): number | null {
  if (planting.between) return null;
  const near = planting.positions_cm.findIndex((spot) => {
    const [x, y] = groundToPx(scale, [spot[0], spot[1]]);
    return Math.hypot(px - x, py - y) <= PLANT_PX;
  });
  return near < 0 ? null : near;
}

const GRIP_PX = 9;

interface Corners {
  near: Spot;
  far: Spot;
}

/** The least and greatest corner of a planting that fills a rectangle, else null. */
function cornersOf(planting: PlantingReport): Corners | null {
  const spots = planting.cells.map(spotOf);
  if (spots.length === 0) return null;
  const near = {
    column: Math.min(...spots.map((s) => s.column)),
    row: Math.min(...spots.map((s) => s.row)),
  };
  const far = {
    column: Math.max(...spots.map((s) => s.column)),
    row: Math.max(...spots.map((s) => s.row)),
  };
  const filled = (far.column - near.column + 1) * (far.row - near.row + 1) === spots.length;
  return filled ? { near, far } : null;
}

function gripAt(place: PlaceReport, scale: GroundScale, corners: Corners, which: 'near' | 'far') {
  const box = boxOf(place, corners[which]);
  return which === 'near'
    ? groundToPx(scale, [box.x0, box.y0])
    : groundToPx(scale, [box.x1, box.y1]);
}

/** Pressing a corner of the selected planting holds the opposite one. */
function gripAnchor(
  place: PlaceReport,
  scale: GroundScale,
  planting: PlantingReport,
  px: number,
  py: number,
): Spot | null {
  const corners = cornersOf(planting);
  if (!corners) return null;
  for (const which of ['near', 'far'] as const) {
    const [x, y] = gripAt(place, scale, corners, which);
    if (Math.hypot(px - x, py - y) <= GRIP_PX) return which === 'near' ? corners.far : corners.near;
  }
  return null;
}

function Grips({
  place,
  scale,
  planting,
}: {
  place: PlaceReport;
  scale: GroundScale;
  planting: PlantingReport;
}) {
  const corners = cornersOf(planting);
  if (!corners) return null;
  return (
    <g className="cursor-nwse-resize">
      {(['near', 'far'] as const).map((which) => {
        const [x, y] = gripAt(place, scale, corners, which);
        return (
          <rect
            key={which}
            x={x - 5}
            y={y - 5}
            width={10}
            height={10}
            fill="var(--paper)"
            stroke="var(--damson)"
            strokeWidth={2}
          />
        );
      })}
    </g>
  );
}

/** What a line in the bed is taken hold of by: its ends, and its middle. */
function LineHandles({ lines, scale }: { lines: readonly LineSupport[]; scale: GroundScale }) {
  return (
    <g fill="var(--paper)" stroke="var(--damson)" strokeWidth={2} className="cursor-move">
      {lines.flatMap(({ id, line_cm: line }) => {
        const middle = middleOf(line);
        return [...line, ...(middle ? [middle] : [])].map(([x, y], index) => {
          const [px, py] = groundToPx(scale, [x, y]);
          return <rect key={`${id} ${index}`} x={px - 4} y={py - 4} width={8} height={8} />;
        });
      })}
    </g>
  );
}
