import type { KeyboardEvent, PointerEvent } from 'react';
import { useState } from 'react';

import type { YearReport } from '../api/types';
import { useExtent } from '../kit/useExtent';
import { dayToPx, pxToDay } from '../drawing/scale';
import type { TimeScale } from '../drawing/scale';
import { dateOf, dayOf, monthsWithin, shortWords, words } from '../kit/day';
import type { Day } from '../kit/day';
import { useDay } from './DayContext';

const HEIGHT = 62;
const BASE = 40;
const HOURS_TOP = 10;
export const RULER_MARGIN = 14;

/** The scale that the ruler and the wedges share: same width, same margins. */
export function timeScale(start: number, end: number, width: number): TimeScale {
  return { start, end, left: RULER_MARGIN, width: Math.max(1, width - 2 * RULER_MARGIN) };
}

/** This plan's year in weeks, its frosts and day length, and the day as a plumb line. */
export function SeasonRuler({
  year,
  onFrost,
}: {
  year: YearReport;
  onFrost: (frost: Frost, day: Day) => void;
}) {
  const { day, start, end, setDay, moveDay } = useDay();
  const [ref, { width }] = useExtent<SVGSVGElement>();
  const [dragging, setDragging] = useState(false);
  const [frost, setFrost] = useState<MovedFrost | null>(null);
  const scale = timeScale(start, end, width);

  const dayAt = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    return pxToDay(scale, event.clientX - box.left);
  };
  const stop = () => {
    setDragging(false);
    setFrost(null);
  };
  const onKey = (event: KeyboardEvent) => {
    const step: Record<string, number> = {
      ArrowLeft: -1,
      ArrowRight: 1,
      ArrowDown: -1,
      ArrowUp: 1,
    };
    const by = step[event.key];
    if (by !== undefined) moveDay(by * (event.shiftKey ? 7 : 1));
    else if (event.key === 'Home') setDay(start);
    else if (event.key === 'End') setDay(end);
    else return;
    event.preventDefault();
  };

  return (
    <svg
      ref={ref}
      className="no-print block h-[62px] w-full cursor-ew-resize touch-none select-none"
      role="slider"
      tabIndex={0}
      aria-label="Day of the year"
      aria-valuemin={start}
      aria-valuemax={end}
      aria-valuenow={day}
      aria-valuetext={words(day)}
      onKeyDown={onKey}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        const pressed = frostUnder(event.target);
        if (pressed) {
          setFrost({ frost: pressed, day: dayOf(year[pressed]) });
          return;
        }
        setDragging(true);
        setDay(dayAt(event));
      }}
      onPointerMove={(event) => {
        if (frost) setFrost({ ...frost, day: dayAt(event) });
        else if (dragging) setDay(dayAt(event));
      }}
      onPointerUp={() => {
        if (frost && frost.day !== dayOf(year[frost.frost])) onFrost(frost.frost, frost.day);
        stop();
      }}
      onPointerCancel={stop}
    >
      {width > 0 && (
        <>
          <YearMarks year={year} scale={scale} width={width} moved={frost} />
          <Plumb px={dayToPx(scale, day)} text={words(day)} width={width} />
        </>
      )}
    </svg>
  );
}

/** A frost that can be tried earlier or later by dragging it; the Garden screen takes it as a date. */
type Frost = 'last_frost' | 'first_frost';

interface MovedFrost {
  frost: Frost;
  day: Day;
}

function frostUnder(target: EventTarget): Frost | null {
  const mark = target instanceof Element ? target.closest('[data-frost]') : null;
  const frost = mark?.getAttribute('data-frost');
  return frost === 'last_frost' || frost === 'first_frost' ? frost : null;
}

interface MarksProps {
  year: YearReport;
  scale: TimeScale;
  width: number;
  moved: MovedFrost | null;
}

