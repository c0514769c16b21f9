import { useCallback, useState } from 'react';

import { Choice } from '../../../kit/Choice';
import { NumberField, useTyped } from '../../../kit/form';
import { useUnits } from '../../../kit/preferences';
import { useDevice } from './useDevice';

const UNITS = {
  kg: { times: 1, digits: 3 },
  g: { times: 1000, digits: 0 },
  lb: { times: 2.204_622_6, digits: 2 },
  oz: { times: 35.273_962, digits: 1 },
} as const;

type Unit = keyof typeof UNITS;

const CHOICES = (Object.keys(UNITS) as Unit[]).map((unit) => [unit, unit] as const);

const inUnit = (kg: number, unit: Unit) =>
  `${(kg * UNITS[unit].times).toFixed(UNITS[unit].digits)} ${unit}`;

/** What the scale shows; once it stands still, its weight is put into the line, once. */
export function ScalePanel({ onWeight }: { onWeight: (words: string) => void }) {
  const { system } = useUnits();
  const [unit, setUnit] = useState<Unit>(system === 'imperial' ? 'lb' : 'kg');
  const take = useCallback((kg: number) => onWeight(inUnit(kg, unit)), [onWeight, unit]);
  const { read, tare, standIn } = useDevice('scale', take);
  const { data, error } = read;
  return (
    <section
      aria-label="The scale"
      className="mb-1 flex flex-wrap items-end gap-x-5 gap-y-1 border-y border-rule py-1"
    >
      {error ? (
        <p role="alert" className="grow">
          {`${error.message} `}
          <button type="button" className="press" onClick={() => void standIn({ connected: true })}>
            Connect it again
          </button>
        </p>
      ) : (
        <p className="grow">
          <output className="text-2xl font-semibold tabular-nums">
            {data ? inUnit(data.value, unit) : '–'}
          </output>
          <span className="pl-3 text-muted">{data?.steady ? 'stands still' : 'settling'}</span>
          {data && data.battery < 0.15 && (
            <span className="pl-3">Its battery is nearly empty.</span>
          )}
        </p>
      )}
      <Choice label="Unit" value={unit} options={CHOICES} onChange={setUnit} />
      <button type="button" className="act" onClick={() => void tare()}>
        Set to nought
      </button>
      {data?.stand_in && !error && <StandIn onPut={(value) => void standIn({ value })} />}
    </section>
  );
}

/** No scale is connected: what would lie on it is typed. */
function StandIn({ onPut }: { onPut: (kg: number) => void }) {
  const form = useTyped({ load: '' }, (reader) => reader.measure('load', 'kg', 0, 30) ?? 0);
  return (
    <form className="flex flex-wrap items-end gap-x-3" onSubmit={form.sent(onPut)}>
      <NumberField form={form} name="load" label="This scale is made up: put on it, kg or lb" />
      <button type="submit" className="press min-h-8">
        Put it on
      </button>
      <button type="button" className="press min-h-8" onClick={() => onPut(0)}>
        Take it off
      </button>
    </form>
  );
}
