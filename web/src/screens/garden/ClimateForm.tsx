import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { attempt } from '../../api/attempt';
import { answered, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Climate, ClimateAnswer } from '../../api/types';
import { useTyped, WholeFault } from '../../kit/form';
import type { TypedForm } from '../../kit/form';
import { FileButton } from '../../kit/FileButton';
import { SHORT_MONTHS as MONTHS } from '../../kit/day';
import type { Reader } from '../../kit/reader';
import { fieldUnit } from '../../kit/measures';
import { useUnits } from '../../kit/preferences';
import { numberOf } from '../../kit/text';
import type { UnitSystem } from '../../kit/units';

const ROWS = [
  ['tmin_c', 'Mean low', '°C'],
  ['tmax_c', 'Mean high', '°C'],
  ['rain_mm', 'Rain', 'mm'],
  ['vapour_kpa', 'Vapour', 'kPa'],
  ['wind_m_per_s', 'Wind', 'm/s'],
  ['sunshine_hours', 'Sunshine', 'h per day'],
] as const;
type Typed = Record<string, string>;

const fieldOf = (key: string, month: number) => `${key} ${month}`;

/** The twelve months' weather: typed, brought in as a table, or begun from a made-up climate. */
export function ClimateForm({ state }: { state: HeldGarden }) {
  const { slug } = state.head;
  const editor = useEditor(slug);
  const { system } = useUnits();
  const form = useTyped(typedOf(state.plan.garden.climate, system), (read) =>
    readClimate(read, system),
  );
  const [refused, setRefused] = useState<string>();
  const begin = (climate: Climate) => {
    setRefused(undefined);
    for (const [key, text] of Object.entries(typedOf(climate, system))) form.set(key, text);
  };
  return (
    <section aria-labelledby="weather" className="col-span-full">
      <h2 id="weather" className="mb-1 text-base">
        The weather of a usual year
      </h2>
      <p className="mb-2 text-muted">
        Lows, highs and rain give the water a bed needs; vapour, wind and sunshine, where a station
        reports them, make it more exact.
      </p>
      <Beginnings state={state} onBegin={begin} onRefused={setRefused} />
      <form
        onSubmit={form.sent((climate) =>
          editor.edit({ do: 'change-garden', changes: { climate } }),
        )}
      >
        <Months form={form} />
        {refused && (
          <p role="alert" className="mt-1 font-semibold text-damson">
            {refused}
          </p>
        )}
        <WholeFault form={form} />
        <p className="mt-2">
          <button type="submit" className="act act-main">
            Save the weather
          </button>
        </p>
      </form>
    </section>
  );
}

interface BeginningsProps {
  state: HeldGarden;
  onBegin: (climate: Climate) => void;
  onRefused: (words: string) => void;
}

/** What the table can be begun from, and the table as a file. */
function Beginnings({ state, onBegin, onRefused }: BeginningsProps) {
  const { latitude } = state.plan.garden;
  const climates = useQuery<ClimateAnswer[], ProblemError>({
    queryKey: ['climates', latitude],
    staleTime: Infinity,
    queryFn: ({ signal }) =>
      answered(api.GET('/api/climates', { params: { query: { latitude } }, signal })),
  }).data;
  const take = async (chosen: File) => {
    const read = await attempt(async () =>
      answered(api.POST('/api/climate-table', { body: { text: await chosen.text() } })),
    );
    if (read.is === 'done') onBegin(read.value);
    if (read.is === 'refused') onRefused(`${chosen.name}: ${read.why.message}`);
  };
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-5 gap-y-1">
      <label className="flex max-w-full items-center gap-2">
        Start from
        <select
          className="min-w-0"
          value=""
          onChange={(event) => {
            const chosen = climates?.find((c) => c.id === event.target.value);
            if (chosen) onBegin(chosen.climate);
          }}
        >
          <option value="">a made-up climate…</option>
          {climates?.map((climate) => (
            <option key={climate.id} value={climate.id}>
              {`${climate.label}: ${climate.suits}`}
            </option>
          ))}
        </select>
      </label>
      <FileButton
        words="Import a table as CSV"
        label="Table of monthly normals"
        accept=".csv,.txt,text/csv,text/plain"
        onFile={(chosen) => void take(chosen)}
      />
      <a className="press" href={`/api/gardens/${state.head.slug}/climate.csv`} download>
        Export as CSV
      </a>
    </div>
  );
}

function Months({ form }: { form: TypedForm<Typed> }) {
  const { system } = useUnits();
  const rows = ROWS.map(([key, name, unit]) => [key, named(name, unit, system)] as const);
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[720px] table-fixed">
        <caption className="sr-only">Monthly normals</caption>
        <thead className="text-muted">
          <tr>
            <td className="w-36" />
            {MONTHS.map((month) => (
              <th key={month} scope="col" className="font-normal">
                {month}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([key, label]) => (
            <tr key={key}>
              <th scope="row" className="text-left font-normal">
                {label}
              </th>
              {MONTHS.map((month, i) => (
                <td key={month} className="px-0.5">
                  <input
                    className="w-full px-0 text-center"
                    aria-label={`${label}, ${month}`}
                    inputMode="decimal"
                    value={form.typed[fieldOf(key, i)] ?? ''}
                    onChange={(event) => form.set(fieldOf(key, i), event.target.value)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const rounded = (value: number) => Math.round(value * 1000) / 1000;

function named(name: string, unit: string, system: UnitSystem): string {
  return `${name}, ${fieldUnit(unit, system).label}`;
}

function typedOf(climate: Climate | null | undefined, system: UnitSystem): Typed {
  return Object.fromEntries(
    ROWS.flatMap(([key, , unit]) =>
      MONTHS.map((_, i) => {
        const value = climate?.[key]?.[i];
        const text = value === undefined ? '' : fieldUnit(unit, system).shown(value);
        return [fieldOf(key, i), text];
      }),
    ),
  );
}

/** Rows that are filled whole; an empty row is not known, a half-filled one is a slip. */
function readClimate(read: Reader<Typed>, system: UnitSystem): Record<string, number[]> | null {
  const climate: Record<string, number[]> = {};
  for (const [key, name, unit] of ROWS) {
    const texts = MONTHS.map((_, i) => read.text(fieldOf(key, i)));
    if (texts.every((text) => text === null)) continue;
    const values = texts.map((text) => (text === null ? NaN : numberOf(text)));
    const wrong = values.findIndex(Number.isNaN);
    if (wrong >= 0)
      read.fault(
        'whole',
        `${named(name, unit, system)}, ${MONTHS[wrong]}: enter a number, or leave the whole row blank.`,
      );
    climate[key] = values.map((value) => rounded(fieldUnit(unit, system).read(value)));
  }
  return Object.keys(climate).length > 0 ? climate : null;
}
