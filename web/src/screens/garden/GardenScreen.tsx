import { useState } from 'react';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Garden } from '../../api/types';
import { Choice } from '../../kit/Choice';
import type { Options } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { usePreferences } from '../../kit/preferences';
import type { Preferences } from '../../kit/preferences';
import type { UnitSystem } from '../../kit/units';
import { numberOf } from '../../kit/text';
import { ClimateForm } from './ClimateForm';
import { InAndOut } from './InAndOut';
import { LikelyEnds } from './LikelyEnds';
import { OwnMeasures } from './OwnMeasures';
import { SquareCounts } from './SquareCounts';
import { LAYOUTS, WALLS } from '../../shared/words';

/** The garden's own facts, how it is shown, and the ways in and out. */
export function GardenScreen({ state }: { state: HeldGarden }) {
  return (
    <main className="grid max-w-5xl grid-cols-1 content-start gap-8 overflow-y-auto p-6 lg:grid-cols-2">
      <h1 className="col-span-full text-xl">{state.plan.garden.name}</h1>
      <div className="space-y-8">
        <Facts key={state.head.version} state={state} />
        <LikelyEnds state={state} />
        <SquareCounts state={state} />
      </div>
      <div className="space-y-8">
        <Shown />
        <OwnMeasures key={`measures-${state.head.version}`} state={state} />
        <InAndOut state={state} />
      </div>
      <ClimateForm key={`weather-${state.head.version}`} state={state} />
    </main>
  );
}

const SCHOOLS = [
  ['shallow', 'a rich, shallow mix will do'],
  ['standard', 'the standard depths'],
  ['deep', 'deep, loosened soil'],
] as const;
const THEMES: Options<Preferences['theme']> = [
  ['system', 'as the device'],
  ['light', 'light'],
  ['dark', 'dark'],
];
const GARDENS_UNITS: Options<UnitSystem> = [
  ['metric', 'centimetres, kilograms, litres'],
  ['imperial', 'feet, pounds, US gallons'],
];
const REGIONS: Options<NonNullable<Garden['words']>> = [
  ['en-GB', 'British: courgette, aubergine'],
  ['en-US', 'American: zucchini, eggplant'],
];
const SYSTEMS: Options<Preferences['units']> = [['garden', 'as the garden'], ...GARDENS_UNITS];
const TIMES: Options<string> = [
  ['calendar', 'calendar days'],
  ['thermal', 'warmth, from the weather of a usual year'],
];
const DATES = [
  ['last_frost', 'Last frost'],
  ['first_frost', 'First frost'],
] as const;

function Facts({ state }: { state: HeldGarden }) {
  const editor = useEditor(state.head.slug);
  const { garden } = state.plan;
  const [typed, setTyped] = useState({
    name: garden.name,
    latitude: String(garden.latitude),
    last_frost: garden.last_frost,
    first_frost: garden.first_frost,
    spread: garden.frost_spread_days?.toString() ?? '',
    depth: garden.policies.depth ?? 'standard',
    layout: garden.policies.layout ?? 'merged',
    walls: garden.policies.walls ?? 'half',
    units: garden.units ?? 'metric',
    words: garden.words ?? 'en-GB',
    time: garden.policies.time ?? 'calendar',
  });
  const set = (key: keyof typeof typed, value: string) =>
    setTyped((now) => ({ ...now, [key]: value }));
  const guessed = state.report.year.guessed;
  const latitude = numberOf(typed.latitude);
  const faulty = Number.isNaN(latitude) || Math.abs(latitude) > 90;
  const save = () => {
    const still = guessed.filter(
      (key) => typed[key as 'last_frost'] === garden[key as 'last_frost'],
    );
    void editor.edit({
      do: 'change-garden',
      changes: {
        name: typed.name.trim() || garden.name,
        latitude,
        last_frost: typed.last_frost,
        first_frost: typed.first_frost,
        units: typed.units === 'metric' ? null : typed.units,
        words: typed.words === 'en-GB' ? null : typed.words,
        frost_spread_days: typed.spread === '' ? null : Number(typed.spread),
        policies: {
          ...garden.policies,
          depth: typed.depth,
          layout: typed.layout,
          walls: typed.walls,
          time: typed.time,
        },
        'x-guessed': still.length > 0 ? still : null,
      },
    });
  };
  return (
    <section aria-labelledby="facts">
      <h2 id="facts" className="mb-2 text-base">
        The garden
      </h2>
      <form
        className="grid grid-cols-2 gap-x-4 gap-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (!faulty) save();
        }}
      >
        <Field label="Name">
          <input value={typed.name} maxLength={120} onChange={(e) => set('name', e.target.value)} />
        </Field>
        <Field
          label="Latitude, south below zero"
          fault={faulty ? 'Enter degrees from −90 to 90.' : undefined}
        >
          <input
            value={typed.latitude}
            inputMode="decimal"
            onChange={(e) => set('latitude', e.target.value)}
          />
        </Field>
        {DATES.map(([key, label]) => (
          <Field key={key} label={guessed.includes(key) ? `${label} (guessed)` : label}>
            <input type="date" value={typed[key]} onChange={(e) => set(key, e.target.value)} />
          </Field>
        ))}
        <Field label="Spread of frost dates, days" hint="From year to year. Leave blank for 10.">
          <input
            type="number"
            min={0}
            max={90}
            value={typed.spread}
            onChange={(e) => set('spread', e.target.value)}
          />
        </Field>
        <Choice
          label="Days to the first pick by"
          value={typed.time}
          options={TIMES}
          onChange={(v) => set('time', v)}
        />
        <Choice
          label="Depth standard"
          value={typed.depth}
          options={SCHOOLS}
          onChange={(v) => set('depth', v)}
        />
        <Choice
          label="How plants are set out"
          value={typed.layout}
          options={LAYOUTS}
          onChange={(v) => set('layout', v)}
        />
        <Choice
          label="Names of crops"
          value={typed.words}
          options={REGIONS}
          onChange={(v) => set('words', v)}
        />
        <Choice
          label="Measures"
          value={typed.units}
          options={GARDENS_UNITS}
          onChange={(v) => set('units', v)}
        />
        <Choice
          label="Distance from walls"
          value={typed.walls}
          options={WALLS}
          onChange={(v) => set('walls', v)}
        />
        <p className="col-span-full">
          <button type="submit" className="act act-main">
            Save the garden
          </button>
        </p>
      </form>
    </section>
  );
}

function Shown() {
  const { preferences, change } = usePreferences();
  return (
    <section aria-labelledby="shown">
      <h2 id="shown" className="mb-2 text-base">
        On this device
      </h2>
      <div className="grid grid-cols-2 gap-4">
        <Choice
          label="Light or dark"
          value={preferences.theme}
          options={THEMES}
          onChange={(theme) => change({ theme })}
        />
        <Choice
          label="Measures on this device"
          value={preferences.units}
          options={SYSTEMS}
          onChange={(units) => change({ units })}
        />
        <label className="col-span-full flex items-center gap-2">
          <input
            type="checkbox"
            className="min-h-0"
            checked={preferences.letterKeys}
            onChange={(e) => change({ letterKeys: e.target.checked })}
          />
          Typing a crop’s two letters in the bed plants it
        </label>
      </div>
    </section>
  );
}
