import type { KeyboardEvent } from 'react';

import type { PlaceReport } from '../../api/types';
import { DrawnSlider } from '../../kit/DrawnSlider';
import { useUnits } from '../../kit/preferences';
import type { Heights } from './Cutaway';

const LEAST_FILL_CM = 5;
const MOST_FILL_CM = 150;
/** The depth beside the section is part of the handle. */
const DEPTH_PX = 46;

export interface Filling {
  /** The fill tried so far; null while nothing is. [cm] */
  cm: number | null;
  tried: (cm: number | null) => void;
  taken: (cm: number) => void;
}

interface Props {
  place: PlaceReport;
  left: number;
  right: number;
  heights: Heights;
  filling: Filling;
}

/** The floor of the mix, to be dragged: the section follows as it goes, by keys as well. */
export function FillSlider({ place, left, right, heights, filling }: Props) {
  const units = useUnits();
  const now = place.layers.fill_cm;
  const y = (cm: number) => heights.surface + cm * heights.soilPxPerCm;
  const leave = () => filling.tried(null);
  const take = () => {
    if (filling.cm !== null) filling.taken(filling.cm);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Enter') take();
    else if (event.key === 'Escape') leave();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <DrawnSlider
      label="Depth of the fill"
      text={units.length(now)}
      value={now}
      min={LEAST_FILL_CM}
      max={MOST_FILL_CM}
      downward
      byHandle
      style={{
        left: left - DEPTH_PX,
        width: right - left + DEPTH_PX,
        top: y(LEAST_FILL_CM),
        height: y(MOST_FILL_CM) - y(LEAST_FILL_CM),
      }}
      onChange={filling.tried}
      onKeyDown={onKeyDown}
      onDropped={take}
      onLeft={leave}
    />
  );
}
