import { useState } from 'react';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { CropSupply, Remedy } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import type { TimeScale } from '../../drawing/scale';
import type { Day } from '../../kit/day';
import { ByPlanting } from './ByPlanting';
import { Factors } from './Factors';
import { InStore } from './InStore';
import { Remedies } from './Remedies';
import { WantForm } from './WantForm';
import { WeeklyBand } from '../../shared/WeeklyBand';

interface Props {
  state: HeldGarden;
  crop: CropSupply;
  scale: TimeScale;
  width: number;
  day: Day;
}

type Opened = keyof typeof OPENED | null;

const OPENED = {
  remedies: 'what to do',
  plantings: 'by planting',
  factors: 'how it adds up',
  store: 'what lies in store',
};

const WORDS: readonly (readonly [keyof typeof OPENED, string])[] = [
  ['remedies', 'What to do'],
  ['plantings', 'By planting'],
  ['factors', 'How it adds up'],
  ['store', 'In store'],
];

/** One crop that is wanted: its weeks above the line, what is eaten and what is short below. */
export function Wanted({ state, crop, scale, width, day }: Props) {
  const { slug, version } = state.head;
  const units = useUnits();
  const editor = useEditor(slug);
  const [opened, setOpened] = useState<Opened>(null);
  const [tried, setTried] = useState<Remedy | null>(null);
  const met = Math.round((crop.chance ?? 0) * 100);
  const table = tried?.table ?? crop.table;
  const { p10, p50, p90 } = crop.harvest_kg;
  const open = (what: Opened) => {
    setOpened(opened === what ? null : what);
    setTried(null);
  };
  const spoils =
    table && table.spoils_kg >= 0.05 ? `; ${units.mass(table.spoils_kg)} goes to waste` : '';
  const eaten = table ? `${units.mass(table.eaten_kg)} of it is eaten${spoils}` : '';
  const short = table?.words ? `, ${table.words}` : '';
  return (
    <div className="border-t border-faint">
      <div className="flex flex-wrap items-baseline gap-x-4 px-[14px] pt-1">
        <h3 className="text-base">{crop.name}</h3>
        <span className="font-semibold">{units.mass(p50)}</span>
        <span className="text-[13px] text-muted">{`${units.mass(p10)} – ${units.mass(p90)}`}</span>
        <WantForm state={state} crop={crop} />
      </div>
      <div className="flex items-baseline gap-x-5 px-[14px] text-[13px] max-md:flex-wrap">
        <p>
          <span className={(crop.short_kg ?? 0) > 0 ? 'text-marigold' : ''}>
            {`${crop.words}. `}
          </span>
          <span className="text-muted">{`${eaten}${short}. Enough in ${met} of 100 years.`}</span>
        </p>
        <span className="ml-auto flex gap-4 whitespace-nowrap">
          {WORDS.filter(([what]) => what !== 'store' || crop.keeps.length > 0).map(
            ([what, words]) => (
              <button
                key={what}
                type="button"
                className="press"
                aria-expanded={opened === what}
                onClick={() => open(what)}
              >
                {words}
              </button>
            ),
          )}
        </span>
      </div>
      <WeeklyBand
        weeks={tried?.weeks ?? crop.weeks}
        before={tried ? crop.weeks : []}
        table={table?.weeks ?? []}
        scale={scale}
        width={width}
        height={50}
        day={day}
        label={`${crop.name}, week by week`}
      />
      {opened && (
        <section
          aria-label={`${crop.name}: ${OPENED[opened]}`}
          className={opened === 'plantings' ? 'pb-2' : 'px-[14px] pb-2'}
        >
          {opened === 'plantings' && (
            <ByPlanting
              slug={slug}
              version={version}
              crop={crop.crop}
              scale={scale}
              width={width}
              day={day}
            />
          )}
          {opened === 'store' && <InStore state={state} crop={crop} />}
          {opened === 'factors' && <Factors slug={slug} version={version} crop={crop.crop} />}
          {opened === 'remedies' && (
            <Remedies
              slug={slug}
              version={version}
              crop={crop.crop}
              tried={tried?.label ?? null}
              onTry={setTried}
              onTake={(edit) => {
                setTried(null);
                void editor.edit(edit);
              }}
            />
          )}
        </section>
      )}
    </div>
  );
}
