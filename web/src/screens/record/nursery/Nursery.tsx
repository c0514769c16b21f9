import { useState } from 'react';

import type { HeldGarden } from '../../../api/merge';
import type { LotState, SeedlingLot } from '../../../api/types';
import { dayOf, shortWords } from '../../../kit/day';
import { PutBack } from '../PutBack';
import { Gaps } from './Gaps';
import { NewLot } from './NewLot';
import { NextStep } from './NextStep';
import { STEPS } from './steps';
import { useLots, useNursery } from './useNursery';

/** The nursery shelf: every lot of seedlings, what came of it, and what it still owes its bed. */
export function Nursery({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const shelf = useNursery(slug, version);
  const lots = useLots(slug);
  const [gone, setGone] = useState<SeedlingLot>();
  const names = new Map(shelf.data?.map((each) => [each.lot.id, each]));
  return (
    <div className="px-[14px] pb-4">
      <p className="max-w-prose">
        Seedlings raised and bought, lot by lot: how many came up, are on the shelf and were set
        out, and what is to spare.
      </p>
      <NewLot state={state} lots={lots} />
      <Gaps state={state} shelf={shelf.data ?? []} lots={lots} />
      {shelf.error && <p role="alert">{shelf.error.message}</p>}
      {shelf.data?.length === 0 && <p className="pt-2 text-muted">The shelf is empty.</p>}
      {gone && (
        <PutBack onPutBack={() => void lots.putBack(gone.id).then(() => setGone(undefined))} />
      )}
      <ul className="max-w-4xl">
        {shelf.data?.map((each) => (
          <li key={each.lot.id} className="border-b border-rule py-2">
            <h2 className="flex flex-wrap items-baseline gap-x-4 text-base">
              {each.name}
              <span className="font-sans text-[13px] font-normal text-muted">
                {forWhom(state, each)}
              </span>
            </h2>
            <p>{counts(each)}</p>
            {each.replaces.length > 0 && (
              <p>{`To spare of the same: ${each.replaces.map((id) => spareOf(names.get(id))).join(', ')}.`}</p>
            )}
            <p className="text-[13px] text-muted">
              {each.lot.events
                .map((e) => `${shortWords(dayOf(e.day))} ${STEPS[e.step]} ${e.count}`)
                .join(' · ')}
            </p>
            <NextStep
              lot={each.lot}
              lots={lots}
              onRemove={() =>
                void lots.remove(each.lot.id).then((done) => done && setGone(each.lot))
              }
            />
          </li>
        ))}
      </ul>
    </div>
  );
}

function forWhom(state: HeldGarden, each: LotState): string {
  const planting = state.report.plantings.find((p) => p.id === each.lot.planting);
  const place = state.plan.places.find((p) => p.id === planting?.place);
  const whom = planting ? `for ${place?.name ?? planting.place} ${planting.cells[0] ?? ''}` : '';
  return [whom.trim(), each.lot.text].filter(Boolean).join(', ');
}

/** "33 of 40 up (the book expects 80 %); 20 on the shelf, 8 set out; 2 to spare." */
function counts(each: LotState): string {
  const share = (of: number) => `${Math.round(of * 100)} %`;
  const up =
    each.up === null
      ? each.sown > 0
        ? `${each.sown} sown, not counted yet`
        : ''
      : `${each.up} of ${each.sown} up${each.up_share === null ? '' : `, ${share(each.up_share)}; the book expects ${share(each.up_expected)}`}`;
  const where = [
    `${each.on_shelf} on the shelf`,
    each.ready > 0 ? `${each.ready} ready` : '',
    each.set_out > 0 ? `${each.set_out} set out` : '',
    each.given > 0 ? `${each.given} given away` : '',
    each.lost > 0 ? `${each.lost} lost` : '',
  ].filter(Boolean);
  const left =
    each.short > 0
      ? `${each.short} too few for the ${each.needed} still wanted`
      : each.spare > 0
        ? `${each.spare} to spare`
        : '';
  return `${[up, where.join(', '), left].filter(Boolean).join('; ')}.`;
}

function spareOf(other: LotState | undefined): string {
  if (!other) return '';
  return `${other.spare} of ${shortWords(dayOf(other.began))}`;
}
