import { useState } from 'react';

import type { Edit, Place, PlaceReport } from '../../../api/types';
import { Choice } from '../../../kit/Choice';
import { Field } from '../../../kit/Field';
import { useUnits } from '../../../kit/preferences';
import { readLength } from '../../../kit/units';

interface Props {
  place: Place;
  report: PlaceReport;
  onEdit: (edit: Edit) => void;
}

/** How one place is watered and mulched, and how to see that a watering went deep enough. */
export function PlaceWater({ place, report, onEdit }: Props) {
  const units = useUnits();
  const [way, setWay] = useState(place.watered_by ?? '');
  const [mulch, setMulch] = useState(place.mulch_cm ? units.toField(place.mulch_cm) : '');
  const [fault, setFault] = useState<string>();
  const ways = report.water?.ways ?? [];
  const save = () => {
    const cm = mulch.trim() === '' ? null : readLength(mulch, units.system);
    if (mulch.trim() !== '' && cm === null) return setFault('Enter a depth, such as 5 or 2in.');
    setFault(undefined);
    onEdit({
      do: 'change-place',
      id: place.id,
      changes: { watered_by: way || null, mulch_cm: cm },
    });
  };
  return (
    <section aria-labelledby="place-water">
      <h2 id="place-water" className="text-base">
        Watered by
      </h2>
      <form
        className="grid grid-cols-2 gap-x-3 gap-y-1"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        <Choice
          label="Way"
          value={way}
          options={[['', 'not chosen'], ...ways.map((w) => [w.way, w.label] as const)]}
          onChange={setWay}
        />
        <Field label={`Mulch, ${units.lengthUnit}`} fault={fault}>
          <input value={mulch} inputMode="decimal" onChange={(e) => setMulch(e.target.value)} />
        </Field>
        <p className="col-span-full pt-1">
          <button type="submit" className="act">
            Save
          </button>
        </p>
      </form>
      {report.water && (
        <p className="mt-2">
          {`${units.aWatering} this soil ${units.length(Math.round(report.water.wets_cm))} deep when it needs water. Dig a finger in an hour later: if it is dry below, the water ran off or round the roots.`}
        </p>
      )}
      <p className="mt-1 text-muted">
        Seed rows need wet soil until they are up, and plants just set out a drink a day until they
        stand; after that water as deep as they root.
      </p>
    </section>
  );
}
