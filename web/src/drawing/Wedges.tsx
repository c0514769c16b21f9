import { memo, useMemo } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';

import type { PlaceReport, PlantingReport } from '../api/types';
import { hatchOf, PICKED } from './Hatches';
import { round } from './outline';
import { PlumbLine } from './PlumbLine';
import { dayToPx, pxToDay } from './scale';
import type { TimeScale } from './scale';
import { dayOf, shortWords } from '../kit/day';
import type { Day } from '../kit/day';
import type { Gesture, Input } from './gesture';
import { LaneGround } from './LaneGround';
import { stripsOf } from './lanes';
import type { Gap } from './lanes';

interface Props {
  place: PlaceReport;
  plantings: readonly PlantingReport[];
  scale: TimeScale;
  height: number;
  day: Day;
  selected: string | null;
  gesture: Gesture;
  send: (input: Input) => void;
  /** The gesture is over, or Enter takes it as it stands. */
  onRelease: (done: Gesture) => void;
  onSelect: (planting: string) => void;
  onGap: (gap: Gap) => void;
}

const MOST_LANE_PX = 40;

/** The planting whose wedge an event came from. */
function plantingUnder(target: EventTarget): string | null {
  const wedge = target instanceof Element ? target.closest('[data-planting]') : null;
  return wedge?.getAttribute('data-planting') ?? null;
}

/** Time below the ground: each planting a wedge whose thickness is canopy throughout. */
export function Wedges(props: Props) {
  const { place, plantings, scale, height, day, selected, gesture } = props;
  const { send, onRelease, onSelect, onGap } = props;
  const [moving, movedBy] =
    gesture.kind === 'movingWedge' || gesture.kind === 'settlingWedge'
      ? [gesture.planting, gesture.byDays]
      : [null, 0];
  const strips = useMemo(() => stripsOf(plantings, place), [plantings, place]);
  const laneHeight = Math.min(MOST_LANE_PX, (height - 6) / Math.max(1, strips.length));
  const dayAt = (event: PointerEvent<SVGGElement>) => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    return pxToDay(scale, event.clientX - (box?.left ?? 0));
  };
  return (
    <g
      onPointerDown={(event) => {
        const planting = plantingUnder(event.target);
        if (!planting) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        onSelect(planting);
        send({ kind: 'pressWedge', planting, day: dayAt(event) });
      }}
      onKeyDown={(event) => {
        const planting = plantingUnder(event.target);
        if (!planting) return;
        const by = nudgeOf(event);
        if (by !== 0) send({ kind: 'nudgeWedge', planting, byDays: by });
        else if (event.key === 'Escape') send({ kind: 'cancel' });
        else if (event.key === 'Enter' || event.key === ' ') {
          if (gesture.kind === 'movingWedge' && moving === planting) onRelease(gesture);
          else onSelect(planting);
        } else return;
        event.preventDefault();
        event.stopPropagation();
      }}
      onPointerMove={(event) => {
        if (gesture.kind === 'movingWedge') send({ kind: 'overDay', day: dayAt(event) });
      }}
      onPointerUp={() => onRelease(gesture)}
      onPointerCancel={() => send({ kind: 'cancel' })}
    >
      {strips.map((strip, index) => {
        const { lane } = strip;
        const base = 4 + (index + 1) * laneHeight;
        return (
          <g key={[...lane.cells].join()}>
            <LaneGround
              place={place.id}
              strip={strip}
              scale={scale}
              base={base}
              height={laneHeight}
              onGap={onGap}
            />
            {lane.plantings.map((planting) => (
              <Wedge
                key={planting.id}
                planting={planting}
                scale={scale}
                base={base}
                height={laneHeight - 2}
                selected={selected === planting.id}
                shift={moving === planting.id ? movedBy : 0}
              />
            ))}
          </g>
        );
      })}
      <PlumbLine scale={scale} day={day} height={height} />
    </g>
  );
}

/** Days that a key moves a wedge by: arrows a day, with Shift a week. */
function nudgeOf(event: KeyboardEvent): number {
  const way = { ArrowLeft: -1, ArrowRight: 1 }[event.key] ?? 0;
  return way * (event.shiftKey ? 7 : 1);
}

