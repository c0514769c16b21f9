import type { PlaceReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import type { Extent } from '../../kit/useExtent';

interface Props {
  places: readonly PlaceReport[];
  nameOf: (id: string) => string;
  chosen: string | null;
  extent: Extent;
  onChoose: (id: string) => void;
}

const GAP_CM = 36;
const ABOVE_CM = 12;
const SIDE_PX = 16;
const WORDS_PX = 40;
const LETTER_PX = 6.8;

/** Every place cut across at one scale: walls, mix, base, and the ground that roots reach. */
export function Sections({ places, nameOf, chosen, extent, onChoose }: Props) {
  const units = useUnits();
  const widths = places.map(acrossOf);
  const total = widths.reduce((sum, w) => sum + w, 0) + GAP_CM * Math.max(0, places.length - 1);
  const highest = Math.max(...places.map((p) => p.wall_cm), 10) + ABOVE_CM;
  const deepest = Math.max(...places.map((p) => p.layers.loosened_cm + p.layers.native_cm), 10);
  const scale = Math.min(
    (extent.width - 2 * SIDE_PX) / total,
    (extent.height - WORDS_PX) / (highest + deepest),
  );
  if (!Number.isFinite(scale) || scale <= 0) return null;
  const ground = highest * scale;
  const left = (extent.width - total * scale) / 2;
  const starts = widths.map(
    (_, i) => left + widths.slice(0, i).reduce((sum, w) => sum + (w + GAP_CM) * scale, 0),
  );
  return (
    <svg
      className="block h-full w-full"
      viewBox={`0 0 ${extent.width} ${extent.height}`}
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
            aria-label={`${nameOf(place.id)} ${units.volume(place.soil.fill_litres)}`}
            aria-pressed={isChosen}
            className="cursor-pointer"
            onClick={() => onChoose(place.id)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') onChoose(place.id);
            }}
          >
            <rect x={x - 6} y={0} width={w + 12} height={extent.height} fill="transparent" />
            {place.soil.layers.map((layer) => {
              const height = layer.cm * scale;
              const y = top;
              top += height;
              const wood = layer.what === 'coarse woody base';
              return (
                <rect
                  key={layer.what}
                  x={x}
                  y={y}
                  width={w}
                  height={height}
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
              x={x + w / 2}
              y={ground + deepest * scale + 14}
              textAnchor="middle"
              fontSize={12}
              fontWeight={isChosen ? 600 : 400}
              fill={colour}
            >
              {fits(nameOf(place.id), w + GAP_CM * scale) && (
                <tspan>{`${nameOf(place.id)} `}</tspan>
              )}
              <tspan x={x + w / 2} dy={14}>
                {units.volume(place.soil.fill_litres)}
              </tspan>
            </text>
          </g>
        );
      })}
      <path d={`M0 ${ground}H${extent.width}`} stroke="var(--ink)" strokeWidth={0.8} />
    </svg>
  );
}

/** Whether a name has room under its place; the table names them all. */
function fits(name: string, room: number): boolean {
  return name.length * LETTER_PX <= room;
}

function acrossOf(place: PlaceReport): number {
  const [x0, y0, x1, y1] = place.bounds_cm;
  return Math.min(x1 - x0, y1 - y0);
}
