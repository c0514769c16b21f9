import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { CoverSheet, PlaceCovers } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { BillTable } from '../../shared/BillTable';
import { Figure, Sum, Workings } from '../../shared/Working';
import { PutUpViews } from '../../shared/PutUpViews';
import { dayOf, shortWords } from '../../kit/day';
import { CoverForm } from './CoverForm';

/** The covers of a place, sized and billed; what its crops would usually get; one to add. */
export function CoverScreen({ state }: { state: HeldGarden }) {
  const { place: placeId = '' } = useParams();
  const { slug, version } = state.head;
  const editor = useEditor(slug);
  const place = state.plan.places.find((p) => p.id === placeId);
  const report = state.report.places.find((p) => p.id === placeId);
  const answer = useQuery<PlaceCovers, ProblemError>({
    queryKey: ['covers', slug, version, placeId],
    placeholderData: (before) => before,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/places/{place}/covers', {
          params: { path: { slug, place: placeId } },
          signal,
        }),
      ),
  });
  if (!place || !report) {
    return (
      <main className="p-6">
        <h1 className="text-xl">There is no such place</h1>
        <Link className="press" to={`/gardens/${slug}/squares`}>
          Back to the squares
        </Link>
      </main>
    );
  }
  const sheet = answer.data;
  const takeOff = (id: string) =>
    void editor.edit({
      do: 'change-place',
      id: placeId,
      changes: { covers: place.covers.filter((cover) => cover.id !== id) },
    });
  return (
    <main className="workbench soil tall">
      <header className="flex flex-wrap items-baseline gap-x-4 px-4 pt-2">
        <h1 className="text-xl">{`${place.name ?? place.id}: covers`}</h1>
        <PutUpViews slug={slug} place={place} here="covers" />
      </header>
      <Workings>
        <div className="sheet overflow-y-auto px-4 pb-4">
          {answer.error && <p role="alert">{answer.error.message}</p>}
          {sheet?.covers.length === 0 && (
            <p className="mt-2 text-muted">Nothing is covered here yet.</p>
          )}
          {sheet?.covers.map((cover) => (
            <OneCover key={cover.id} cover={cover} onTakeOff={() => takeOff(cover.id)} />
          ))}
        </div>
        <aside className="side flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule px-3 pb-3 pt-2">
          {sheet && sheet.advice.length > 0 && (
            <section aria-labelledby="cover-advice">
              <h2 id="cover-advice" className="text-base">
                Usually covered
              </h2>
              {sheet.advice.map((advice) => (
                <p key={`${advice.kind}${advice.family}`} className="border-t border-faint py-1">
                  {`${advice.where}. ${advice.words} `}
                  <button
                    type="button"
                    className="press"
                    onClick={() => void editor.edit(advice.cover.edit)}
                  >
                    {advice.cover.label}
                  </button>
                </p>
              ))}
            </section>
          )}
          <CoverForm
            key={version}
            state={state}
            place={place}
            report={report}
            onEdit={(edit) => void editor.edit(edit)}
          />
        </aside>
      </Workings>
    </main>
  );
}

function OneCover({ cover, onTakeOff }: { cover: CoverSheet; onTakeOff: () => void }) {
  const units = useUnits();
  const { size } = cover;
  const from = shortWords(dayOf(cover.since));
  const to = shortWords(dayOf(cover.until));
  return (
    <section aria-label={`${cover.label}, ${cover.where}`} className="mt-3">
      <header className="flex items-baseline gap-3">
        <h2 className="font-sans text-[15px] font-semibold first-letter:uppercase">
          {`${cover.label} over ${cover.where}, ${from} to ${to}`}
        </h2>
        <button type="button" className="press no-print ml-auto" onClick={onTakeOff}>
          Delete this cover
        </button>
      </header>
      <p>
        {size.hoops > 0
          ? `${size.hoops} hoops of ${units.length(size.hoop_cm)} across ${units.length(size.width_cm)}, ${units.length(size.height_cm)} high; cloth `
          : 'Laid flat; cloth '}
        <Figure
          label={`${cover.label}, ${cover.where}: working`}
          working={() => <Sum title="Cloth" terms={[...cover.working]} />}
        >
          {`${units.length(size.cloth_width_cm)} × ${units.length(size.cloth_length_cm)}`}
        </Figure>
        {cover.holes > 0 && cover.hole_cm !== null
          ? `, with ${cover.holes} holes ${units.length(cover.hole_cm)} wide, one for each plant`
          : ''}
        .
      </p>
      <p className="text-[13px] text-muted">{`Keeps off ${cover.keeps_off}. ${cover.words}`}</p>
      <BillTable caption="What it takes" lines={cover.lines} total={cover.cost} />
    </section>
  );
}
