import { useCallback, useRef, useState } from 'react';
import type { SyntheticEvent } from 'react';
import { useSearchParams } from 'react-router';

import { attempt } from '../../api/attempt';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { Entry, PlantingReport } from '../../api/types';
import { isoOf } from '../../kit/day';
import { useUnits } from '../../kit/preferences';
import { useDay } from '../../shared/DayContext';
import { lineBegun, namedIn } from '../../shared/weighing';
import { NumberPad } from './day/NumberPad';
import { ScalePanel } from './day/ScalePanel';
import { freshId, useDayBook, useReading, useReadNow, useRipe } from './useRecord';
import type { Line } from './useRecord';

const MOST_RIPE = 8;
const EXAMPLE_KG = 1.2;
const WEIGHT = /\s*[\d.,]+ ?(kg|g|lb|oz)\s*$/;

interface Odd {
  entries: readonly Entry[];
  words: string;
  why: ProblemError;
}

/** One line to enter by: a crop or a bed, a weight, done. What it is read as stands beside it. */
export function EntryLine({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const { day } = useDay();
  const units = useUnits();
  const book = useDayBook(slug);
  const field = useRef<HTMLInputElement>(null);
  // A job to pick comes with its planting; the weight is all that is left.
  const begun = useSearchParams()[0].get('line');
  const [text, setText] = useState(begun ?? '');
  const [id, setId] = useState(freshId);
  const [odd, setOdd] = useState<Odd>();
  const [fault, setFault] = useState<string>();
  const [pad, setPad] = useState(false);
  const [weighing, setWeighing] = useState(false);
  const [kept, setKept] = useState<{ entries: readonly Entry[]; words: string }>();
  const line: Line = {
    text,
    day: isoOf(day),
    id,
    unit: units.system === 'imperial' ? 'lb' : 'kg',
  };
  const reading = useReading(slug, version, line);
  const readNow = useReadNow(slug, version);
  const ripe = useRipe(slug, version, day);

  const typed = (words: string) => {
    setText(words);
    setOdd(undefined);
    setFault(undefined);
    field.current?.focus();
  };
  const weighed = useCallback((weight: string) => {
    // Weighed anew, a line has the new weight.
    setText((line) => `${line.replace(WEIGHT, '').trimEnd()} ${weight}`.trimStart());
  }, []);
  const keep = async (entries: readonly Entry[], said: string, sure: boolean) => {
    // The line is free for the next one at once; what is refused comes back to it.
    const was = text;
    setText('');
    setOdd(undefined);
    setFault(undefined);
    setId(freshId());
    field.current?.focus();
    const done = await book.keepAll(entries, sure);
    if (done.is === 'done') setKept({ entries, words: said });
    else setText((now) => now || was);
    if (done.is !== 'refused') return;
    if (done.why.is('doubtful')) setOdd({ entries, words: said, why: done.why });
    else setFault(done.why.problem?.errors.map((e) => e.text).join('; ') ?? done.why.message);
  };
  const enter = async (event: SyntheticEvent) => {
    event.preventDefault();
    if (text.trim() === '') return;
    const read = await attempt(() => readNow(line));
    if (read.is === 'refused') setFault(read.why.message);
    if (read.is !== 'done') return;
    if (read.value.entry) await keep(read.value.entries, read.value.words, false);
    else setFault(read.value.words);
  };
  return (
    <div className="enter mt-auto pt-2">
      {kept && (
        <p className="text-[13px] text-muted" role="status">
          {`Kept: ${kept.words}. `}
          <button
            type="button"
            className="press"
            onClick={() =>
              void Promise.all(kept.entries.map((entry) => book.remove(entry.id))).then(() =>
                setKept(undefined),
              )
            }
          >
            Undo
          </button>
        </p>
      )}
      {weighing && <ScalePanel onWeight={weighed} />}
      <RipeRow state={state} ripe={ripe.data?.plantings} onChoose={typed} />
      <form className="flex flex-wrap items-center gap-x-4 gap-y-1" onSubmit={(e) => void enter(e)}>
        <input
          ref={field}
          aria-label="What was done or picked"
          aria-describedby="reads"
          className="min-w-[16rem] flex-1 text-[16px]"
          placeholder={`carrots low bed ${units.mass(EXAMPLE_KG)}`}
          maxLength={500}
          inputMode={pad ? 'none' : 'text'}
          autoFocus={begun !== null}
          autoComplete="off"
          value={text}
          onChange={(event) => typed(event.target.value)}
        />
        <button type="submit" className="act act-main min-h-11">
          Enter
        </button>
        <button
          type="button"
          className="press min-h-11"
          aria-expanded={weighing}
          onClick={() => setWeighing(!weighing)}
        >
          {weighing ? 'Put the scale away' : 'Use the scale'}
        </button>
        <button
          type="button"
          className="press min-h-11 sm:hidden"
          aria-expanded={pad}
          onClick={() => setPad(!pad)}
        >
          {pad ? 'Close the number pad' : 'Number pad'}
        </button>
        <p id="reads" className="w-full text-[13px] text-muted">
          {text.trim() !== '' && reading.data
            ? reading.data.entry
              ? `reads: ${reading.data.words}`
              : reading.data.words
            : ' '}
        </p>
      </form>
      {pad && (
        <NumberPad
          line={text}
          units={units.system === 'imperial' ? ['lb', 'oz'] : ['kg', 'g']}
          onLine={typed}
        />
      )}
      {text.trim() !== '' && reading.data && reading.data.among.length > 0 && (
        <Among
          state={state}
          among={reading.data.among}
          onChoose={(planting) => {
            const read = reading.data;
            if (!read.entry) return;
            const other = { ...read.entry, planting: planting.id, place: planting.place };
            void keep([{ ...other, crop: planting.crop }], squared(state, planting), false);
          }}
          shared={reading.data.shared.length}
          onShare={() => {
            const { shared, words } = reading.data;
            void keep(shared, `${words}, shared out by squares`, false);
          }}
        />
      )}
      {fault && <p role="alert">{fault}</p>}
      {odd && (
        <p role="alert">
          {`${odd.why.problem?.errors.map((e) => e.text).join('; ') ?? odd.why.message}. `}
          <button
            type="button"
            className="press"
            onClick={() => void keep(odd.entries, odd.words, true)}
          >
            Keep it all the same
          </button>
        </p>
      )}
    </div>
  );
}

/** A planting with its squares: a bed may hold several of one crop. */
function squared(state: HeldGarden, planting: PlantingReport): string {
  const [first, last] = [planting.cells[0], planting.cells.at(-1)];
  return `${namedIn(state, planting)} ${first === last ? (first ?? '') : `${first}–${last}`}`.trim();
}

interface RipeProps {
  state: HeldGarden;
  /** Undefined until it is known: its room is kept, so that nothing moves from under the thumb. */
  ripe: readonly string[] | undefined;
  onChoose: (words: string) => void;
}

/** What is likely to be picked: a press begins its line, and the weight is all that is left. */
function RipeRow({ state, ripe, onChoose }: RipeProps) {
  if (!ripe) return <div aria-hidden className="ripe-to-come pb-1" />;
  const shown = ripe
    .map((id) => state.report.plantings.find((planting) => planting.id === id))
    .filter((planting): planting is PlantingReport => planting !== undefined)
    .slice(0, MOST_RIPE);
  if (shown.length === 0) return null;
  return (
    <ul aria-label="Likely to be picked" className="ripe flex flex-wrap gap-x-4 pb-1 text-[14px]">
      {shown.map((planting) => (
        <li key={planting.id}>
          <button
            type="button"
            className="press"
            onClick={() => onChoose(lineBegun(state, planting))}
          >
            {namedIn(state, planting)}
          </button>
        </li>
      ))}
    </ul>
  );
}

interface AmongProps {
  state: HeldGarden;
  among: readonly string[];
  onChoose: (planting: PlantingReport) => void;
  /** Among how many it would be shared out; 0 where nothing was weighed. */
  shared: number;
  onShare: () => void;
}

/** Plantings that are meant as well as the one that a line was read as. */
function Among({ state, among, onChoose, shared, onShare }: AmongProps) {
  const plantings = among
    .map((id) => state.report.plantings.find((planting) => planting.id === id))
    .filter((planting): planting is PlantingReport => planting !== undefined);
  return (
    <p className="text-[13px]">
      {'or is it '}
      {plantings.map((planting, index) => (
        <span key={planting.id}>
          {index > 0 && ', '}
          <button type="button" className="press" onClick={() => onChoose(planting)}>
            {squared(state, planting)}
          </button>
        </span>
      ))}
      {'?'}
      {shared > 1 && (
        <button type="button" className="press ml-3" onClick={onShare}>
          {`Of all ${shared}, shared out by their squares`}
        </button>
      )}
    </p>
  );
}
