import { useRef, useState } from 'react';
import { useSearchParams } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import type { PlantingReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { useDay } from '../../shared/DayContext';
import { lineBegun, namedIn } from '../../shared/weighing';
import { NumberPad } from './day/NumberPad';
import { ScalePanel } from './day/ScalePanel';
import { useEntryLine } from './useEntryLine';
import { useRipe } from './useRecord';

const MOST_RIPE = 8;
const EXAMPLE_KG = 1.2;

/** One line to enter by: a crop or a bed, a weight, done. What it is read as stands beside it. */
export function EntryLine({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const { day } = useDay();
  const units = useUnits();
  const field = useRef<HTMLInputElement>(null);
  // A job to pick comes with its planting; the weight is all that is left.
  const begun = useSearchParams()[0].get('line');
  const { text, reading, fault, odd, kept, ...line } = useEntryLine(state, begun ?? '', field);
  const [pad, setPad] = useState(false);
  const [weighing, setWeighing] = useState(false);
  const ripe = useRipe(slug, version, day);
  return (
    <div className="enter mt-auto pt-2">
      {kept && (
        <p className="text-[13px] text-muted" role="status">
          {`Kept: ${kept.words}. `}
          <button type="button" className="press" onClick={() => void line.undo()}>
            Undo
          </button>
        </p>
      )}
      {weighing && <ScalePanel onWeight={line.weighed} />}
      <RipeRow state={state} ripe={ripe.data?.plantings} onChoose={line.typed} />
      <form
        className="flex flex-wrap items-center gap-x-4 gap-y-1"
        onSubmit={(e) => void line.enter(e)}
      >
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
          onChange={(event) => line.typed(event.target.value)}
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
          {text.trim() !== '' && reading
            ? reading.entry || reading.weather
              ? `reads: ${reading.words}`
              : reading.words
            : ' '}
        </p>
      </form>
      {pad && (
        <NumberPad
          line={text}
          units={units.system === 'imperial' ? ['lb', 'oz'] : ['kg', 'g']}
          onLine={line.typed}
        />
      )}
      {text.trim() !== '' && reading && reading.among.length > 0 && (
        <Among
          state={state}
          among={reading.among}
          onChoose={(planting) => {
            const read = reading;
            if (!read.entry) return;
            const other = { ...read.entry, planting: planting.id, place: planting.place };
            void line.keep([{ ...other, crop: planting.crop }], squared(state, planting), false);
          }}
          shared={reading.shared.length}
          onShare={() => {
            const { shared, words } = reading;
            void line.keep(shared, `${words}, shared out by squares`, false);
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
            onClick={() => void line.keep(odd.entries, odd.words, true)}
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
