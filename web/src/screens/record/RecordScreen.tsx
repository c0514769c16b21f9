import { useMemo } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { Tape } from '../../api/types';
import { dayOf, words } from '../../kit/day';
import { useUnits } from '../../kit/preferences';
import type { Units } from '../../kit/units';
import { useExtent } from '../../kit/useExtent';
import { useDay } from '../../shared/DayContext';
import { timeScale } from '../../shared/SeasonRuler';
import { DayPage } from './DayPage';
import { TapeStrip } from './TapeStrip';
import { useTape } from './useRecord';

/** What the garden really gave, over what was estimated; below it the day as a page. */
export function RecordScreen({ state }: { state: HeldGarden }) {
  const { day, start, end } = useDay();
  const units = useUnits();
  const [main, extent] = useExtent<HTMLElement>();
  const scale = useMemo(() => timeScale(start, end, extent.width), [start, end, extent.width]);
  const tape = useTape(state.head.slug, state.head.version, day);
  const crops = tape.data?.crops ?? [];
  const picked = crops.filter((crop) => crop.picked.length > 0);
  return (
    <main ref={main} className="record h-full min-h-0">
      <section
        aria-label="The tape"
        tabIndex={0}
        className="min-h-0 overflow-x-hidden overflow-y-auto"
      >
        <header className="flex flex-wrap items-baseline gap-x-5 px-[14px] pt-2">
          <h1 className="text-xl">The record</h1>
          {tape.data && <p>{headline(tape.data, units)}</p>}
        </header>
        {tape.error && <p role="alert">{tape.error.message}</p>}
        {tape.data && picked.length === 0 && (
          <p className="px-[14px] text-muted">
            Nothing is weighed yet. Type below what was picked, and it stands here over its
            estimate.
          </p>
        )}
        {(picked.length > 0 ? picked : crops).map((crop) => (
          <TapeStrip key={crop.crop} tape={crop} scale={scale} width={extent.width} day={day} />
        ))}
      </section>
      <DayPage state={state} />
    </main>
  );
}

function headline(tape: Tape, units: Units): string {
  const { p10, p90 } = tape.by_day_kg;
  const by = `${units.mass(tape.picked_kg)} picked by ${words(dayOf(tape.day))}`;
  return p90 > 0
    ? `${by}; ${units.weight(p10)}–${units.weight(p90)} ${units.weightUnit} was estimated by then`
    : by;
}