function YearMarks({ year, scale, width, moved }: MarksProps) {
  const months = monthsWithin(scale.start, scale.end);
  const weeks = Math.floor((scale.end - scale.start) / 7);
  const hours = year.day_hours.map((h, i): [number, number] => [
    dayToPx(scale, dayOf(year.start) + 7 * i),
    BASE - HOURS_TOP - (h / 24) * 30,
  ]);
  const line = hours.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`);
  const narrow = width < 700;
  return (
    <g>
      <clipPath id="ruler-view">
        <rect x={scale.left} y={0} width={scale.width} height={HEIGHT} />
      </clipPath>
      <path
        d={line.join('')}
        fill="none"
        stroke="var(--marigold-line)"
        strokeWidth={1.3}
        clipPath="url(#ruler-view)"
      />
      <line x1={scale.left} x2={scale.left + scale.width} y1={BASE} y2={BASE} stroke="var(--ink)" />
      {Array.from({ length: weeks + 1 }, (_, i) => {
        const x = dayToPx(scale, scale.start + 7 * i);
        return <line key={i} x1={x} x2={x} y1={BASE} y2={BASE + 4} stroke="var(--rule)" />;
      })}
      {weeks <= MOST_WEEKS_IN_DAYS && <Days scale={scale} every={width > 700 ? 1 : 3} />}
      {months.map((month) => {
        const x = dayToPx(scale, month.day);
        return (
          <g key={month.day}>
            <line x1={x} x2={x} y1={BASE} y2={BASE + 11} stroke="var(--ink)" />
            <text x={x + 4} y={BASE + 15} fontSize={12} fill="var(--ink)">
              {narrow ? month.name.slice(0, 3) : month.name}
            </text>
          </g>
        );
      })}
      {(['last_frost', 'first_frost'] as const).map((frost) => (
        <FrostMark
          key={frost}
          scale={scale}
          frost={frost}
          day={moved?.frost === frost ? moved.day : dayOf(year[frost])}
          guessed={year.guessed.includes(frost)}
        />
      ))}
    </g>
  );
}

const MOST_WEEKS_IN_DAYS = 5;
const MONTH_PX = 66;

/** Every day, or every so many, of a stretch that is looked at closely. */
function Days({ scale, every }: { scale: TimeScale; every: number }) {
  const days = Array.from(
    { length: Math.floor((scale.end - scale.start) / every) },
    (_, i) => scale.start + i * every,
  );
  const months = monthsWithin(scale.start, scale.end).map((month) => dayToPx(scale, month.day));
  const clear = (px: number) => months.every((x) => px < x || px > x + MONTH_PX);
  return days
    .filter((day) => clear(dayToPx(scale, day)))
    .map((day) => (
      <text
        key={day}
        x={dayToPx(scale, day)}
        y={BASE + 15}
        fontSize={11}
        fill="var(--muted)"
        textAnchor="middle"
      >
        {dateOf(day)}
      </text>
    ));
}

interface FrostProps {
  scale: TimeScale;
  frost: Frost;
  day: Day;
  guessed: boolean;
}

function FrostMark({ scale, frost, day, guessed }: FrostProps) {
  const side = frost === 'last_frost' ? -1 : 1;
  if (day < scale.start || day > scale.end) return null;
  const x = dayToPx(scale, day);
  return (
    <g data-frost={frost} className="cursor-grab">
      <rect x={x - 9} y={BASE - 14} width={18} height={18} fill="transparent" />
      <path
        d={`M${x - 5} ${BASE}L${x} ${BASE - 9}L${x + 5} ${BASE}z`}
        fill="var(--paper)"
        stroke="var(--ink)"
      />
      <text
        x={x + side * 9}
        y={BASE - 5}
        fontSize={12}
        fill="var(--muted)"
        textAnchor={side < 0 ? 'end' : 'start'}
        className="halo"
      >
        {`${frost.replace('_', ' ')} ${shortWords(day)}${guessed ? ', guessed' : ''}`}
      </text>
    </g>
  );
}

function Plumb({ px, text, width }: { px: number; text: string; width: number }) {
  const left = px > width - 110;
  return (
    <g>
      <line x1={px} x2={px} y1={2} y2={HEIGHT} stroke="var(--damson)" strokeWidth={1.6} />
      <text
        x={left ? px - 7 : px + 7}
        y={13}
        fontSize={14}
        fontWeight={600}
        fill="var(--damson)"
        textAnchor={left ? 'end' : 'start'}
        className="halo"
      >
        {text}
      </text>
    </g>
  );
}
