import type { PlaceReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';

interface Props {
  places: readonly PlaceReport[];
  nameOf: (id: string) => string;
  chosen: string | null;
  width: number;
  onChoose: (id: string) => void;
}

const MOST_PX = 170;
const GAP_CM = 36;
const ABOVE_CM = 12;
const SIDE_PX = 16;
const LINE_PX = 14;
const LETTER_PX = 6.8;

/** Every place cut across at one scale: walls, mix, base, and the ground that roots reach. */
export function Sections({ places, nameOf, chosen, width, onChoose }: Props) {
  const units = useUnits();
  const widths = places.map(acrossOf);
  const total = widths.reduce((sum, w) => sum + w, 0) + GAP_CM * Math.max(0, places.length - 1);
  const highest = Math.max(...places.map((p) => p.wall_cm), 10) + ABOVE_CM;
  const deepest = Math.max(...places.map((p) => p.layers.loosened_cm + p.layers.native_cm), 10);
  const broadest = (width - 2 * SIDE_PX) / total;
  const words = places.map((place, i) => {
    const room = ((widths[i] ?? 0) + GAP_CM) * broadest;
    const litres = units.bulk(place.soil.fill_litres);
    // A narrow pot's litres would be cut in two; they stand in the table below.
    const fits = litres.length * LETTER_PX <= room;
    return [...wrapped(nameOf(place.id), room), ...(fits ? [litres] : [])];
  });
  const wordsPx = LINE_PX * (Math.max(...words.map((lines) => lines.length)) + 1);
  const scale = Math.min(broadest, (MOST_PX - wordsPx) / (highest + deepest));
  if (!Number.isFinite(scale) || scale <= 0) return null;
  const ground = highest * scale;
  const height = ground + deepest * scale + wordsPx;
  const left = (width - total * scale) / 2;
  const starts = widths.map(
    (_, i) => left + widths.slice(0, i).reduce((sum, w) => sum + (w + GAP_CM) * scale, 0),
  );
  return (
    <svg
      className="block"
      width={width}
      height={height}
      role="group"
      aria-label="Places cut across, at one scale"
    >
      {places.map((place, i) => {
        const x = starts[i] ?? 0;
        const w = (widths[i] ?? 0) * scale;
        const isChosen = place.id === chosen;
        const colour = isChosen ? 'var(--damson)' : 'var(--ink)';
        const wall = place.wall_cm * scale;
        const foot = place.soil.layers.reduce((sum, layer) => sum + layer.cm, 0);
        let top = ground - foot * scale;
        const { loosened_cm: loosened, native_cm: native } = place.layers;
        return (
          <g
            key={place.id}
            role="button"
            tabIndex={0}
            aria-label={`${nameOf(place.id)} ${units.bulk(place.soil.fill_litres)}`}
            aria-pressed={isChosen}
            className="cursor-pointer"
            onClick={() => onChoose(place.id)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') onChoose(place.id);
            }}
          >
            <rect x={x - 6} y={0} width={w + 12} height={height} fill="transparent" />
            {place.soil.layers.map((layer) => {
              const thick = layer.cm * scale;
              const y = top;
              top += thick;
              const wood = layer.what === 'coarse woody base';
              return (
                <rect
                  key={layer.what}
                  x={x}
                  y={y}
                  width={w}
                  height={thick}
                  fill={wood ? 'url(#hatch-wood)' : 'var(--mix)'}
                />
              );
            })}
            <rect x={x} y={ground} width={w} height={loosened * scale} fill="var(--loosened)" />
            <rect
              x={x}
              y={ground + loosened * scale}
              width={w}
              height={native * scale}
              fill="var(--undug)"
              opacity={0.55}
            />
            <path
              d={`M${x} ${ground - wall}V${ground}M${x + w} ${ground - wall}V${ground}`}
              stroke={colour}
              strokeWidth={isChosen ? 4 : 3}
              fill="none"
            />
            {(place.bottom === 'lined' || place.bottom === 'closed') && (
              <path d={`M${x} ${ground}H${x + w}`} stroke={colour} strokeWidth={2} />
            )}
            {place.bottom === 'mesh' && (
              <path
                d={`M${x} ${ground}H${x + w}`}
                stroke={colour}
                strokeWidth={1.5}
                strokeDasharray="3 3"
              />
            )}
            <text
              y={ground + deepest * scale}
              textAnchor="middle"
              fontSize={12}
              fontWeight={isChosen ? 600 : 400}
              fill={colour}
            >
              {words[i]?.map((line, row) => (
                <tspan key={row} x={x + w / 2} dy={LINE_PX}>
                  {`${line} `}
                </tspan>
              ))}
            </text>
          </g>
        );
      })}
      <path d={`M0 ${ground}H${width}`} stroke="var(--ink)" strokeWidth={0.8} />
    </svg>
  );
}

/** Words in as many lines as the room under its place asks for, parted between its words. */
function wrapped(name: string, room: number): string[] {
  const lines: string[] = [];
  for (const word of name.split(' ')) {
    const longer = [lines.at(-1), word].filter(Boolean).join(' ');
    if (lines.length > 0 && longer.length * LETTER_PX <= room) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}

function acrossOf(place: PlaceReport): number {
  const [x0, y0, x1, y1] = place.bounds_cm;
  return Math.min(x1 - x0, y1 - y0);
}
