import { useState } from 'react';

import type { ProblemError } from '../../api/client';
import type { CropVerdict, ShelfAnswer, ShelfEntry } from '../../api/types';
import { Find } from '../../kit/Find';
import { useUnits } from '../../kit/preferences';
import { dayOf, shortWords, words } from '../../kit/day';
import type { Day } from '../../kit/day';
import { Verdict } from '../../shared/Verdict';
import { EVIDENCE, HOW_STARTED } from '../../shared/words';

interface Props {
  cells: readonly string[];
  day: Day;
  answer: ShelfAnswer | undefined;
  verdicts: Record<string, CropVerdict> | undefined;
  problem: ProblemError | null;
  onPlant: (entry: ShelfEntry) => void;
  onDay: (day: Day) => void;
}

/** What fits the chosen squares on the day, best first; below it what does not, and why. */
export function Shelf({ cells, day, answer, verdicts, problem, onPlant, onDay }: Props) {
  const [wanted, setWanted] = useState('');
  if (cells.length === 0) {
    return (
      <p className="py-2 text-muted">
        Press or drag over squares in the bed; the crops that fit them on {words(day)} are listed
        here, best first.
      </p>
    );
  }
  if (problem) return <p className="py-2">{problem.message}</p>;
  if (!answer) return <p className="py-2 text-muted">Working out what fits …</p>;
  if (answer.blocked) {
    const free = answer.free_from ? dayOf(answer.free_from) : null;
    return (
      <p className="py-2">
        {`${answer.blocked}. `}
        {free !== null && (
          <button type="button" className="press" onClick={() => onDay(free)}>
            {`See what follows on ${words(free)}`}
          </button>
        )}
      </p>
    );
  }
  const text = wanted.trim().toLowerCase();
  const matching = answer.entries.filter(
    (e) =>
      e.mark.toLowerCase() === text ||
      [e.name, ...e.names].some((name) => name.toLowerCase().includes(text)),
  );
  const fitting = matching.filter((e) => e.fits);
  const others = matching.filter((e) => !e.fits);
  return (
    <div>
      <p className="flex items-baseline justify-between gap-2 text-muted">
        <span>{`${cells.length} ${cells.length === 1 ? 'square' : 'squares'} from ${words(day)}`}</span>
        <Find
          label="Find a crop"
          value={wanted}
          onChange={setWanted}
          className="min-h-0 w-28 px-1.5 py-0.5"
        />
      </p>
      {answer.sun && (
        <p className="text-[13px] text-muted">
          {`Sun from spring to autumn: ${answer.sun.morning.toFixed(1)} h before noon, ${answer.sun.afternoon.toFixed(1)} h after.`}
        </p>
      )}
      {fitting.length === 0 && (
        <p className="py-1">Nothing fits as things stand. The reasons are below.</p>
      )}
      <ul aria-label="Crops that fit">
        {fitting.map((entry) => (
          <li key={entry.crop} className="border-b border-faint">
            <Offer entry={entry} verdict={verdicts?.[entry.crop]} onPlant={onPlant} />
          </li>
        ))}
      </ul>
      {others.length > 0 && (
        <>
          <h3 className="mt-2 text-[13px]">What does not fit</h3>
          <p className="text-muted">
            You can plant any of these anyway; the reason becomes a note.
          </p>
          <ul aria-label="Crops that do not fit">
            {others.map((entry) => (
              <li key={entry.crop} className="border-b border-faint">
                <Against entry={entry} onPlant={onPlant} />
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** A crop that does not fit, to be planted against advice. */
function Against({ entry, onPlant }: { entry: ShelfEntry; onPlant: (entry: ShelfEntry) => void }) {
  return (
    <button
      type="button"
      className="flex w-full gap-2 py-0.5 text-left text-muted hover:bg-wash"
      onClick={() => onPlant(entry)}
    >
      <span className="w-6 shrink-0 font-semibold">{entry.mark}</span>
      <span>{`${entry.name}: ${entry.reason}`}</span>
    </button>
  );
}

interface OfferProps {
  entry: ShelfEntry;
  verdict: CropVerdict | undefined;
  onPlant: (entry: ShelfEntry) => void;
}

function Offer({ entry, verdict, onPlant }: OfferProps) {
  const units = useUnits();
  const kg = entry.harvest_kg;
  const gives =
    kg.p50 > 0
      ? `${units.weight(kg.p10)} – ${units.weight(kg.p50)} – ${units.weight(kg.p90)} ${units.weightUnit}`
      : entry.first_pick
        ? 'no weight counted'
        : 'first picked in a later year';
  const pick = entry.first_pick ? `from ${shortWords(dayOf(entry.first_pick))}` : '';
  const support = entry.support ? ', on the net' : '';
  return (
    <button
      type="button"
      className="flex w-full gap-2 py-1 hover:bg-wash"
      onClick={() => onPlant(entry)}
    >
      <span className="w-6 shrink-0 font-semibold text-damson">{entry.mark}</span>
      <span className="grow">
        <span className="flex justify-between gap-2">
          <span className="font-semibold">{entry.name}</span>
          <span className="whitespace-nowrap">{gives}</span>
        </span>
        <span className="flex justify-between gap-2 text-[12.5px] text-muted">
          <span>{`${HOW_STARTED[entry.start]}, ${entry.plants} at ${units.length(entry.spacing_cm)}${support}`}</span>
          <span className="whitespace-nowrap">
            {entry.clear_by ? `cleared by ${shortWords(dayOf(entry.clear_by))}` : pick}
          </span>
        </span>
        <Verdict of={verdict} />
        {entry.companions.map((near) => (
          <span
            key={`${near.name} ${near.effect}`}
            className={`block text-[12.5px] ${near.good ? 'text-leaf' : 'text-marigold'}`}
          >
            {`${near.good ? 'Good beside' : 'Keep apart from'} ${near.name}: ${near.effect} (${EVIDENCE[near.evidence] ?? near.evidence})`}
          </span>
        ))}
      </span>
    </button>
  );
}
