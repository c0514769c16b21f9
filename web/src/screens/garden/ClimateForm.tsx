import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { attempt } from '../../api/attempt';
import { answered, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Climate, ClimateAnswer, Garden } from '../../api/types';
import { MeasureField, TextField, useTyped, WholeFault } from '../../kit/form';
import type { TypedForm } from '../../kit/form';
import { FileButton } from '../../kit/FileButton';
import { dayOf, SHORT_MONTHS as MONTHS, words } from '../../kit/day';
import type { Reader } from '../../kit/reader';
import { fieldUnit, readMeasure } from '../../kit/measures';
import { useUnits } from '../../kit/preferences';
import { useSettled } from '../../kit/useSettled';
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
type Frosts = Pick<Garden, 'last_frost' | 'first_frost' | 'frost_spread_days'>;

const fieldOf = (key: string, month: number) => `${key} ${month}`;

/** The twelve months' weather: typed, brought in as a table, or begun from a made-up climate. */
export function ClimateForm({ state }: { state: HeldGarden }) {
  const { slug } = state.head;
  const editor = useEditor(slug);
  const { system } = useUnits();
  const { garden } = state.plan;
  const form = useTyped(firstTyped(garden, system), (read) => ({
    climate: readClimate(read, system),
    zone: read.text('zone'),
    winter_low_c: read.measure('winter low', '°C', -90, 60),
    ...(read.typed.frosts ? (JSON.parse(read.typed.frosts) as Frosts) : {}),
  }));
  const [refused, setRefused] = useState<string>();
  const [made, setMade] = useState<ClimateAnswer>();
  const begin = (climate: Climate, from?: ClimateAnswer) => {
    setRefused(undefined);
    setMade(from);
    form.set('frosts', '');
    if (from) form.set('winter low', fieldUnit('°C', system).shown(from.winter_low_c));
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
      <form onSubmit={form.sent((changes) => editor.edit({ do: 'change-garden', changes }))}>
        {made && <ItsFrosts form={form} made={made} />}
        <Months form={form} />
        <Winter form={form} />
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
  onBegin: (climate: Climate, from?: ClimateAnswer) => void;
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
            if (chosen) onBegin(chosen.climate, chosen);
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

/** The frosts of the made-up climate that the table was begun from, to be taken or left. */
function ItsFrosts({ form, made }: { form: TypedForm<Typed>; made: ClimateAnswer }) {
  const frosts: Frosts = {
    last_frost: made.last_frost,
    first_frost: made.first_frost,
    frost_spread_days: made.spread_days,
  };
  return (
    <label className="mb-2 flex min-h-9 items-center gap-2">
      <input
        type="checkbox"
        className="min-h-0"
        checked={form.typed.frosts !== ''}
        onChange={(event) => form.set('frosts', event.target.checked ? JSON.stringify(frosts) : '')}
      />
      {`Take its frosts too: last about ${words(dayOf(made.last_frost))}, first about ${words(dayOf(made.first_frost))}`}
    </label>
  );
}

/** How cold a usual winter gets: typed, or from the growing zone. */
function Winter({ form }: { form: TypedForm<Typed> }) {
  const { system } = useUnits();
  const zone = useSettled('zone', form.typed.zone?.trim() ?? '');
  const low = useQuery({
    queryKey: ['winter-low', zone],
    enabled: zone !== '',
    retry: false,
    staleTime: Infinity,
    queryFn: ({ signal }) =>
      answered(api.GET('/api/winter-low', { params: { query: { zone } }, signal })),
  }).data;
  const shown = low && fieldUnit('°C', system).shown(low.winter_low_c);
  return (
    <div className="mt-3 flex flex-wrap items-end gap-x-5 gap-y-2">
      <MeasureField
        form={form}
        name="winter low"
        label="Coldest night of a usual winter"
        unit="°C"
      />
      <TextField form={form} name="zone" label="Growing zone, if you know it" />
      {shown !== undefined && shown !== form.typed['winter low'] && (
        <button type="button" className="press" onClick={() => form.set('winter low', shown)}>
          {`Zone ${zone}: use ${shown} ${fieldUnit('°C', system).label}`}
        </button>
      )}
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

function firstTyped(garden: Garden, system: UnitSystem): Typed {
  const low = garden.winter_low_c;
  const shown = low === null || low === undefined ? '' : fieldUnit('°C', system).shown(low);
  const winter = { zone: garden.zone ?? '', 'winter low': shown };
  return { ...typedOf(garden.climate, system), ...winter, frosts: '' };
}

/** Rows that are filled whole; an empty row is not known, a half-filled one is a slip. */
function readClimate(read: Reader<Typed>, system: UnitSystem): Record<string, number[]> | null {
  const climate: Record<string, number[]> = {};
  for (const [key, name, unit] of ROWS) {
    const texts = MONTHS.map((_, i) => read.text(fieldOf(key, i)));
    if (texts.every((text) => text === null)) continue;
    const values = texts.map((text) => (text === null ? NaN : readMeasure(text, unit, system)));
    const wrong = values.findIndex(Number.isNaN);
    if (wrong >= 0)
      read.fault(
        'whole',
        `${named(name, unit, system)}, ${MONTHS[wrong]}: enter a number, or leave the whole row blank.`,
      );
    climate[key] = values.map(rounded);
  }
  return Object.keys(climate).length > 0 ? climate : null;
}
