import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { MarkingSheet as Sheet } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { useUnits } from '../../kit/preferences';
import type { Units } from '../../kit/units';
import { dayOf, shortWords } from '../../kit/day';
import { LabelMap } from './LabelMap';
import { SquareTemplate } from './SquareTemplate';

/** To take outside: the grid's own strings, every planting by tape, and a square at true scale. */
export function MarkingSheet({ state }: { state: HeldGarden }) {
  const { place: id = '' } = useParams();
  const { slug, version } = state.head;
  const answer = useQuery<Sheet, ProblemError>({
    queryKey: ['marking', slug, version, id],
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/places/{place}/marking', {
          params: { path: { slug, place: id } },
          signal,
        }),
      ),
  });
  const name = state.plan.places.find((place) => place.id === id)?.name ?? id;
  return (
    <main className="overflow-y-auto px-6 py-4">
      <header className="no-print flex flex-wrap items-baseline gap-x-4">
        <Link className="press" to={`/gardens/${slug}/squares/${id}`}>
          Back to the squares
        </Link>
        <button type="button" className="press ml-auto" onClick={() => window.print()}>
          Print
        </button>
      </header>
      <h1 className="text-xl">{`${name}: marking out`}</h1>
      {answer.error && <p role="alert">{answer.error.message}</p>}
      {answer.data && <Marks sheet={answer.data} state={state} />}
    </main>
  );
}

function Marks({ sheet, state }: { sheet: Sheet; state: HeldGarden }) {
  const units = useUnits();
  const [chosen, setChosen] = useState('');
  const startOf = (id: string) =>
    dayOf(state.report.plantings.find((p) => p.id === id)?.start_date ?? '2000-01-01');
  const plantings = [...sheet.plantings].sort((a, b) => startOf(a.planting) - startOf(b.planting));
  const withTemplate = plantings.filter((p) => p.template_cell);
  const place = state.report.places.find((p) => p.id === sheet.place);
  const template = withTemplate.find((p) => p.planting === chosen) ?? null;
  return (
    <>
      <section aria-labelledby="grid" className="max-w-4xl">
        <h2 id="grid" className="mt-3 text-base">
          The grid
        </h2>
        <p>{gridWords(sheet, units)}</p>
      </section>
      <section aria-labelledby="by-tape" className="max-w-4xl">
        <h2 id="by-tape" className="mt-4 text-base">
          Each planting by tape
        </h2>
        <p className="text-muted">
          Inside measures from the corner of A1. Across runs along the letters, along with the
          numbers.
        </p>
        <table className="mt-1 w-full">
          <caption className="sr-only">Plantings by tape</caption>
          <tbody>
            {plantings.map((planting) => (
              <tr
                key={planting.planting}
                className="border-t border-faint align-top max-sm:grid max-sm:grid-cols-[auto_auto_1fr]"
              >
                <td className="whitespace-nowrap pr-3 text-muted">
                  {shortWords(startOf(planting.planting))}
                </td>
                <td className="pr-2 font-semibold text-damson">{planting.mark}</td>
                <th scope="row" className="whitespace-nowrap pr-3 text-left font-semibold">
                  {`${planting.name}, ${planting.plants}`}
                </th>
                <td className="max-sm:col-span-3">{planting.words}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {place && sheet.labels.length > 0 && (
        <section aria-labelledby="labels" className="max-w-4xl">
          <h2 id="labels" className="mt-4 text-base">
            Label map
          </h2>
          <LabelMap
            labels={sheet.labels}
            place={place}
            plantings={state.report.plantings.filter((p) => p.place === place.id)}
          />
        </section>
      )}
      {withTemplate.length > 0 && (
        <section aria-labelledby="template" className="max-w-4xl">
          <h2 id="template" className="no-print mt-4 text-base">
            One square at true scale
          </h2>
          <div className="no-print max-w-xs">
            <Choice
              label="Template for"
              value={chosen}
              options={[
                ['', 'none'],
                ...withTemplate.map(
                  (p) => [p.planting, `${p.name}, ${p.template_cm.length} per square`] as const,
                ),
              ]}
              onChange={setChosen}
            />
          </div>
          {template && <SquareTemplate marks={template} pitch={sheet.pitch_cm} />}
        </section>
      )}
    </>
  );
}

function gridWords(sheet: Sheet, units: Units): string {
  const side = (marks: readonly number[], left: number, name: string) =>
    marks.length === 0
      ? `No mark ${name}: one square of ${units.length(left)}`
      : `Marks ${name} at ${marks.map(units.bare).join(', ')} ${units.lengthUnit}, the last square ${units.length(left)}`;
  const strings = sheet.strings.length;
  return (
    `${side(sheet.across_cm, sheet.across_left_cm, 'across')}. ` +
    `${side(sheet.along_cm, sheet.along_left_cm, 'along')}. ` +
    `${strings} strings, ${units.distance(tenths(sheet.string_m))} with a hand’s length at each end to tie, ` +
    `or ${units.distance(tenths(sheet.lath_m))} of lath; ${sheet.fixings} nails or screw eyes in the rim.`
  );
}

const tenths = (m: number) => Math.round(m * 10) / 10;
