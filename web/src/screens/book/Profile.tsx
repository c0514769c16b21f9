import type { CropPage } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { useExtent } from '../../kit/useExtent';
import { hatchOf } from '../../drawing/Hatches';
import { round } from '../../drawing/outline';

type Crop = CropPage['crop'];

const HEIGHT = 230;
const MARGIN = 14;
const MOST_PX_PER_CM = 3;
const PLANTS = 3;

/** A crop from the side at one scale: its tops, its roots, the soil it wants, its neighbours. */
export function Profile({ crop }: { crop: Crop }) {
  const units = useUnits();
  const [ref, { width }] = useExtent<SVGSVGElement>();
  const deep = Math.max(crop.full_depth_cm, crop.edible_root_cm ?? 0) + 6;
  const across = crop.spacing_cm * (PLANTS - 1) + crop.canopy_cm;
  const labels = 110;
  const px = Math.min(
    MOST_PX_PER_CM,
    (HEIGHT - 2 * MARGIN) / (crop.height_cm + deep),
    Math.max(0.1, (width - labels - 2 * MARGIN) / across),
  );
  const surface = MARGIN + crop.height_cm * px;
  const left = MARGIN + (crop.canopy_cm / 2) * px;
  const right = left + crop.spacing_cm * (PLANTS - 1) * px + (crop.canopy_cm / 2) * px;
  const stems = Array.from({ length: PLANTS }, (_, i) => left + i * crop.spacing_cm * px);
  const depth = (cm: number) => round(surface + cm * px);
  const between = `${units.length(crop.spacing_cm)} apart`;
  return (
    <svg
      ref={ref}
      className="block w-full"
      height={round(depth(deep) + 22)}
      role="img"
      aria-label={`${crop.name} from the side: ${units.length(crop.height_cm)} high, ${units.length(crop.canopy_cm)} wide, ${between}, good soil ${units.length(crop.full_depth_cm)} deep`}
    >
      {width > 0 && (
        <>
          <rect x={0} y={surface} width={right + MARGIN} height={deep * px} fill="var(--bed)" />
          <path d={`M0 ${round(surface)}H${round(right + MARGIN)}`} stroke="var(--ink)" />
          {stems.map((x) => (
            <Plant key={x} crop={crop} x={x} surface={surface} px={px} />
          ))}
          <text
            x={stems[1]}
            y={surface - 4}
            textAnchor="middle"
            fontSize={12.5}
            fontWeight={600}
            fill="var(--ink)"
            className="halo-paper"
          >
            {crop.mark}
          </text>
          <path
            d={`M0 ${depth(crop.least_depth_cm)}H${round(right + MARGIN)}`}
            stroke="var(--ink)"
            strokeDasharray="2 3"
          />
          <path
            d={`M0 ${depth(crop.full_depth_cm)}H${round(right + MARGIN)}`}
            stroke="var(--ink)"
            strokeDasharray="7 3"
          />
          <g fontSize={12.5} fill="var(--ink)">
            <text x={right + MARGIN + 6} y={MARGIN + 4}>
              {`${units.length(crop.height_cm)} high`}
            </text>
            <text
              x={right + MARGIN + 6}
              y={Math.min(depth(crop.least_depth_cm) + 4, depth(crop.full_depth_cm) - 10)}
            >
              {`${units.length(crop.least_depth_cm)} least`}
            </text>
            <text x={right + MARGIN + 6} y={depth(crop.full_depth_cm) + 4}>
              {`${units.length(crop.full_depth_cm)} full`}
            </text>
            <Apart from={stems[0] ?? 0} to={stems[1] ?? 0} y={depth(deep) + 12} text={between} />
          </g>
        </>
      )}
    </svg>
  );
}

interface PlantProps {
  crop: Crop;
  x: number;
  surface: number;
  px: number;
}

function Plant({ crop, x, surface, px }: PlantProps) {
  const [half, high] = [(crop.canopy_cm / 2) * px, crop.height_cm * px];
  const dome = `M${round(x - half)} ${round(surface)}C${round(x - half)} ${round(surface - high * 1.33)} ${round(x + half)} ${round(surface - high * 1.33)} ${round(x + half)} ${round(surface)}z`;
  const reach = crop.full_depth_cm * px;
  const roots = [-0.7, -0.35, 0, 0.35, 0.7]
    .map(
      (lean) =>
        `M${round(x)} ${round(surface)}q${round(lean * half * 0.3)} ${round(reach * 0.5)} ${round(lean * half)} ${round(reach * (1 - 0.25 * Math.abs(lean)))}`,
    )
    .join('');
  const edible = crop.edible_root_cm;
  const thick = Math.max(2, Math.min(half * 0.5, (edible ?? 0) * px * 0.16));
  return (
    <g>
      <path d={dome} fill="var(--ground)" />
      <path d={dome} fill={hatchOf(crop.family)} stroke="var(--leaf)" />
      <path d={roots} fill="none" stroke="var(--root)" strokeWidth={1.2} />
      {edible && (
        <path
          d={`M${round(x - thick)} ${round(surface)}Q${round(x - thick)} ${round(surface + edible * px * 0.6)} ${round(x)} ${round(surface + edible * px)}Q${round(x + thick)} ${round(surface + edible * px * 0.6)} ${round(x + thick)} ${round(surface)}z`}
          fill="var(--paper)"
          stroke="var(--root)"
        />
      )}
    </g>
  );
}

function Apart({ from, to, y, text }: { from: number; to: number; y: number; text: string }) {
  return (
    <>
      <path
        d={`M${round(from)} ${y - 4}v8M${round(to)} ${y - 4}v8M${round(from)} ${y}H${round(to)}`}
        stroke="var(--ink)"
      />
      <text x={to + 6} y={y + 4}>
        {text}
      </text>
    </>
  );
}
