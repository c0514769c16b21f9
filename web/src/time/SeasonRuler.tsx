import type { KeyboardEvent, PointerEvent } from 'react';
import { useState } from 'react';

import type { YearReport } from '../api/types';
import { useExtent } from '../app/useExtent';
import { dayToPx, pxToDay } from '../drawing/scale';
import type { TimeScale } from '../drawing/scale';
import { dayOf, monthsWithin, shortWords, words } from './day';
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
export function SeasonRuler({ year }: { year: YearReport }) {
  const { day, start, end, setDay } = useDay();
  const [ref, { width }] = useExtent<SVGSVGElement>();
  const [dragging, setDragging] = useState(false);
  const scale = timeScale(start, end, width);

  const toDay = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    setDay(pxToDay(scale, event.clientX - box.left));
  };
  const onKey = (event: KeyboardEvent) => {
    const step: Record<string, number> = {
      ArrowLeft: -1,
      ArrowRight: 1,
      ArrowDown: -1,
      ArrowUp: 1,
    };
    const by = step[event.key];
    if (by !== undefined) setDay(day + by * (event.shiftKey ? 7 : 1));
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
        setDragging(true);
        toDay(event);
      }}
      onPointerMove={(event) => {
        if (dragging) toDay(event);
      }}
      onPointerUp={() => setDragging(false)}
      onPointerCancel={() => setDragging(false)}
    >
      {width > 0 && (
        <>
          <YearMarks year={year} scale={scale} width={width} />
          <Plumb px={dayToPx(scale, day)} text={words(day)} width={width} />
        </>
      )}
    </svg>
  );
}

function YearMarks({ year, scale, width }: { year: YearReport; scale: TimeScale; width: number }) {
  const months = monthsWithin(scale.start, scale.end);
  const weeks = Math.floor((scale.end - scale.start) / 7);
  const hours = year.day_hours.map((h, i): [number, number] => [
    dayToPx(scale, Math.min(scale.end, scale.start + 7 * i)),
    BASE - HOURS_TOP - (h / 24) * 30,
  ]);
  const line = hours.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`);
  const narrow = width < 700;
  return (
    <g>
      <path d={line.join('')} fill="none" stroke="var(--marigold-line)" strokeWidth={1.3} />
      <line x1={scale.left} x2={scale.left + scale.width} y1={BASE} y2={BASE} stroke="var(--ink)" />
      {Array.from({ length: weeks + 1 }, (_, i) => {
        const x = dayToPx(scale, scale.start + 7 * i);
        return <line key={i} x1={x} x2={x} y1={BASE} y2={BASE + 4} stroke="var(--rule)" />;
      })}
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
      <FrostMark
        scale={scale}
        iso={year.last_frost}
        text="last frost"
        guessed={year.guessed}
        side={-1}
      />
      <FrostMark
        scale={scale}
        iso={year.first_frost}
        text="first frost"
        guessed={year.guessed}
        side={1}
      />
    </g>
  );
}

interface FrostProps {
  scale: TimeScale;
  iso: string;
  text: string;
  guessed: readonly string[];
  side: -1 | 1;
}

function FrostMark({ scale, iso, text, guessed, side }: FrostProps) {
  const day = dayOf(iso);
  if (day < scale.start || day > scale.end) return null;
  const x = dayToPx(scale, day);
  const unsure = guessed.includes(text.replace(' ', '_')) ? ', guessed' : '';
  return (
    <g>
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
        {`${text} ${shortWords(day)}${unsure}`}
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
