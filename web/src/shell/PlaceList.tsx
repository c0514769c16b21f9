import { NavLink } from 'react-router';

import type { HeldGarden } from '../api/merge';
import type { PlaceReport } from '../api/types';
import { useUnits } from '../kit/preferences';
import { polygonPath } from '../drawing/outline';

/** All places, each with its outline at one common scale and what it is likely to give. */
export function PlaceList({ state }: { state: HeldGarden }) {
  const units = useUnits();
  const longest = Math.max(
    1,
    ...state.report.places.map((p) => Math.max(p.bounds_cm[3] - p.bounds_cm[1], 1)),
  );
  return (
    <section aria-label="Places" className="places mt-3 border-t border-rule pt-2">
      <h2 className="flex justify-between px-3 text-[13px] text-muted">
        <span>Places</span>
        <span className="font-sans font-normal">{`likely ${units.weightUnit}`}</span>
      </h2>
      <ul>
        {state.report.places.map((place) => {
          const name = state.plan.places.find((p) => p.id === place.id)?.name ?? place.id;
          const stop = state.report.notes.some((n) => n.place === place.id && n.level === 'stop');
          return (
            <li key={place.id}>
              <NavLink
                to={`/gardens/${state.head.slug}/squares/${encodeURIComponent(place.id)}`}
                className={({ isActive }) =>
                  `flex min-h-[28px] items-center gap-1.5 px-3 ${isActive ? 'bg-wash font-semibold text-damson' : ''}`
                }
              >
                <Thumb place={place} longest={longest} />
                <span className="grow truncate">{name}</span>
                {stop && (
                  <svg width={9} height={9} role="img" aria-label="has something to stop for">
                    <rect width={9} height={9} fill="var(--damson)" />
                  </svg>
                )}
                <span className="whitespace-nowrap text-[13px] font-normal text-muted">
                  {units.weight(place.harvest_kg.p50)}
                </span>
              </NavLink>
            </li>
          );
        })}
      </ul>
      <NavLink
        to={`/gardens/${state.head.slug}/places/new`}
        className="press mx-3 mt-1 inline-block"
      >
        Add a place
      </NavLink>
    </section>
  );
}

const THUMB = 30;

function Thumb({ place, longest }: { place: PlaceReport; longest: number }) {
  const [x0, y0, x1] = place.bounds_cm;
  const scale = THUMB / longest;
  const points = place.outline_cm.map(([x, y]): [number, number] => [
    1 + (y - y0) * scale,
    1 + (x - x0) * scale,
  ]);
  const height = Math.max(6, (x1 - x0) * scale + 2);
  return (
    <svg width={THUMB + 2} height={height} className="shrink-0" aria-hidden="true">
      <path d={polygonPath(points)} fill="var(--bed)" stroke="currentColor" />
    </svg>
  );
}
