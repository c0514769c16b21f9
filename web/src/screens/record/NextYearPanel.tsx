import { useState } from 'react';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Draft, NextYear, Resized } from '../../api/types';
import { dayOf, shortWords } from '../../kit/day';
import { useUnits } from '../../kit/preferences';
import { and, capital } from '../../kit/text';
import type { Units } from '../../kit/units';
import { useNextYear } from './useRecord';

const DRAFTS: readonly (readonly [Draft, string])[] = [
  ['moved', 'The same crops, families moved on, more of what ran short'],
  ['same', 'The same crops in the same squares'],
  ['empty', 'Empty beds'],
];

const MOST_LEFT_OUT = 6;

/** The season closed and the next year begun, with what that does told before it is pressed. */
export function NextYearPanel({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const [draft, setDraft] = useState<Draft>('moved');
  const editor = useEditor(slug);
  const told = useNextYear(slug, version, draft);
  const next = told.data;
  return (
    <section
      aria-labelledby="next-year"
      className="max-lg:mt-5 max-lg:border-t max-lg:border-rule max-lg:pt-2"
    >
      <h2 id="next-year" className="text-lg">
        Next year
      </h2>
      {next && (
        <p>{`Closes ${next.season} and begins ${next.year}. What lasts stays where it is, what is finished is remembered square by square, and the frost dates move on a year. Undo takes it back.`}</p>
      )}
      <fieldset className="my-2">
        <legend className="sr-only">What is planted</legend>
        {DRAFTS.map(([id, name]) => (
          <label key={id} className="flex items-center gap-2">
            <input type="radio" name="draft" checked={draft === id} onChange={() => setDraft(id)} />
            {name}
          </label>
        ))}
      </fieldset>
      {told.error && <p role="alert">{told.error.message}</p>}
      {next && <Told next={next} />}
      <button
        type="button"
        className="act act-main mt-3"
        disabled={!next}
        onClick={() => void editor.beginYear(draft)}
      >
        {next ? `Begin ${next.year}` : 'Begin the next year'}
      </button>
    </section>
  );
}

function Told({ next }: { next: NextYear }) {
  const units = useUnits();
  const more = next.left_out.length - MOST_LEFT_OUT;
  return (
    <ul className="my-2 list-disc pl-5 text-[14px]">
      <li>{`${plantings(next.over)} finished and remembered.`}</li>
      {next.stays.length > 0 && (
        <li>{`${capital(and(next.stays))} ${next.stays.length > 1 ? 'stay' : 'stays'} where ${next.stays.length > 1 ? 'they are' : 'it is'}.`}</li>
      )}
      {next.planted > 0 && <li>{`${plantings(next.planted)} planted again a year later.`}</li>}
      {next.moved.map((move) => (
        <li key={move.place}>
          {move.place === move.to
            ? `The crops of ${move.place} change sides.`
            : `The crops of ${move.place} go to ${move.to}.`}
        </li>
      ))}
      {next.resized.map((each) => (
        <li key={each.name}>{resizedWords(each, units)}</li>
      ))}
      {next.soon > 0 && (
        <li>{`In ${next.soon} ${next.soon === 1 ? 'square' : 'squares'} a family still comes back too soon; the notes of each bed name them.`}</li>
      )}
      {next.left_out.slice(0, MOST_LEFT_OUT).map((left) => (
        <li key={`${left.name} ${left.place} ${left.start_date}`}>
          {`${capital(left.name)}, ${left.place}, ${shortWords(dayOf(left.start_date))}: left out, ${left.stands === null ? 'by your verdict' : `${left.stands} stands there`}.`}
        </li>
      ))}
      {more > 0 && <li>{`${more} more left out.`}</li>}
    </ul>
  );
}

function resizedWords(of: Resized, units: Units): string {
  const squares = `${capital(of.name)} has ${of.squares} squares instead of ${of.squares_before}`;
  if (of.wanted_kg === null || of.gave_kg === null) return `${squares}, by your verdict.`;
  return `${squares}: ${units.mass(of.gave_kg)} came of ${units.mass(of.wanted_kg)} that are eaten in a year.`;
}

const plantings = (count: number) => `${count} ${count === 1 ? 'planting is' : 'plantings are'}`;
