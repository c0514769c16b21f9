import { useState } from 'react';
import { useSearchParams } from 'react-router';

import type { HeldGarden } from '../../../api/merge';
import type { PlantingReport, SignList } from '../../../api/types';
import { Choice } from '../../../kit/Choice';
import { dayOf, isoOf } from '../../../kit/day';
import type { Day } from '../../../kit/day';
import { Find } from '../../../kit/Find';
import { capital } from '../../../kit/text';
import { useDay } from '../../../shared/DayContext';
import { namedIn } from '../../../shared/weighing';
import { CauseEntry } from './CauseEntry';
import { useCauses, useSigns } from './useAilments';

/** From what is seen on a plant to its likely causes, and what to do about each. */
export function WhatIsWrong({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const { day } = useDay();
  const [search, setSearch] = useSearchParams();
  const planting = search.get('planting') ?? '';
  const [signs, setSigns] = useState<readonly string[]>([]);
  const [answers, setAnswers] = useState<Readonly<Record<string, boolean>>>({});
  const list = useSigns(slug, version, planting);
  const found = useCauses(slug, version, { planting, day: isoOf(day), signs, answers });
  const told = signs.length > 0 ? found.data : undefined;
  const choose = (id: string) => {
    setSearch({ view: 'wrong', ...(id ? { planting: id } : {}) }, { replace: true });
    setSigns([]);
    setAnswers({});
  };
  const turn = (sign: string) =>
    setSigns(signs.includes(sign) ? signs.filter((s) => s !== sign) : [...signs, sign]);
  const labels = labelsOf(list.data);
  return (
    <div className="grid gap-x-8 px-[14px] pb-4 lg:grid-cols-[minmax(260px,2fr)_minmax(0,3fr)]">
      <section aria-label="What is seen">
        <Choice
          label="On which planting?"
          value={planting}
          options={[['', 'on any plant'], ...standing(state, day, planting)]}
          onChange={choose}
        />
        {list.error && <p role="alert">{list.error.message}</p>}
        {list.data && <Signs list={list.data} chosen={signs} onTurn={turn} />}
      </section>
      <section aria-label="Likely causes" aria-live="polite">
        {signs.length === 0 && (
          <p className="max-w-prose pt-2 text-muted">
            Choose what is seen, one sign or several. Its likely causes stand here, with what to
            look for and what to do.
          </p>
        )}
        {found.error && <p role="alert">{found.error.message}</p>}
        {told && told.ask.length > 0 && (
          <Questions
            ask={told.ask}
            words={list.data?.questions ?? {}}
            onAnswer={(question, yes) => setAnswers({ ...answers, [question]: yes })}
          />
        )}
        {Object.keys(answers).length > 0 && (
          <p className="text-[13px]">
            {`${Object.keys(answers).length} answered. `}
            <button type="button" className="press" onClick={() => setAnswers({})}>
              Ask anew
            </button>
          </p>
        )}
        {told && told.causes.length > 0 && (
          <p className="text-[13px] text-muted">
            For all that is sprayed or spread, its label and local advice come first.
          </p>
        )}
        {told?.causes.map((cause) => (
          <CauseEntry
            key={cause.id}
            state={state}
            cause={cause}
            seen={signs.map((sign) => labels.get(sign) ?? sign)}
            planting={state.report.plantings.find((p) => p.id === planting)}
          />
        ))}
      </section>
    </div>
  );
}

/** Plantings that stand on a day, and the one that is asked about. */
function standing(state: HeldGarden, day: Day, asked: string): [string, string][] {
  const there = ({ start_date, clear_date }: PlantingReport) =>
    dayOf(start_date) <= day && (clear_date === null || day <= dayOf(clear_date));
  return state.report.plantings
    .filter((planting) => planting.id === asked || there(planting))
    .map((planting) => [planting.id, `${namedIn(state, planting)} ${planting.cells[0] ?? ''}`]);
}

function labelsOf(list: SignList | undefined): Map<string, string> {
  return new Map(list?.parts.flatMap((part) => part.signs.map((s) => [s.id, s.label] as const)));
}

interface SignsProps {
  list: SignList;
  chosen: readonly string[];
  onTurn: (sign: string) => void;
}

/** What is chosen, and the signs folded under the part that shows them; a word finds some. */
function Signs({ list, chosen, onTurn }: SignsProps) {
  const [words, setWords] = useState('');
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const labels = labelsOf(list);
  const parts = list.parts
    .map((part) => ({
      ...part,
      signs: part.signs.filter(({ label }) =>
        wanted.every((word) => label.toLowerCase().includes(word)),
      ),
    }))
    .filter((part) => part.signs.length > 0);
  return (
    <>
      {chosen.length > 0 && (
        <ul aria-label="Signs chosen" className="pt-2">
          {chosen.map((sign) => (
            <li key={sign} className="flex items-baseline gap-x-4">
              <span className="grow font-semibold">{labels.get(sign)}</span>
              <button
                type="button"
                className="press max-sm:min-h-11"
                aria-label={`Not seen: ${labels.get(sign) ?? sign}`}
                onClick={() => onTurn(sign)}
              >
                Not seen
              </button>
            </li>
          ))}
        </ul>
      )}
      <Find label="Find a sign" value={words} onChange={setWords} className="my-2 w-full" />
      {parts.length === 0 && <p className="text-muted">No sign has these words.</p>}
      {parts.map((part) => (
        <details key={part.part} open={wanted.length > 0} className="border-b border-faint">
          <summary className="cursor-pointer py-1 max-sm:py-3">{capital(part.part)}</summary>
          {part.signs.map((sign) => (
            <label key={sign.id} className="flex min-h-7 items-center gap-2 max-sm:min-h-11">
              <input
                type="checkbox"
                className="min-h-0 shrink-0"
                checked={chosen.includes(sign.id)}
                onChange={() => onTurn(sign.id)}
              />
              {sign.label}
            </label>
          ))}
        </details>
      ))}
    </>
  );
}

interface QuestionsProps {
  ask: readonly string[];
  words: Readonly<Record<string, string>>;
  onAnswer: (question: string, yes: boolean) => void;
}

/** Questions that tell the causes apart, the most telling first. */
function Questions({ ask, words, onAnswer }: QuestionsProps) {
  return (
    <ul aria-label="Questions" className="pb-2">
      {ask.map((question) => (
        <li key={question} className="flex flex-wrap items-baseline gap-x-4 border-b border-faint">
          <span className="grow">{words[question]}</span>
          {([true, false] as const).map((yes) => (
            <button
              key={String(yes)}
              type="button"
              className="press max-sm:min-h-11"
              aria-label={`${yes ? 'Yes' : 'No'}: ${words[question] ?? ''}`}
              onClick={() => onAnswer(question, yes)}
            >
              {yes ? 'Yes' : 'No'}
            </button>
          ))}
        </li>
      ))}
    </ul>
  );
}
