import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answered, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { Animal, Edit } from '../../api/types';
import { Field } from '../../kit/Field';
import { Ticks } from '../../kit/Ticks';
import { useUnits } from '../../kit/preferences';
import { numberOf } from '../../kit/text';
import { metresField, readMetres } from './measure';
import { siteOf } from './things';
import { boundsOf, rectangleRing } from './yardScale';

const WORKERS = [
  ['adult', 'an adult'],
  ['child', 'a child'],
  ['seated', 'somebody seated'],
  ['standing', 'an adult who does not bend'],
  ['kneeling', 'an adult who kneels'],
] as const;

/** The yard itself: its size, which way it lies, how it falls, and who works in it. */
export function YardForm({ state, onEdit }: { state: HeldGarden; onEdit: (edit: Edit) => void }) {
  const units = useUnits();
  const site = siteOf(state.plan);
  const outline = site.outline_m;
  const box = outline ? boundsOf(outline) : null;
  const plain = outline === null || outline === undefined || outline.length === 4;
  const household = state.plan.garden.household;
  const [typed, setTyped] = useState({
    width: metresField(box ? box.x1 - box.x0 : null, units),
    depth: metresField(box ? box.y1 - box.y0 : null, units),
    north: String(site.north_deg ?? 0),
    fall: String(site.slope?.fall_percent ?? 0),
    downhill: String(site.slope?.downhill_deg ?? 180),
    wind: site.wind_from_deg?.toString() ?? '',
    arm: household?.arm_cm ? units.toField(household.arm_cm) : '',
  });
  const [workers, setWorkers] = useState<readonly string[]>(
    household && household.workers.length > 0 ? household.workers : ['adult'],
  );
  const [animals, setAnimals] = useState<readonly string[]>(site.animals);
  const known = useQuery<Record<string, Animal>, ProblemError>({
    queryKey: ['animals'],
    staleTime: Infinity,
    queryFn: ({ signal }) => answered(api.GET('/api/animals', { signal })),
  }).data;
  const [faults, setFaults] = useState<Partial<Record<keyof typeof typed, string>>>({});
  const set = (key: keyof typeof typed, value: string) =>
    setTyped((now) => ({ ...now, [key]: value }));

  const save = () => {
    const found: typeof faults = {};
    const metres = (key: 'width' | 'depth' | 'arm', least: number) => {
      const { m, fault } = readMetres(typed[key], units, least);
      if (fault) found[key] = fault;
      return m;
    };
    const number = (key: 'north' | 'fall' | 'downhill' | 'wind', low: number, high: number) => {
      const value = numberOf(typed[key]);
      if (typed[key].trim() === '' || Number.isNaN(value) || value < low || value > high) {
        found[key] = `Enter a number from ${low} to ${high}.`;
      }
      return value;
    };
    const fall = number('fall', 0, 100);
    const changes = {
      ...(plain
        ? {
            outline_m: rectangleRing(
              [box?.x0 ?? 0, box?.y0 ?? 0],
              metres('width', 0.5),
              metres('depth', 0.5),
            ),
          }
        : {}),
      north_deg: number('north', -360, 360),
      wind_from_deg: typed.wind.trim() === '' ? null : number('wind', -360, 360),
      animals,
      slope:
        fall === 0 ? null : { fall_percent: fall, downhill_deg: number('downhill', -360, 360) },
    };
    const arm = typed.arm.trim() === '' ? null : metres('arm', 0.2) * 100;
    setFaults(found);
    if (Object.keys(found).length > 0) return;
    const people = { ...household, workers, arm_cm: arm };
    onEdit({
      do: 'together',
      edits: [
        { do: 'change-site', changes },
        { do: 'change-garden', changes: { household: people } },
      ],
    });
  };
  const field = (key: keyof typeof typed, label: string, hint?: string) => (
    <Field label={label} fault={faults[key]} {...(hint ? { hint } : {})}>
      <input
        value={typed[key]}
        inputMode="decimal"
        onChange={(event) => set(key, event.target.value)}
      />
    </Field>
  );
  return (
    <section aria-labelledby="the-yard">
      <h2 id="the-yard" className="text-base">
        {outline ? 'The yard' : 'Begin with the yard'}
      </h2>
      <form
        className="grid grid-cols-2 gap-x-3 gap-y-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        {plain && field('width', `Left to right, ${units.lengthUnit}`)}
        {plain && field('depth', `Bottom to top, ${units.lengthUnit}`)}
        {!plain && (
          <p className="col-span-full text-muted">Its outline is kept as it is in the plan.</p>
        )}
        {field('north', 'Bearing of up on the drawing, degrees', '0 north, 90 east.')}
        {field('arm', `Shortest arm reach, ${units.lengthUnit}`, 'Leave blank for the usual.')}
        {field('fall', 'Slope, percent')}
        {field('downhill', 'Downhill direction, degrees from up', '90 right, 180 down.')}
        {field('wind', 'Strong wind from, degrees', '225 is southwest; leave blank if not known.')}
        <Ticks label="Who works here" options={WORKERS} ticked={workers} onChange={setWorkers} />
        <Ticks
          label="Animals that come"
          options={Object.entries(known ?? {}).map(([id, animal]) => [id, animal.label] as const)}
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
