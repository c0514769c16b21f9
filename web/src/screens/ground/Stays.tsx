import { useState } from 'react';

import type { Edit, Place, PlaceReport } from '../../api/types';
import { DayField, LengthField, MeasureField, useTyped } from '../../kit/form';
import { useUnits } from '../../kit/preferences';
import { dayOf, words } from '../../kit/day';
import { metresField } from './thingSpecs';

interface Props {
  place: Place;
  report: PlaceReport;
  onEdit: (edit: Edit) => void;
}

type Stay = Place['stays'][number];

/** Where a container is carried to, and from which day of every year to which. */
export function Stays({ place, report, onEdit }: Props) {
  const units = useUnits();
  const seen = (stay: Stay) => {
    const spot = report.ground.spots.find((s) => s.since === stay.since && s.until === stay.until);
    if (!spot) return '';
    const water =
      spot.water_m === null
        ? ''
        : `, ${units.distance(Math.round(spot.water_m * 10) / 10)} from the ${spot.water ?? 'water'}`;
    const short = spot.water_m !== null && spot.water_m > (spot.hose_m ?? 0) ? ', carried' : '';
    return `${water}${short}${spot.in_sight === false ? ', out of sight' : ''}`;
  };
  const [open, setOpen] = useState(false);
  const save = (stays: readonly Stay[]) =>
    onEdit({ do: 'change-place', id: place.id, changes: { stays: [...stays] } });
  return (
    <section aria-label="Other spots" className="mt-1 border-t border-rule pt-1">
      <ul>
        {place.stays.map((stay, i) => (
          <li key={`${stay.since} ${stay.until}`} className="flex justify-between gap-3">
            <span>
              {`${words(dayOf(stay.since))} to ${words(dayOf(stay.until))}: `}
              {stay.at_m
                ? `${units.distance(stay.at_m[0])} right, ${units.distance(stay.at_m[1])} up`
                : 'the same spot'}
              {seen(stay)}
              {stay.under_cover && ', under cover'}
            </span>
            <button
              type="button"
              className="press shrink-0"
              onClick={() => save(place.stays.filter((_, j) => j !== i))}
            >
              Delete
            </button>
          </li>
        ))}
      </ul>
      {open ? (
        <StayForm place={place} onSave={(stay) => save([...place.stays, stay])} />
      ) : (
        <button type="button" className="press" onClick={() => setOpen(true)}>
          It stands elsewhere for a while
        </button>
      )}
    </section>
  );
}

function StayForm({ place, onSave }: { place: Place; onSave: (stay: Stay) => void }) {
  const units = useUnits();
  const [x, y] = place.at_m ?? [0, 0];
  const [covered, setCovered] = useState(false);
  const first = {
    since: '',
    until: '',
    right: metresField(x, units),
    up: metresField(y, units),
    limit: '',
  };
  const form = useTyped(first, (read): Stay => {
    const { since, until } = read.typed;
    if (since === '') read.fault('since', 'Enter the day.');
    if (until === '') read.fault('until', 'Enter the day.');
    else if (until <= since) read.fault('until', 'Enter a later day; it can be in the next year.');
    const limit = read.measure('limit', 'kg per m²', 0);
    if (limit === 0) read.fault('limit', 'Enter a number above 0.');
    return {
      since,
      until,
      at_m: [read.metres('right', 0), read.metres('up', 0)],
      under_cover: covered || null,
      load_limit_kg_per_m2: limit,
    };
  });
  return (
    <form
      className="grid grid-cols-2 gap-x-3 gap-y-1"
      aria-label="Another spot"
      onSubmit={form.sent(onSave)}
    >
      <DayField form={form} name="since" label="From, every year" />
      <DayField form={form} name="until" label="until" />
      <LengthField form={form} name="right" label="To the right" />
      <LengthField form={form} name="up" label="Up" />
      <MeasureField form={form} name="limit" label="Floor load limit" unit="kg per m²" />
      <label className="flex items-center gap-2 self-end pb-1">
        <input
          type="checkbox"
          className="min-h-0"
          checked={covered}
          onChange={(event) => setCovered(event.target.checked)}
        />
        under cover: no frost, no rain
      </label>
      <p className="col-span-full pt-1">
        <button type="submit" className="act">
          Add the spot
        </button>
      </p>
    </form>
  );
}
