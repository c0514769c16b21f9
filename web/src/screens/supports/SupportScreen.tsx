import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';

import { answered, answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Footing, SupportSheet, TrainingSystem } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { BillTable } from '../../shared/BillTable';
import { SayVerdict, usePlaceVerdicts, useSupportVerdicts, Verdict } from '../../shared/Verdict';
import { Figure, Sum, Workings } from '../../shared/Working';
import { useMaterials } from '../../api/useSoil';
import { dayOf, shortWords, words } from '../../kit/day';
import { useDay } from '../../shared/DayContext';
import { PutUpViews } from '../../shared/PutUpViews';
import type { Units } from '../../kit/units';
import { SupportDrawing } from './SupportDrawing';
import { SupportEdges } from './SupportEdges';
import { SupportForm } from './SupportForm';
import { SupportsHere } from './SupportsHere';

/** One support from plan to post hole: drawn, billed, and held against weight and wind. */
export function SupportScreen({ state }: { state: HeldGarden }) {
  const { place: placeId = '', support: asked } = useParams();
  const { slug, version } = state.head;
  const place = state.plan.places.find((p) => p.id === placeId);
  const support = place?.supports.find((s) => s.id === asked) ?? place?.supports[0];
  const editor = useEditor(slug);
  const answer = useQuery<SupportSheet, ProblemError>({
    queryKey: ['support', slug, version, placeId, support?.id],
    enabled: support !== undefined,
    placeholderData: (before) => before,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/places/{place}/supports/{support}', {
          params: { path: { slug, place: placeId, support: support?.id ?? '' } },
          signal,
        }),
      ),
  });
  const systems = useTable<TrainingSystem>('/api/trainings');
  const footings = useTable<Footing>('/api/footings');
  const materials = useMaterials().data;
  const verdicts = usePlaceVerdicts(slug);
  const ofSupports = useSupportVerdicts(slug, placeId);
  if (!place) return <NoSuchPlace slug={slug} />;
  if (!support) {
    return (
      <main className="p-6">
        <header className="flex flex-wrap items-baseline gap-x-4">
          <h1 className="text-xl">{`${place.name ?? place.id}: nothing to climb yet`}</h1>
          <PutUpViews slug={slug} place={place} here="" />
        </header>
        {systems && (
          <SupportsHere state={state} place={place} support={undefined} systems={systems} />
        )}
      </main>
    );
  }
  const sheet = answer.data;
  const report = state.report.places.find((p) => p.id === placeId);
  return (
    <main className="workbench soil tall">
      <header className="flex flex-wrap items-baseline gap-x-4 px-4 pt-2">
        <h1 className="text-xl">{`${place.name ?? place.id}: ${systems?.[support.system]?.label ?? ''}`}</h1>
        {sheet && <Headline sheet={sheet} />}
        <PutUpViews slug={slug} place={place} here={support.id} />
        {systems && (
          <SayVerdict
            slug={slug}
            on={[systems[support.system]?.label ?? support.system, place.name ?? place.id]}
          />
        )}
      </header>
      <Workings>
        <div className="sheet overflow-y-auto px-4 pb-4">
          {answer.error && <p role="alert">{answer.error.message}</p>}
          <Verdict of={ofSupports.data?.[support.id]} />
          <Verdict of={verdicts.data?.[place.id]} />
          {sheet && <Drawn state={state} sheet={sheet} placeId={placeId} />}
          <SupportEdges
            slug={slug}
            version={version}
            place={placeId}
            support={support.id}
            onEdit={(edit) => void editor.edit(edit)}
          />
        </div>
        <aside className="side flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule px-3 pb-3 pt-2">
          {report && systems && footings && materials && (
            <SupportForm
              key={`${version}${support.id}`}
              state={state}
              place={place}
              report={report}
              support={support}
              systems={systems}
              footings={footings}
              materials={materials}
              sheet={sheet}
              onEdit={(edit, told) => void editor.edit(edit, told)}
            />
          )}
          {sheet && <Bears sheet={sheet} />}
          {sheet && sheet.to_check.length > 0 && <ToCheck words={sheet.to_check} />}
          {systems && (
            <SupportsHere state={state} place={place} support={support.id} systems={systems} />
          )}
        </aside>
      </Workings>
    </main>
  );
}

function NoSuchPlace({ slug }: { slug: string }) {
  return (
    <main className="p-6">
      <h1 className="text-xl">There is no such place</h1>
      <Link className="act act-main mt-3 inline-block" to={`/gardens/${slug}`}>
        To the squares
      </Link>
    </main>
  );
}

