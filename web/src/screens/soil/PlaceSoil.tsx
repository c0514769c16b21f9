import { useState } from 'react';
import { Link } from 'react-router';

import type { Edit, Note, Place, Soil } from '../../api/types';
import { Field } from '../../kit/Field';
import { usePreferences, useUnits } from '../../kit/preferences';
import { numberOf } from '../../kit/text';
import { MarginNotes } from '../../shared/MarginNotes';
import { readLength } from '../../kit/units';
import { MixChoice } from './MixChoice';
import { SoftLayers } from './SoftLayers';

interface Props {
  slug: string;
  soil: Soil | null | undefined;
  place: Place;
  notes: readonly Note[];
  onEdit: (edit: Edit) => void;
}

const CAUTION =
  'Wet soil is heavy: lift little at a time. Moisten compost before you tip it, and wear a mask where it dusts.';

/** One place's own fill: its mix, a woody base, and the load that its floor may carry. */
export function PlaceSoil({ slug, soil, place, notes, onEdit }: Props) {
  const units = useUnits();
  const { preferences } = usePreferences();
  const [mix, setMix] = useState(place.mix ?? '');
  const [base, setBase] = useState(place.base_cm ? units.toField(place.base_cm) : '');
  const [limit, setLimit] = useState(place.load_limit_kg_per_m2?.toString() ?? '');
  const [faults, setFaults] = useState<{ base?: string; limit?: string }>({});
  const save = () => {
    const found: typeof faults = {};
    const cm = base.trim() === '' ? null : readLength(base, preferences.units);
    if (base.trim() !== '' && cm === null) found.base = 'Enter a depth, such as 15 or 6in.';
    const load = limit.trim() === '' ? null : numberOf(limit);
    if (load !== null && (Number.isNaN(load) || load <= 0)) found.limit = 'Enter a number above 0.';
    setFaults(found);
    if (Object.keys(found).length > 0) return;
    const changes = { mix: mix || null, base_cm: cm, load_limit_kg_per_m2: load };
    onEdit({ do: 'change-place', id: place.id, changes });
  };
  return (
    <section aria-label={`Fill of ${place.name ?? place.id}`}>
      <h2 className="text-base">{place.name ?? place.id}</h2>
      <Link
        className="press"
        to={`/gardens/${slug}/places/${encodeURIComponent(place.id)}/change?from=soil`}
      >
        Measures, walls and bottom
      </Link>
      <form
        className="grid grid-cols-2 gap-x-3 gap-y-1"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        <MixChoice
          label="Filled with"
          value={mix}
          none="as suits its kind"
          recipes={soil?.recipes ?? []}
          onChange={setMix}
        />
        <Field label={`Woody base, ${units.lengthUnit}`} fault={faults.base}>
          <input value={base} inputMode="decimal" onChange={(e) => setBase(e.target.value)} />
        </Field>
        <Field label="Floor load limit, kg per m²" fault={faults.limit}>
          <input value={limit} inputMode="decimal" onChange={(e) => setLimit(e.target.value)} />
        </Field>
        <p className="col-span-full pt-1">
          <button type="submit" className="act">
            Save
          </button>
        </p>
      </form>
      <SoftLayers place={place} onEdit={onEdit} />
      {notes.length > 0 && (
        <div className="mt-2">
          <MarginNotes notes={notes} onFix={onEdit} />
        </div>
      )}
      <p className="mt-2 text-[12.5px] text-muted">{CAUTION}</p>
    </section>
  );
}
