import { useMemo, useState } from 'react';

import type { HeldGarden } from '../../../api/merge';
import type { Tape } from '../../../api/types';
import { dayOf, isoOf, words } from '../../../kit/day';
import { useUnits } from '../../../kit/preferences';
import type { Units } from '../../../kit/units';
import { useExtent } from '../../../kit/useExtent';
import { useDay } from '../../../shared/DayContext';
import { timeScale } from '../../../shared/SeasonRuler';
import { useTape } from '../useRecord';
import { TapeStrip } from './TapeStrip';
import { WeekDrawn } from './WeekDrawn';
import { WeeksTable } from './WeeksTable';

const SHOWN = [
  ['year', 'The year'],
  ['week', 'The week'],
  ['table', 'As a table'],
] as const;

/** Pickings as they came, over what was estimated: of the year, of a week, as a table. */
export function Pickings({ state }: { state: HeldGarden }) {
  const { day, start, end } = useDay();
  const units = useUnits();
  const [shown, setShown] = useState<(typeof SHOWN)[number][0]>('year');
  const [ref, extent] = useExtent<HTMLDivElement>();
  const scale = useMemo(() => timeScale(start, end, extent.width), [start, end, extent.width]);
  const { slug, version } = state.head;
  const tape = useTape(slug, version, day);
  const crops = tape.data?.crops ?? [];
  const picked = crops.filter((crop) => crop.picked.length > 0);
  return (
    <div ref={ref}>
      {tape.data && (
        <p className="flex flex-wrap items-baseline gap-x-4 px-[14px]">
          {headline(tape.data, units)}
          <span className="flex gap-x-3" role="group" aria-label="Shown">
            {SHOWN.map(([id, name]) => (
              <button
                key={id}
                type="button"
                className="press"
                aria-pressed={shown === id}
                onClick={() => setShown(id)}
              >
                {name}
              </button>
            ))}
          </span>
          <a className="press" href={`/api/gardens/${slug}/tape.csv?day=${isoOf(day)}`} download>
            Week by week, CSV
          </a>
        </p>
      )}
      {tape.error && <p role="alert">{tape.error.message}</p>}
      {tape.data && picked.length === 0 && (
        <p className="px-[14px] text-muted">
          Nothing is weighed yet. Type below what was picked, and it stands here over its estimate.
        </p>
      )}
      {tape.data && shown === 'year' && (
        <>
          <TapeStrip tape={tape.data.whole} scale={scale} width={extent.width} day={day} />
          {(picked.length > 0 ? picked : crops).map((crop) => (
            <TapeStrip key={crop.crop} tape={crop} scale={scale} width={extent.width} day={day} />
          ))}
        </>
      )}
      {tape.data && shown === 'week' && <WeekDrawn tape={tape.data} width={extent.width} />}
      {tape.data && shown === 'table' && <WeeksTable tape={tape.data} />}
    </div>
  );
}

function headline(tape: Tape, units: Units): string {
  const { p10, p90 } = tape.by_day_kg;
  const by = `${units.mass(tape.picked_kg)} picked by ${words(dayOf(tape.day))}`;
  return p90 > 0
    ? `${by}; ${units.weight(p10)}–${units.weight(p90)} ${units.weightUnit} was estimated by then`
    : by;
}