function useTable<T>(path: '/api/trainings' | '/api/footings') {
  return useQuery<Record<string, T>, ProblemError>({
    queryKey: [path],
    staleTime: Infinity,
    queryFn: ({ signal }) =>
      answered(
        api.GET(path, { signal }) as Promise<{ data: Record<string, T>; response: Response }>,
      ),
  }).data;
}

function Headline({ sheet }: { sheet: SupportSheet }) {
  const units = useUnits();
  const by = sheet.put_up_by ? `, up by ${shortWords(dayOf(sheet.put_up_by))}` : '';
  return (
    <p className="text-[13px] text-muted">
      {`${units.length(sheet.run_cm)} ${sheet.in_the_bed ? 'along a line in the bed' : `along the ${sheet.facing} edge`}, ${units.length(sheet.arch?.height_cm ?? sheet.height_cm)} high${by}`}
    </p>
  );
}

function Drawn({
  state,
  sheet,
  placeId,
}: {
  state: HeldGarden;
  sheet: SupportSheet;
  placeId: string;
}) {
  const { day } = useDay();
  const units = useUnits();
  return (
    <>
      <SupportDrawing
        sheet={sheet}
        day={day}
        plantings={state.report.plantings.filter((p) => p.place === placeId)}
      />
      <p className="text-[13px] text-muted">{`As it stands on ${words(day)}. ${posted(sheet, units)}`}</p>
      <BillTable caption="What it takes" lines={sheet.lines} total={sheet.cost} />
      {sheet.missing.length > 0 && (
        <p className="mt-1 text-[13px]">
          {`Still needed for a total: ${sheet.missing.join('; ')}. `}
          <Link className="press" to={`/gardens/${state.head.slug}/soil?view=building`}>
            Enter prices
          </Link>
        </p>
      )}
      {sheet.tiers.length > 0 && (
        <table className="mt-3">
          <caption className="mb-1 text-left font-semibold">Twine as it grows</caption>
          <tbody>
            {sheet.tiers.map((tier) => (
              <tr key={`${tier.planting}${tier.height_cm}`} className="border-t border-faint">
                <td className="pr-4">{shortWords(dayOf(tier.on))}</td>
                <td className="pr-4 text-right font-semibold">{units.length(tier.height_cm)}</td>
                <td>{tier.name}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

function posted(sheet: SupportSheet, units: Units): string {
  if (sheet.arch) return 'Its feet are tucked behind the frames or tied to stakes.';
  const at = sheet.bays.posts_at_cm.map(units.bare).join(', ');
  return `Posts of ${units.length(sheet.post_length_cm)} at ${at} ${units.lengthUnit} from the corner. ${sheet.footing_words}`;
}

/** What is looked to as it is built. */
function ToCheck({ words: all }: { words: readonly string[] }) {
  return (
    <section aria-label="To check">
      <h2 className="text-base">To check</h2>
      <ul className="list-disc space-y-1 pl-4">
        {all.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
    </section>
  );
}

/** What it carries, what the wind does, and the cautions that hold here. */
function Bears({ sheet }: { sheet: SupportSheet }) {
  const units = useUnits();
  const { load, wind } = sheet;
  return (
    <section aria-label="Weight and wind" className="space-y-2">
      <h2 className="text-base">Weight and wind</h2>
      <p>
        {`At its fullest ${units.aRun} carries `}
        <Figure
          label={`weight on ${units.aRun}: working`}
          working={() => <Sum title="What hangs on it" terms={[...load.working]} />}
        >
          {units.mass(load.kg_m * units.runM)}
        </Figure>
        {load.on ? `, from ${shortWords(dayOf(load.on))}` : ''}
        {sheet.arch ? '.' : `; a bay ${units.mass(sheet.load_a_bay_kg)}.`}
      </p>
      {wind && (
        <p>
          {wind.words}{' '}
          {wind.push_n !== null && wind.push_kg !== null && (
            <>
              {'Each post is pushed with '}
              <Figure
                label="push of the wind: working"
                working={() => <Sum title="Wind on one post" terms={[...wind.working]} />}
              >
                {units.force(wind.push_n)}
              </Figure>
              {', about the weight of '}
              {units.mass(wind.push_kg)}.
            </>
          )}
        </p>
      )}
      <p>
        <Figure
          label="posts and bays: working"
          working={() => <Sum title="Posts and bays" terms={[...sheet.working]} />}
        >
          How the posts come out
        </Figure>
      </p>
      {sheet.cautions.map((caution) => (
        <p key={caution} className="text-[12.5px] text-muted">
          {caution}
        </p>
      ))}
      <p className="text-[12.5px] text-muted">
        An estimate to choose by. Local codes and a builder’s word come first for anything tall,
        heavy or fixed to a building.
      </p>
    </section>
  );
}
