import type { SetOutSheet } from '../../api/types';
import { useExtent } from '../../kit/useExtent';
import { rowsOf } from './runningLabels';

type Placed = SetOutSheet['places'][number];
type Stake = Placed['stakes'][number];

interface Props {
  sheet: SetOutSheet;
  length: (m: number) => string;
}

const EDGE_PX = 26;
const AXIS_PX = 64;
const MOST_HIGH_PX = 360;
// A place is named inside where its name fits, and beside it where not.
const ONE_LINE_PX = 14;
const TWO_LINES_PX = 36;
const ROW_PX = 14;
const LETTER_PX = 6;
const BOLD_LETTER_PX = 7;

/**
 * The stakes from above, the base line at the foot: running measures along it and square off it,
 * as the tape reads them, and the diagonals that prove each rectangle.
 */
export function SetOutDrawing({ sheet, length }: Props) {
  const [box, extent] = useExtent<HTMLDivElement>();
  const stakes = sheet.places.flatMap((place) => place.stakes);
  // An outline that runs clockwise has its ground on the other side of its first line.
  const side = stakes.reduce((sum, stake) => sum + stake.off_m, 0) < 0 ? -1 : 1;
  const far = Math.max(1, ...sheet.places.map((place) => farthest(place, side)));
  const least = Math.min(0, ...stakes.map((stake) => stake.along_m));
  const most = Math.max(sheet.base_m, ...stakes.map((stake) => stake.along_m));
  const scale = Math.max(
    4,
    Math.min((extent.width - AXIS_PX - EDGE_PX) / (most - least), MOST_HIGH_PX / far),
  );
  const foot = EDGE_PX + far * scale;
  const x = (m: number) => AXIS_PX + (m - least) * scale;
  const y = (m: number) => foot - side * m * scale;
  const along = ticks([0, sheet.base_m, ...stakes.map((stake) => stake.along_m)], length);
  const rows = rowsOf(along.map(([m, text]) => [x(m), text.length * LETTER_PX]));
  const deepest = Math.max(...rows) + 1;
  return (
    <div ref={box} className="mb-3">
      <svg
        role="img"
        aria-label={`The stakes from above: ${sheet.places.map((place) => place.name).join(', ')}. Every measure is in the table below.`}
        width={extent.width}
        height={foot + 14 + deepest * ROW_PX}
        fontSize={11.5}
        className="block"
      >
        {sheet.places.map((place) => (
          <PlaceStakes
            key={place.place}
            place={place}
            {...{ x, y, scale, foot, length }}
            x0={AXIS_PX - 6}
            room={extent.width}
          />
        ))}
        <OffAxis stakes={stakes} {...{ x: AXIS_PX, y, length }} />
        <g stroke="var(--damson)" fill="var(--damson)">
          <path d={`M${x(0)} ${foot}H${x(sheet.base_m)}`} strokeWidth={2} />
          <text x={x(0)} y={foot - 5} textAnchor="middle" stroke="none" fontWeight={700}>
            S
          </text>
          <text x={x(sheet.base_m)} y={foot - 5} textAnchor="middle" stroke="none" fontWeight={700}>
            E
          </text>
          {along.map(([m, text], i) => (
            <g key={text}>
              <path d={`M${x(m)} ${foot - 4}v${8 + (rows[i] ?? 0) * ROW_PX}`} />
              <text
                x={x(m)}
                y={foot + 15 + (rows[i] ?? 0) * ROW_PX}
                textAnchor="middle"
                stroke="none"
              >
                {text}
              </text>
            </g>
          ))}
        </g>
      </svg>
    </div>
  );
}

/** How far a place reaches from its middle, one way. [px] */
function reachOf(place: Placed, away: (stake: Stake) => number, scale: number): number {
  return place.radius_m === null ? Math.max(...place.stakes.map(away)) : place.radius_m * scale;
}

function farthest(place: Placed, side: number): number {
  const off = Math.max(...place.stakes.map((stake) => side * stake.off_m));
  return off + (place.radius_m ?? 0);
}

/** Each measure once, as it is written, in order. */
function ticks(values: readonly number[], length: (m: number) => string): [number, string][] {
  const written = new Map([...values].sort((a, b) => a - b).map((m) => [length(m), m] as const));
  return [...written].map(([text, m]) => [m, text]);
}