interface WedgeProps {
  planting: PlantingReport;
  scale: TimeScale;
  base: number;
  height: number;
  selected: boolean;
  /** Days that it is being moved by. */
  shift: number;
}

const Wedge = memo(function Wedge({ planting, scale, base, height, selected, shift }: WedgeProps) {
  const start = dayOf(planting.start_date) + shift;
  const clear =
    (planting.clear_date ? dayOf(planting.clear_date) : dayOf(planting.start_date)) + shift;
  const pick = planting.first_pick ? dayOf(planting.first_pick) + shift : null;
  if (clear <= scale.start || start >= scale.end) return null;
  const middle = dayToPx(
    scale,
    Math.max(scale.start, start) +
      (Math.min(clear, scale.end) - Math.max(scale.start, start)) * 0.42,
  );
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={selected}
      aria-label={`${planting.mark}, ${planting.name}, ${shortWords(start)} to ${shortWords(clear)}`}
      className="cursor-grab"
      data-planting={planting.id}
    >
      <rect
        x={dayToPx(scale, Math.max(scale.start, start))}
        y={base - height}
        width={Math.max(
          4,
          dayToPx(scale, Math.min(clear, scale.end)) - dayToPx(scale, Math.max(scale.start, start)),
        )}
        height={height}
        fill="transparent"
      />
      {planting.sow_indoors && (
        <line
          x1={dayToPx(scale, Math.max(scale.start, dayOf(planting.sow_indoors) + shift))}
          x2={dayToPx(scale, Math.max(scale.start, start))}
          y1={base - 1}
          y2={base - 1}
          stroke="var(--leaf)"
          strokeDasharray="1 4"
          strokeWidth={1.6}
        />
      )}
      <path
        d={wedgePath(planting, shift, scale, base, height, start, clear)}
        fill="var(--leaf-wash)"
        stroke={selected ? 'var(--damson)' : 'var(--leaf)'}
        strokeWidth={selected ? 2 : 1.1}
      />
      <path
        d={wedgePath(planting, shift, scale, base, height, start, pick ?? clear)}
        fill={hatchOf(planting.family)}
      />
      {pick !== null && (
        <path
          d={wedgePath(planting, shift, scale, base, height, pick, clear)}
          fill={PICKED}
          opacity={0.75}
        />
      )}
      <text
        x={middle}
        y={base - Math.max(2, height * 0.22)}
        fontSize={12}
        fontWeight={600}
        textAnchor="middle"
        fill={selected ? 'var(--damson)' : 'var(--ink)'}
        className="halo"
        pointerEvents="none"
      >
        {shift === 0 ? planting.mark : `${planting.mark} from ${shortWords(start)}`}
      </text>
    </g>
  );
});

/** The part of a wedge between two days: canopy as a share of its fullest, thinned by picking. */
function wedgePath(
  planting: PlantingReport,
  shift: number,
  scale: TimeScale,
  base: number,
  height: number,
  from: Day,
  to: Day,
): string {
  const { growth } = planting;
  const full = Math.max(...growth.canopy_cm, 0.1);
  const first = dayOf(growth.start) + shift;
  const low = Math.max(from, scale.start);
  const high = Math.min(to, scale.end);
  if (high <= low) return '';
  const thicknessAt = (day: Day) => {
    const at = (day - first) / growth.step_days;
    const before = Math.max(0, Math.min(growth.canopy_cm.length - 1, Math.floor(at)));
    const after = Math.min(growth.canopy_cm.length - 1, before + 1);
    const share = at - before;
    const mix = (values: readonly number[]) =>
      (values[before] ?? 0) * (1 - share) + (values[after] ?? 0) * share;
    return Math.max(0.6, (mix(growth.canopy_cm) / full) * mix(growth.standing) * height);
  };
  const days = [low];
  for (let day = first; day < high; day += growth.step_days) if (day > low) days.push(day);
  days.push(high);
  const upper = days.map(
    (day) => `L${round(dayToPx(scale, day))} ${round(base - thicknessAt(day))}`,
  );
  return `M${round(dayToPx(scale, low))} ${base}${upper.join('')}L${round(dayToPx(scale, high))} ${base}z`;
}
