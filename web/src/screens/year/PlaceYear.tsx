import { memo, useMemo } from 'react';
import { Link } from 'react-router';

import type { PlaceReport, PlantingReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { grouped, squareWeeks } from '../../kit/units';
import type { TimeScale } from '../../drawing/scale';
import type { Gesture, Input } from '../../drawing/gesture';
import { lanesOf } from '../../drawing/lanes';
import type { Gap } from '../../drawing/lanes';
import { Wedges } from '../../drawing/Wedges';

const LANE_PX = 15.5;

interface PlaceProps {
  slug: string;
  name: string;
  place: PlaceReport;
  plantings: readonly PlantingReport[];
  scale: TimeScale;
  width: number;
  gesture: Gesture;
  selected: string | null;
  day: number;
  send: (input: Input) => void;
  onRelease: (done: Gesture) => void;
  onSelect: (planting: string) => void;
  onGap: (gap: Gap) => void;
}

/** One place's ground through time, with what it gives and what of it stands idle. */
export const PlaceYear = memo(function PlaceYear(props: PlaceProps) {
  const { slug, name, place, plantings, scale, width, ...wedges } = props;
  const units = useUnits();
  const lanes = useMemo(
    () => lanesOf(plantings, [...place.idle, ...place.rests]).length,
    [plantings, place],
  );
  const height = Math.max(1, lanes) * LANE_PX + 8;
  const { p10, p90 } = place.harvest_kg;
  const idle = Math.round(place.idle_cell_weeks - place.rested_cell_weeks);
  return (
    <section aria-label={name} className="contain-content border-b border-rule">
      <p className="flex items-baseline gap-4 px-[14px] pt-1">
        <Link className="font-semibold" to={`/gardens/${slug}/squares/${place.id}`}>
          {name}
        </Link>
        <span className="text-[13px] text-muted">{units.area(place.inside_area_m2)}</span>
        <span className="text-[13px]">{`${units.weight(p10)}–${units.weight(p90)} ${units.weightUnit}`}</span>
        {idle > 0 && (
          <span className={`text-[13px] ${place.idle.length > 0 ? 'text-marigold' : 'text-muted'}`}>
            {place.idle.length > 0 ? `${squareWeeks(idle)} idle` : `${grouped(idle)} in short gaps`}
          </span>
        )}
      </p>
      <svg
        className="block touch-pan-y select-none"
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label={`${name} through the year`}
      >
        {width > 0 && (
          <Wedges place={place} plantings={plantings} scale={scale} height={height} {...wedges} />
        )}
      </svg>
    </section>
  );
});
