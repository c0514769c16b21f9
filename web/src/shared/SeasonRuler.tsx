import type { KeyboardEvent, PointerEvent } from 'react';
import { useState } from 'react';

import type { YearReport } from '../api/types';
import { DrawnSlider } from '../kit/DrawnSlider';
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
  const [ref, { width }] = useExtent<HTMLDivElement>();
  const scale = timeScale(start, end, width);
  const onKeyDown = (event: KeyboardEvent) => {
    const by = DAYS_BY_KEY[event.key];
    if (by === undefined) return;
    moveDay(by * (event.shiftKey ? 7 : 1));
    event.preventDefault();
  };
  return (
    <div ref={ref} className="drawn no-print relative h-[62px] w-full cursor-ew-resize">
      {width > 0 && (
        <>
          <DrawnSlider
            label="Day of the year"
            text={words(day)}
            value={day}
            min={start}
            max={end}
            style={{ left: scale.left, width: scale.width, top: 0, bottom: 0 }}
            onChange={setDay}
            onKeyDown={onKeyDown}
          />
          <svg className="pointer-events-none absolute inset-0 h-full w-full select-none">
            <YearMarks year={year} scale={scale} width={width} onFrost={onFrost} />
            <Plumb px={dayToPx(scale, day)} text={words(day)} width={width} />
          </svg>
        </>
      )}
    </div>
  );
}

const DAYS_BY_KEY: Record<string, number> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowUp: 1,
  PageUp: -7,
  PageDown: 7,
};

/** A frost that can be tried earlier or later by dragging it; the Garden screen takes it as a date. */
type Frost = 'last_frost' | 'first_frost';

interface MarksProps {
  year: YearReport;
  scale: TimeScale;
  width: number;
  onFrost: (frost: Frost, day: Day) => void;
}

function YearMarks({ year, scale, width, onFrost }: MarksProps) {
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
          expected={dayOf(year[frost])}
          guessed={year.guessed.includes(frost)}
          narrow={narrow}
          onFrost={onFrost}
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
  expected: Day;
  guessed: boolean;
  /** Little room: which frost it is, is seen from where it stands. */
  narrow: boolean;
  onFrost: (frost: Frost, day: Day) => void;
}

/** A frost's mark: dragged along the ruler, it is tried on another day. */
function FrostMark({ scale, frost, expected, guessed, narrow, onFrost }: FrostProps) {
  const [tried, setTried] = useState<Day | null>(null);
  const side = frost === 'last_frost' ? -1 : 1;
  const day = tried ?? expected;
  const dayAt = (event: PointerEvent<SVGGElement>) => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    return pxToDay(scale, event.clientX - (box?.left ?? 0));
  };
  if (day < scale.start || day > scale.end) return null;
  const x = dayToPx(scale, day);
  return (
    <g
      data-frost={frost}
      className="pointer-events-auto cursor-grab touch-none"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setTried(expected);
      }}
      onPointerMove={(event) => {
        if (tried !== null) setTried(dayAt(event));
      }}
      onPointerUp={() => {
        if (tried !== null && tried !== expected) onFrost(frost, tried);
        setTried(null);
      }}
      onPointerCancel={() => setTried(null)}
    >
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
        {`${narrow ? 'frost' : frost.replace('_', ' ')} ${shortWords(day)}${guessed ? ', guessed' : ''}`}
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
