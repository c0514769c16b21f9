import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import type { Tape } from '../../api/types';
import { dayOf, words } from '../../kit/day';
import { useUnits } from '../../kit/preferences';
import type { Units } from '../../kit/units';
import { useExtent } from '../../kit/useExtent';
import { useDay } from '../../shared/DayContext';
import { timeScale } from '../../shared/SeasonRuler';
import { WhatIsWrong } from './ailing/WhatIsWrong';
import { DayPage } from './DayPage';
import { Find } from './find/Find';
import { Nursery } from './nursery/Nursery';
import { Photos } from './photos/Photos';
import { RowWalk } from './row/RowWalk';
import { Seasons } from './Seasons';
import { TapeStrip } from './TapeStrip';
import { Twins } from './twins/Twins';
import { useTape } from './useRecord';
import { WhatWasLearnt } from './WhatWasLearnt';

const VIEWS = [
  ['pickings', 'Pickings'],
  ['seasons', 'Seasons'],
  ['learnt', 'What was learnt'],
  ['twins', 'Twins'],
  ['nursery', 'Seedlings'],
  ['photos', 'Photos'],
  ['wrong', 'What is wrong?'],
  ['row', 'Along a row'],
  ['find', 'Find'],
] as const;

/** What the garden really gave: by the day, by the season, and what is learnt from it. */
export function RecordScreen({ state }: { state: HeldGarden }) {
  const wanted = useSearchParams()[0].get('view');
  const view = VIEWS.find(([id]) => id === wanted)?.[0] ?? 'pickings';
  return (
    <main className={`record h-full min-h-0 ${view === 'pickings' ? '' : 'whole'}`}>
      <section
        aria-label={view === 'pickings' ? 'The tape' : 'The record'}
        tabIndex={0}
        className="min-h-0 overflow-x-hidden overflow-y-auto"
      >
        <header className="no-print flex flex-wrap items-baseline gap-x-5 px-[14px] pt-2">
          <h1 className="text-xl">The record</h1>
          <nav aria-label="Views of the record" className="ml-auto flex flex-wrap gap-x-4">
            {VIEWS.map(([id, name]) => (
              <Link
                key={id}
                to={id === 'pickings' ? '.' : `?view=${id}`}
                className="press"
                aria-current={view === id ? 'page' : undefined}
              >
                {name}
              </Link>
            ))}
          </nav>
        </header>
        {view === 'pickings' && <Pickings state={state} />}
        {view === 'seasons' && <Seasons state={state} />}
        {view === 'twins' && <Twins state={state} />}
        {view === 'nursery' && <Nursery state={state} />}
        {view === 'photos' && <Photos state={state} />}
        {view === 'wrong' && <WhatIsWrong state={state} />}
        {view === 'row' && <RowWalk state={state} />}
        {view === 'find' && <Find state={state} />}
        {view === 'learnt' && <WhatWasLearnt state={state} />}
      </section>
      {view === 'pickings' && <DayPage state={state} />}
    </main>
  );
}

/** Pickings as they came, over what was estimated. */
function Pickings({ state }: { state: HeldGarden }) {
  const { day, start, end } = useDay();
  const units = useUnits();
  const [ref, extent] = useExtent<HTMLDivElement>();
  const scale = useMemo(() => timeScale(start, end, extent.width), [start, end, extent.width]);
  const tape = useTape(state.head.slug, state.head.version, day);
  const crops = tape.data?.crops ?? [];
  const picked = crops.filter((crop) => crop.picked.length > 0);
  return (
    <div ref={ref}>
      {tape.data && <p className="px-[14px]">{headline(tape.data, units)}</p>}
      {tape.error && <p role="alert">{tape.error.message}</p>}
      {tape.data && picked.length === 0 && (
        <p className="px-[14px] text-muted">
          Nothing is weighed yet. Type below what was picked, and it stands here over its estimate.
        </p>
      )}
      {(picked.length > 0 ? picked : crops).map((crop) => (
        <TapeStrip key={crop.crop} tape={crop} scale={scale} width={extent.width} day={day} />
      ))}
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
