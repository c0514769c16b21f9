import { useState } from 'react';

import { attempt } from '../../../api/attempt';
import type { HeldGarden } from '../../../api/merge';
import type { DayOfWeather, WeatherSeen } from '../../../api/types';
import { MeasureField, NumberField, WholeFault, useTyped } from '../../../kit/form';
import { measureText } from '../../../kit/measures';
import { useUnits } from '../../../kit/preferences';
import type { Units } from '../../../kit/units';
import { useDay } from '../../../shared/DayContext';
import { useAfresh } from '../useRecord';
import { SoilProbe } from './SoilProbe';
import { keepWeather, useMeasured, useWeather } from './useWeather';

/** The weather of the day in one line, and a press to enter what was measured. */
export function WeatherLine({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const { day } = useDay();
  const units = useUnits();
  const [probing, setProbing] = useState(false);
  const [entering, setEntering] = useState(false);
  const weather = useWeather(slug, version, day).data?.[0];
  const measured = useMeasured(slug, day);
  if (!weather) return null;
  return (
    <>
      <p className="text-[13px] text-muted">
        {`${told(weather, units)} `}
        <button
          type="button"
          className="press"
          aria-expanded={entering}
          onClick={() => setEntering(!entering)}
        >
          {entering ? 'Close the weather' : 'Enter the weather'}
        </button>{' '}
        <button
          type="button"
          className="press ml-3"
          aria-expanded={probing}
          onClick={() => setProbing(!probing)}
        >
          {probing ? 'Put the thermometer away' : 'Measure the soil'}
        </button>
      </p>
      {probing && <SoilProbe state={state} />}
      {entering && measured.data && (
        <Measured
          key={measured.data.day}
          slug={slug}
          seen={measured.data}
          onDone={() => setEntering(false)}
        />
      )}
    </>
  );
}

const FIGURES = ['low_c', 'high_c', 'rain_mm'] as const;

/** "9 to 21 °C, 4 mm of rain, frost", and how much of it is made up. */
function told(weather: DayOfWeather, units: Units): string {
  const { low_c: low, high_c: high, rain_mm: rain } = weather;
  const parts = [
    low !== null && high !== null
      ? `${units.temperature(low)} to ${units.temperature(high)}`
      : [low, high].filter((c) => c !== null).map((c) => units.temperature(c))[0],
    rain === null ? null : rain > 0 ? `${units.rain(rain)} of rain` : 'no rain',
    weather.frost ? 'frost' : null,
  ].filter(Boolean);
  if (parts.length === 0) return 'No weather is entered for this day.';
  const known = FIGURES.filter((figure) => weather[figure] !== null);
  const entered = known.filter((figure) => weather.measured.includes(figure));
  const how =
    entered.length === known.length
      ? 'as measured'
      : entered.length === 0
        ? 'made up from the usual year'
        : 'what was not measured is made up';
  const week =
    weather.week_rain_mm === null
      ? ''
      : ` ${units.rain(weather.week_rain_mm)} in the gauge over seven days.`;
  return `${parts.join(', ')}; ${how}.${week}`;
}

const AT = {
  low: 'min_c',
  high: 'max_c',
  rain: 'rain_mm',
  days: 'rain_days',
} as const;

interface MeasuredProps {
  slug: string;
  seen: WeatherSeen;
  onDone: () => void;
}

/** What was measured: lowest, highest, what the gauge holds since it was emptied, frost. */
function Measured({ slug, seen, onDone }: MeasuredProps) {
  const { system } = useUnits();
  const afresh = useAfresh(slug);
  const [frost, setFrost] = useState(seen.frost);
  const form = useTyped(
    {
      low: measureText(seen.min_c ?? null, '°C', system),
      high: measureText(seen.max_c ?? null, '°C', system),
      rain: measureText(seen.rain_mm ?? null, 'mm', system),
      days: String(seen.rain_days),
    },
    (read): WeatherSeen => ({
      day: seen.day,
      min_c: read.measure('low', '°C', -70, 60),
      max_c: read.measure('high', '°C', -70, 60),
      rain_mm: read.measure('rain', 'mm', 0, 2000),
      rain_days: Math.round(read.number('days', 1, 31) ?? 1),
      frost,
    }),
  );
  const save = async (entered: WeatherSeen) => {
    const done = await attempt(() => keepWeather(slug, entered));
    if (done.is === 'done') {
      await afresh();
      onDone();
    } else if (done.is === 'refused' && !form.refusedAt(AT, done.why)) {
      form.refuse('low', done.why.problem?.errors[0]?.text ?? done.why.message);
    }
  };
  return (
    <form
      aria-label="The weather of the day"
      className="flex flex-wrap items-end gap-x-4 gap-y-1 border-b border-rule pb-2"
      onSubmit={form.sent(save)}
    >
      <MeasureField form={form} name="low" label="Lowest" unit="°C" />
      <MeasureField form={form} name="high" label="Highest" unit="°C" />
      <MeasureField form={form} name="rain" label="Rain in the gauge" unit="mm" />
      <NumberField form={form} name="days" label="Emptied how many days ago" />
      <label className="flex min-h-8 items-center gap-2">
        <input
          type="checkbox"
          className="min-h-0"
          checked={frost}
          onChange={(event) => setFrost(event.target.checked)}
        />
        frost seen
      </label>
      <WholeFault form={form} />
      <button type="submit" className="act act-main">
        Save
      </button>
    </form>
  );
}
