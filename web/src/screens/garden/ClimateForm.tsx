import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answered, api, ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Climate, ClimateAnswer } from '../../api/types';
import { FileButton } from '../../kit/FileButton';
import { SHORT_MONTHS as MONTHS } from '../../kit/day';

const ROWS = [
  ['tmin_c', 'Mean low, °C'],
  ['tmax_c', 'Mean high, °C'],
  ['rain_mm', 'Rain, mm'],
  ['vapour_kpa', 'Vapour, kPa'],
  ['wind_m_per_s', 'Wind, m/s'],
  ['sunshine_hours', 'Sunshine, h per day'],
] as const;
type Key = (typeof ROWS)[number][0];
type Typed = Record<Key, string[]>;

/** The twelve months' weather: typed, brought in as a table, or begun from a made-up climate. */
export function ClimateForm({ state }: { state: HeldGarden }) {
  const { slug } = state.head;
  const { garden } = state.plan;
  const editor = useEditor(slug);
  const [typed, setTyped] = useState<Typed>(() => typedOf(garden.climate));
  const [fault, setFault] = useState<string | null>(null);
  const known = useQuery<ClimateAnswer[], ProblemError>({
    queryKey: ['climates', garden.latitude],
    staleTime: Infinity,
    queryFn: ({ signal }) =>
      answered(
        api.GET('/api/climates', { params: { query: { latitude: garden.latitude } }, signal }),
      ),
  });
  const take = async (chosen: File) => {
    try {
      const text = await chosen.text();
      const read = await answered(api.POST('/api/climate-table', { body: { text } }));
      setTyped(typedOf(read));
      setFault(null);
    } catch (cause) {
      if (!(cause instanceof ProblemError)) throw cause;
      setFault(`${chosen.name}: ${cause.message}`);
    }
  };
  const save = () => {
    const read = readTyped(typed);
    setFault(read.fault);
    if (read.fault === null)
      void editor.edit({ do: 'change-garden', changes: { climate: read.climate } });
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
      <div className="mb-2 flex flex-wrap items-center gap-x-5 gap-y-1">
        <label className="flex max-w-full items-center gap-2">
          Start from
          <select
            className="min-w-0"
            value=""
            onChange={(event) => {
              const chosen = known.data?.find((c) => c.id === event.target.value);
              if (chosen) setTyped(typedOf(chosen.climate));
            }}
          >
            <option value="">a made-up climate…</option>
            {known.data?.map((climate) => (
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
        <a className="press" href={`/api/gardens/${slug}/climate.csv`} download>
          Export as CSV
        </a>
      </div>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
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
              {ROWS.map(([key, label]) => (
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
                        value={typed[key][i] ?? ''}
                        onChange={(event) =>
                          setTyped((now) => ({
                            ...now,
                            [key]: now[key].map((old, j) => (j === i ? event.target.value : old)),
                          }))
                        }
                      />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        {fault && (
          <p role="alert" className="mt-1 font-semibold text-damson">
            {fault}
          </p>
        )}
        <p className="mt-2">
          <button type="submit" className="act act-main">
            Save the weather
          </button>
        </p>
      </form>
    </section>
  );
}

function typedOf(climate: Climate | null | undefined): Typed {
  return Object.fromEntries(
    ROWS.map(([key]) => [key, MONTHS.map((_, i) => climate?.[key]?.[i]?.toString() ?? '')]),
  ) as unknown as Typed;
}

/** Rows that are filled whole; an empty row is not known, a half-filled one is a slip. */
function readTyped(typed: Typed): {
  climate: Record<string, number[]> | null;
  fault: string | null;
} {
  const climate: Record<string, number[]> = {};
  for (const [key, label] of ROWS) {
    const texts = typed[key].map((text) => text.trim().replace(',', '.').replace('−', '-'));
    if (texts.every((text) => text === '')) continue;
    const wrong = texts.findIndex((text) => text === '' || Number.isNaN(Number(text)));
    if (wrong >= 0)
      return {
        climate: null,
        fault: `${label}, ${MONTHS[wrong]}: enter a number, or leave the whole row blank.`,
      };
    climate[key] = texts.map(Number);
  }
  return { climate: Object.keys(climate).length > 0 ? climate : null, fault: null };
}
