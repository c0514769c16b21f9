import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answered, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { Animal, Edit } from '../../api/types';
import { LengthField, NumberField, useTyped } from '../../kit/form';
import { textOf } from '../../kit/reader';
import type { Reader } from '../../kit/reader';
import { Ticks } from '../../kit/Ticks';
import { useUnits } from '../../kit/preferences';
import { siteOf } from './things';
import { metresField } from './thingSpecs';
import { boundsOf, rectangleRing } from './yardScale';

const WORKERS = [
  ['adult', 'an adult'],
  ['child', 'a child'],
  ['seated', 'somebody seated'],
  ['standing', 'an adult who does not bend'],
  ['kneeling', 'an adult who kneels'],
] as const;

const COMPASS = [
  ['hill0', 'North'],
  ['hill1', 'Northeast'],
  ['hill2', 'East'],
  ['hill3', 'Southeast'],
  ['hill4', 'South'],
  ['hill5', 'Southwest'],
  ['hill6', 'West'],
  ['hill7', 'Northwest'],
] as const;
type Hills = Record<(typeof COMPASS)[number][0], string>;

/** Heights of the hills as they stand in eight fields, each the horizon's nearest. */
function hillFields(horizon: readonly number[] | null | undefined): Hills {
  const height = (i: number) =>
    horizon?.length ? horizon[Math.round((i * horizon.length) / 8) % horizon.length] : undefined;
  return Object.fromEntries(COMPASS.map(([key], i) => [key, textOf(height(i))])) as Hills;
}

/** What was typed of the hills, where it differs; a field left blank is level ground. */
function typedHills(read: Reader<Hills>, horizon: readonly number[] | null | undefined) {
  const before = hillFields(horizon);
  if (COMPASS.every(([key]) => read.typed[key] === before[key])) return {};
  const heights = COMPASS.map(([key]) => read.number(key, 0, 80) ?? 0);
  return { horizon_deg: heights.some((height) => height > 0) ? heights : null };
}

/** The yard itself: its size, which way it lies, how it falls, and who works in it. */
export function YardForm({ state, onEdit }: { state: HeldGarden; onEdit: (edit: Edit) => void }) {
  const units = useUnits();
  const site = siteOf(state.plan);
  const outline = site.outline_m;
  const box = outline ? boundsOf(outline) : null;
  const plain = outline === null || outline === undefined || outline.length === 4;
  const household = state.plan.garden.household;
  const [workers, setWorkers] = useState<readonly string[]>(
    household && household.workers.length > 0 ? household.workers : ['adult'],
  );
  const [animals, setAnimals] = useState<readonly string[]>(site.animals);
  const animalKinds = useQuery<Record<string, Animal>, ProblemError>({
    queryKey: ['animals'],
    staleTime: Infinity,
    queryFn: ({ signal }) => answered(api.GET('/api/animals', { signal })),
  }).data;
  const first = {
    width: metresField(box ? box.x1 - box.x0 : null, units),
    depth: metresField(box ? box.y1 - box.y0 : null, units),
    north: String(site.north_deg ?? 0),
    fall: String(site.slope?.fall_percent ?? 0),
    downhill: String(site.slope?.downhill_deg ?? 180),
    wind: textOf(site.wind_from_deg),
    arm: household?.arm_cm ? units.toField(household.arm_cm) : '',
    ...hillFields(site.horizon_deg),
  };
  const form = useTyped(first, (read): Edit => {
    const fall = read.needed('fall', 0, 100);
    const downhill = fall === 0 ? 0 : read.needed('downhill', -360, 360);
    const corner = [box?.x0 ?? 0, box?.y0 ?? 0] as const;
    const changes = {
      ...(plain && {
        outline_m: rectangleRing([...corner], read.metres('width', 0.5), read.metres('depth', 0.5)),
      }),
      north_deg: read.needed('north', -360, 360),
      wind_from_deg: read.number('wind', -360, 360),
      ...typedHills(read, site.horizon_deg),
      animals,
      slope: fall === 0 ? null : { fall_percent: fall, downhill_deg: downhill },
    };
    const arm = read.text('arm') === null ? null : read.length('arm', 20);
    const people = { ...household, workers, arm_cm: arm };
    return {
      do: 'together',
      edits: [
        { do: 'change-site', changes },
        { do: 'change-garden', changes: { household: people } },
      ],
    };
  });
  return (
    <section aria-labelledby="the-yard">
      <h2 id="the-yard" className="text-base">
        {outline ? 'The yard' : 'Begin with the yard'}
      </h2>
      <form className="grid grid-cols-2 gap-x-3 gap-y-1.5" onSubmit={form.sent(onEdit)}>
        {plain && <LengthField form={form} name="width" label="Left to right" />}
        {plain && <LengthField form={form} name="depth" label="Bottom to top" />}
        {!plain && (
          <p className="col-span-full text-muted">Its outline is kept as it is in the plan.</p>
        )}
        <NumberField
          form={form}
          name="north"
          label="Bearing of up on the drawing, degrees"
          hint="0 north, 90 east."
        />
        <LengthField
          form={form}
          name="arm"
          label="Shortest arm reach"
          hint="Leave blank for the usual."
        />
        <NumberField form={form} name="fall" label="Slope, percent" />
        <NumberField
          form={form}
          name="downhill"
          label="Downhill direction, degrees from up"
          hint="90 right, 180 down."
        />
        <NumberField
          form={form}
          name="wind"
          label="Strong wind from, degrees"
          hint="225 is southwest; leave blank if not known."
        />
        <details className="col-span-full" open={site.horizon_deg ? true : undefined}>
          <summary className="press w-fit">Hills on the horizon</summary>
          <p className="text-muted">
            How many degrees high they stand, seen from the garden. A fist at arm’s length is about
            10.
          </p>
          <div className="grid grid-cols-4 gap-x-3 gap-y-1.5">
            {COMPASS.map(([key, label]) => (
              <NumberField key={key} form={form} name={key} label={label} />
            ))}
          </div>
        </details>
        <Ticks label="Who works here" options={WORKERS} ticked={workers} onChange={setWorkers} />
        <Ticks
          label="Animals that come"
          options={Object.entries(animalKinds ?? {}).map(
            ([id, animal]) => [id, animal.label] as const,
          )}
          ticked={animals}
          onChange={setAnimals}
        />
        <p className="col-span-full">
          <button type="submit" className="act act-main">
            {outline ? 'Save the yard' : 'Draw the yard'}
          </button>
        </p>
      </form>
    </section>
  );
}