interface PlaceProps extends DrawnProps {
  place: Placed;
  scale: number;
  /** Where the axes stand. [px] */
  x0: number;
  foot: number;
  /** The width that there is. [px] */
  room: number;
}

interface DrawnProps {
  x: (m: number) => number;
  y: (m: number) => number;
  length: (m: number) => string;
}

function PlaceStakes({ place, scale, x, y, x0, foot, room, length }: PlaceProps) {
  const at = (stake: Stake) => [x(stake.along_m), y(stake.off_m)] as const;
  const [first] = place.stakes;
  if (!first) return null;
  const [left, top] = at(first);
  const middle = [
    mean(place.stakes.map((stake) => x(stake.along_m))),
    mean(place.stakes.map((stake) => y(stake.off_m))),
  ] as const;
  const across = place.radius_m === null ? place.stakes[2] : undefined;
  const half = reachOf(place, (stake) => middle[1] - y(stake.off_m), scale);
  const side = reachOf(place, (stake) => middle[0] - x(stake.along_m), scale);
  const proof =
    place.radius_m === null
      ? place.diagonals_m[0] !== undefined && `diagonals ${length(place.diagonals_m[0])}`
      : `string ${length(place.radius_m)}`;
  const fits = (text: string, highPx: number) =>
    2 * half >= highPx && 2 * side >= text.length * LETTER_PX;
  const inside = fits(place.name, ONE_LINE_PX);
  const right = middle[0] + side + 14;
  const beside = right + place.name.length * BOLD_LETTER_PX <= room ? right : middle[0] - side - 14;
  const both = inside && proof && fits(proof, TWO_LINES_PX);
  return (
    <g fill="var(--ink)">
      {place.stakes.map((stake) => (
        <path
          key={stake.name}
          d={`M${x0} ${at(stake)[1]}H${at(stake)[0]}V${foot}`}
          stroke="var(--faint)"
          fill="none"
        />
      ))}
      {place.radius_m === null ? (
        <polygon
          points={place.stakes.map((stake) => at(stake).join(',')).join(' ')}
          fill="var(--bed)"
          stroke="var(--ink)"
        />
      ) : (
        <circle
          cx={left}
          cy={top}
          r={place.radius_m * scale}
          fill="var(--bed)"
          stroke="var(--ink)"
        />
      )}
      {across && place.diagonals_m.length > 0 && (
        <path
          d={`M${left} ${top}L${at(across).join(' ')}`}
          stroke="var(--muted)"
          strokeDasharray="5 3"
        />
      )}
      {place.stakes.map((stake) => {
        const [px, py] = at(stake);
        return (
          <g key={stake.name}>
            <circle cx={px} cy={py} r={2.6} fill="var(--damson)" />
            <text
              x={px + (px < middle[0] ? -5 : 5)}
              y={py + (py <= middle[1] ? -4 : 11)}
              textAnchor={px < middle[0] ? 'end' : 'start'}
              className="halo-sun"
            >
              {place.radius_m === null ? stake.name : ''}
            </text>
          </g>
        );
      })}
      <text
        x={inside ? middle[0] : beside}
        y={middle[1] + (both ? -2 : 4)}
        textAnchor={inside ? 'middle' : beside > middle[0] ? 'start' : 'end'}
        fontWeight={600}
        className="halo-sun"
      >
        {place.name}
      </text>
      {both && (
        <text x={middle[0]} y={middle[1] + 12} textAnchor="middle" className="halo-sun">
          {proof}
        </text>
      )}
    </g>
  );
}

/** How far off the base line each stake is, up the left side. */
function OffAxis({
  stakes,
  x,
  y,
  length,
}: { stakes: readonly Stake[]; x: number } & Omit<DrawnProps, 'x'>) {
  const off = ticks(
    stakes.map((stake) => stake.off_m),
    length,
  ).sort((a, b) => y(a[0]) - y(b[0]));
  const rows = rowsOf(off.map(([m]) => [y(m), ROW_PX]));
  return (
    <g stroke="var(--damson)" fill="var(--damson)">
      {off.map(([m, text], i) =>
        // What does not fit beside its neighbours is read from the table.
        (rows[i] ?? 0) > 0 ? null : (
          <g key={text}>
            <path d={`M${x - 14} ${y(m)}h8`} />
            <text x={x - 18} y={y(m) + 4} textAnchor="end" stroke="none">
              {text}
            </text>
          </g>
        ),
      )}
    </g>
  );
}

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;
