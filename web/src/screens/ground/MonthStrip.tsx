import { memo } from 'react';

import type { PlaceReport, Site, SunMap } from '../../api/types';
import { ring } from './held';
import { Tones } from './SunLayer';
import { boundsOf, fitYard } from './yardScale';
import type { YardScale } from './yardScale';
import { SHORT_MONTHS } from '../../kit/day';

const SMALL = { width: 68, height: 50 };

interface Props {
  map: SunMap | undefined;
  site: Site;
  place: PlaceReport | undefined;
  month: number;
  onMonth: (month: number) => void;
}

/** The yard twelve times, small: where the sun falls in each month. */
export function MonthStrip({ map, site, place, month, onMonth }: Props) {
  if (!map || !site.outline_m) return null;
  const scale = fitYard(boundsOf(site.outline_m), SMALL, 0);
  return (
    <ol className="flex flex-wrap gap-x-2.5 gap-y-1">
      {SHORT_MONTHS.map((name, index) => (
        <li key={name}>
          <button
            type="button"
            onClick={() => onMonth(index)}
            aria-pressed={index === month}
            className={`block ${index === month ? 'text-damson' : ''}`}
          >
            <Small
              map={map}
              layer={index}
              scale={scale}
              site={site}
              place={place}
              now={index === month}
            />
            <span className="flex justify-between text-[12px]">
              <span className={index === month ? 'font-semibold' : ''}>{name}</span>
              {place?.sun && <span>{(place.sun.hours[index] ?? 0).toFixed(1)}</span>}
            </span>
          </button>
        </li>
      ))}
    </ol>
  );
}

const Small = memo(function Small({
  map,
  layer,
  scale,
  site,
  place,
  now,
}: {
  map: SunMap;
  layer: number;
  scale: YardScale;
  site: Site;
  place: PlaceReport | undefined;
  now: boolean;
}) {
  const outline = ring(scale, site.outline_m ?? []);
  return (
    <svg width={SMALL.width} height={SMALL.height} aria-hidden="true">
      <clipPath id={`month-clip-${layer}`}>
        <path d={outline} />
      </clipPath>
      <g clipPath={`url(#month-clip-${layer})`}>
        <Tones map={map} layer={layer} scale={scale} />
      </g>
      <path
        d={outline}
        fill="none"
        stroke={now ? 'var(--damson)' : 'var(--rule)'}
        strokeWidth={now ? 2.5 : 1}
      />
      {place && place.ground.outer_m.length > 0 && (
        <path
          d={ring(scale, place.ground.outer_m)}
          fill="none"
          stroke="var(--damson)"
          strokeWidth={1.2}
        />
      )}
    </svg>
  );
});
