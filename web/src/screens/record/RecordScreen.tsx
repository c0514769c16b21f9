import { Link, useSearchParams } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import { WhatIsWrong } from './ailing/WhatIsWrong';
import { DayPage } from './DayPage';
import { Find } from './find/Find';
import { Nursery } from './nursery/Nursery';
import { Photos } from './photos/Photos';
import { Pickings } from './pickings/Pickings';
import { RowWalk } from './row/RowWalk';
import { Seasons } from './Seasons';
import { Twins } from './twins/Twins';
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
