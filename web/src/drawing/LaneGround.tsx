import { memo } from 'react';

import type { IdleSpell, RestSpell } from '../api/types';
import { dayToPx } from './scale';
import type { TimeScale } from './scale';
import { dayOf, shortWords } from '../kit/day';
import type { Gap, Strip } from './lanes';

const REST_LETTER_PX = 5;

interface GroundProps {
  place: string;
  strip: Strip;
  scale: TimeScale;
  base: number;
  height: number;
  onGap: (gap: Gap) => void;
}

/** A lane without its wedges: its ground line, where it stands idle, and where it rests. */
export const LaneGround = memo(function LaneGround(props: GroundProps) {
  const { scale, base } = props;
  return (
    <>
      <line
        x1={scale.left}
        x2={scale.left + scale.width}
        y1={base}
        y2={base}
        stroke="var(--faint)"
      />
      <IdleGaps {...props} />
      <Rests {...props} />
    </>
  );
});

/** Ground that is left free on purpose, with its reason where there is room for it. */
function Rests({ strip, scale, base, height }: GroundProps) {
  const { idle } = strip;
  const { plantings } = strip.lane;
  return strip.rests.map((rest: RestSpell) => {
    const from = dayToPx(scale, Math.max(scale.start, dayOf(rest.since)));
    const to = dayToPx(scale, Math.min(scale.end, dayOf(rest.until)));
    if (to <= from) return null;
    const meanwhile = (start: string, end: string) =>
      dayOf(start) < dayOf(rest.until) && dayOf(end) > dayOf(rest.since);
    const alone =
      !plantings.some((p) => meanwhile(p.start_date, p.clear_date ?? '')) &&
      !idle.some((spell) => meanwhile(spell.start, spell.end));
    const fits = alone && to - from > rest.reason.length * REST_LETTER_PX;
    return (
      <g key={`${rest.since}${rest.cells.join()}`} pointerEvents="none">
        <title>{rest.reason}</title>
        <line
          x1={from}
          x2={to}
          y1={base - 1.5}
          y2={base - 1.5}
          stroke="var(--undug)"
          strokeWidth={2}
          strokeDasharray="1 3"
        />
        {fits && (
          <text
            x={from + 3}
            y={base - Math.max(3, height * 0.25)}
            fontSize={10}
            fill="var(--muted)"
          >
            {rest.reason}
          </text>
        )}
      </g>
    );
  });
}

/** Weeks in which the whole lane's ground stands empty in growing weather. */
function IdleGaps({ place, strip, scale, base, height, onGap }: GroundProps) {
  const inView = (spell: IdleSpell) =>
    dayOf(spell.end) > scale.start && dayOf(spell.start) < scale.end;
  const gaps = strip.idle.filter(inView);
  return (
    <g>
      {gaps.map((spell) => {
        const from = dayToPx(scale, Math.max(scale.start, dayOf(spell.start)));
        const to = dayToPx(scale, Math.min(scale.end, dayOf(spell.end)));
        const weeks = Math.floor((dayOf(spell.end) - dayOf(spell.start)) / 7);
        const ask = () => onGap({ place, cells: spell.cells, since: spell.start });
        return (
          <g
            key={`${spell.start}${spell.cells.join()}`}
            role="button"
            tabIndex={0}
            className="cursor-pointer"
            aria-label={`${weeks} weeks idle, ${spell.cells[0] ?? ''} and ${spell.cells.length - 1} more from ${shortWords(dayOf(spell.start))}: what can follow?`}
            onClick={ask}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' && event.key !== ' ') return;
              event.preventDefault();
              event.stopPropagation();
              ask();
            }}
          >
            <rect
              x={from}
              y={base - height}
              width={Math.max(0, to - from)}
              height={height}
              fill="transparent"
            />
            <rect
              x={from}
              y={base - height * 0.6}
              width={Math.max(0, to - from)}
              height={height * 0.6}
              fill="none"
              stroke="var(--marigold-line)"
              strokeDasharray="2 3"
              strokeWidth={1.3}
            />
            {to - from > 60 && (
              <text
                x={(from + to) / 2}
                y={base - height * 0.6 + Math.min(11, height * 0.5)}
                textAnchor="middle"
                fontSize={10.5}
                fill="var(--marigold)"
                className="halo"
              >
                {`${weeks} weeks idle`}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
