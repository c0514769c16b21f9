import { useState } from 'react';

import { capital } from '../../kit/text';
import type { HeldGarden } from '../../api/merge';
import type { CropSupply, Want } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { CommittedInput } from '../../kit/CommittedInput';
import { readMeasure } from '../../kit/measures';
import { useUnits } from '../../kit/preferences';
import { numberOf } from '../../kit/text';
import { SHORT_MONTHS } from '../../kit/day';
import { useWants, wantOf } from './useWants';

const MOST_WANTED = 5000;

type Span = readonly [string, string];

const ALL_YEAR = '';

/** Spells of months in which a crop is eaten, as they are usually said. */
const SPANS: readonly (readonly [string, readonly number[]])[] = [
  [ALL_YEAR, []],
  ['3-5', [3, 4, 5]],
  ['4-10', [4, 5, 6, 7, 8, 9, 10]],
  ['6-9', [6, 7, 8, 9]],
  ['7-11', [7, 8, 9, 10, 11]],
  ['9-3', [9, 10, 11, 12, 1, 2, 3]],
  ['10-5', [10, 11, 12, 1, 2, 3, 4, 5]],
];

function spanWords(months: readonly number[]): string {
  const first = SHORT_MONTHS[(months[0] ?? 1) - 1] ?? '';
  const last = SHORT_MONTHS[(months.at(-1) ?? 12) - 1] ?? '';
  return months.length === 0 ? 'all year' : `${first} to ${last}`;
}

function sameMonths(one: readonly number[], other: readonly number[]): boolean {
  return [...one].sort((a, b) => a - b).join() === [...other].sort((a, b) => a - b).join();
}

/** What is wanted in per year, by weight or pieces, when it is eaten, and how it is kept. */
export function WantForm({ state, crop }: { state: HeldGarden; crop: CropSupply }) {
  const units = useUnits();
  const save = useWants(state);
  const want: Want | undefined = wantOf(state, crop);
  const months = want?.months ?? [];
  const span = SPANS.find(([, span]) => sameMonths(span, months));
  const spans: Span[] = SPANS.map(([key, span]) => [key, spanWords(span)]);
  if (!span) spans.push(['own', 'some months']);
  const ways: Span[] = [
    ['', 'not kept'],
    ...crop.keeps.map((k): Span => [k.way, `${k.label}, ${Math.round(k.weeks)} weeks`]),
  ];
  return (
    <>
      <WantField state={state} crop={crop} want={want} />
      {crop.piece_kg !== null && (
        <Choice
          inline
          label="by"
          value={byPieces(want) ? 'pieces' : 'kg'}
          options={[
            ['kg', units.weightUnit],
            ['pieces', 'pieces'],
          ]}
          onChange={(unit) => {
            const kg = crop.want_kg ?? 0;
            save(
              crop,
              unit === 'pieces'
                ? { kg_per_year: null, pieces_per_year: Math.round(kg / (crop.piece_kg ?? 1)) }
                : { kg_per_year: Math.round(kg * 100) / 100, pieces_per_year: null },
            );
          }}
        />
      )}
      <Choice
        inline
        label="per year,"
        value={span ? span[0] : 'own'}
        options={spans}
        onChange={(key) => {
          const span = SPANS.find(([name]) => name === key);
          if (span) save(crop, { months: [...span[1]] });
        }}
      />
      {crop.keeps.length > 0 && (
        <Choice
          inline
          label="and then"
          value={want?.keep ?? ''}
          options={ways}
          onChange={(way) => save(crop, { keep: way || null })}
        />
      )}
      {crop.keeps.map(
        (k) =>
          k.caution && (
            <p key={k.way} className="w-full text-[13px] text-muted">
              {`${capital(k.label)}: ${k.caution}`}
            </p>
          ),
      )}
    </>
  );
}

function byPieces(want: Want | undefined): boolean {
  return want?.kg_per_year === null && want.pieces_per_year !== null;
}

interface WantProps {
  state: HeldGarden;
  crop: CropSupply;
  want: Want | undefined;
}

/** What is wanted of a crop in a year; what cannot be read is said, and nothing is saved. */
function WantField({ state, crop, want }: WantProps) {
  const units = useUnits();
  const save = useWants(state);
  const [fault, setFault] = useState<string>();
  const pieces = byPieces(want);
  const shown = pieces
    ? String(want?.pieces_per_year ?? 0)
    : String(Math.round(units.weightValue(crop.want_kg ?? 0) * 10) / 10);
  const commit = (typed: string) => {
    const value = pieces ? numberOf(typed) : readMeasure(typed, 'kg', units.system);
    const sound = typed.trim() !== '' && value >= 0 && value <= MOST_WANTED;
    setFault(sound ? undefined : `Enter 0 to ${MOST_WANTED}; 0 takes it off the list.`);
    if (!sound || typed === shown) return;
    if (value === 0) save(crop, null);
    else if (pieces) save(crop, { pieces_per_year: value });
    else save(crop, { kg_per_year: Math.round(value * 100) / 100 });
  };
  return (
    <span>
      <label className="flex items-baseline gap-1 text-[13px] text-muted">
        <span>of</span>
        <CommittedInput
          aria-label={`${crop.name}, ${pieces ? 'pieces' : units.weightUnit} wanted per year`}
          aria-invalid={fault !== undefined}
          className="min-h-0 w-16 px-1 py-0"
          inputMode="decimal"
          value={shown}
          onCommit={commit}
        />
        {crop.piece_kg === null && <span>{units.weightUnit}</span>}
      </label>
      {fault && (
        <span role="alert" className="font-semibold text-damson">
          {fault}
        </span>
      )}
    </span>
  );
}
