import { useMemo } from 'react';

import { Wedges } from '../../drawing/Wedges';
import { dayOf } from '../../kit/day';
import { useExtent } from '../../kit/useExtent';
import { useDay } from '../../shared/DayContext';
import { timeScale } from '../../shared/SeasonRuler';
import type { Bench } from './useBench';

/** The place's plantings through the year, below its drawing. */
export function BenchStrip({ bench }: { bench: Bench }) {
  const { start, end } = useDay();
  const [strip, extent] = useExtent<HTMLDivElement>();
  const scale = useMemo(() => timeScale(start, end, extent.width), [start, end, extent.width]);
  const { place, plantings, day, chosen, gesture, send } = bench;
  return (
    <div ref={strip} className="strip border-t border-rule">
      <svg
        className="block h-full w-full touch-none select-none"
        viewBox={`0 0 ${extent.width} ${extent.height}`}
        role="group"
        aria-label="Plantings through the year"
      >
        {extent.width > 0 && (
          <Wedges
            place={place}
            plantings={plantings}
            scale={scale}
            height={extent.height}
            day={day}
            selected={chosen.planting}
            gesture={gesture}
            send={send}
            onRelease={bench.release}
            onSelect={bench.selectPlanting}
            onGap={(gap) => {
              bench.setDay(dayOf(gap.since));
              bench.choose(gap.cells, chosen.anchor, null);
            }}
          />
        )}
      </svg>
      {plantings.length === 0 && (
        <p className="absolute top-14 px-4 text-muted">
          Nothing planted yet: choose squares above, then a crop; or plant a whole bed from the
          right.
        </p>
      )}
    </div>
  );
}
