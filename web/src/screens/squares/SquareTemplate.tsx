import type { PlantingMarks } from '../../api/types';

const MOST_TILE_CM = 16;
const MARGIN_MM = 6;
const CHECK_MM = 100;

interface Props {
  marks: PlantingMarks;
  /** A square's sides along the width and the length of its place, which runs across the page. */
  pitch: readonly [number, number];
}

/** A square in sheets that any printer holds, each plant a cross to prick through. */
export function SquareTemplate({ marks, pitch }: Props) {
  const tiles = Math.ceil(Math.max(...pitch) / MOST_TILE_CM);
  const [highMm, wideMm] = [(pitch[0] * 10) / tiles, (pitch[1] * 10) / tiles];
  const each = Array.from({ length: tiles * tiles }, (_, i) => ({
    column: i % tiles,
    row: Math.floor(i / tiles),
  }));
  return (
    <div className="mt-2 flex flex-wrap gap-4">
      <p className="no-print w-full text-muted">
        {`Print at full size, without fitting to the page; the bar must measure ${CHECK_MM / 10} cm. ` +
          `${each.length} sheets, laid edge to edge.`}
      </p>
      {each.map(({ column, row }) => (
        <svg
          key={`${column} ${row}`}
          className="template-sheet max-sm:h-auto max-sm:max-w-full"
          width={`${wideMm + 2 * MARGIN_MM}mm`}
          height={`${highMm + 2 * MARGIN_MM + 10}mm`}
          viewBox={`${-MARGIN_MM} ${-MARGIN_MM} ${wideMm + 2 * MARGIN_MM} ${highMm + 2 * MARGIN_MM + 10}`}
          role="img"
          aria-label={`${marks.name}, sheet ${row * tiles + column + 1} of ${each.length}`}
        >
          <rect width={wideMm} height={highMm} fill="none" stroke="var(--ink)" strokeWidth={0.3} />
          {marks.template_cm.map(([x, y]) => {
            const cx = y * 10 - column * wideMm;
            const cy = x * 10 - row * highMm;
            const here = cx >= -2 && cx <= wideMm + 2 && cy >= -2 && cy <= highMm + 2;
            return here ? (
              <g key={`${x} ${y}`} stroke="var(--ink)" strokeWidth={0.4} fill="none">
                <circle cx={cx} cy={cy} r={3} />
                <path d={`M${cx - 5} ${cy}h10M${cx} ${cy - 5}v10`} />
              </g>
            ) : null;
          })}
          <path
            d={`M0 ${highMm + 4}v3h${CHECK_MM}v-3`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={0.4}
          />
          <text x={CHECK_MM + 2} y={highMm + 8} fontSize={4} fill="var(--ink)">
            {`10 cm · ${marks.mark} · ${row * tiles + column + 1} of ${each.length}`}
          </text>
        </svg>
      ))}
    </div>
  );
}
