import { Link } from 'react-router';

import type { Edit, Note, Place, Soil } from '../../api/types';
import { ChoiceField, LengthField, MeasureField, useTyped } from '../../kit/form';
import { useUnits } from '../../kit/preferences';
import { measureText } from '../../kit/measures';
import { MarginNotes } from '../../shared/MarginNotes';
import { MixChoice } from './MixChoice';
import { SoftLayers } from './SoftLayers';

interface Props {
  slug: string;
  soil: Soil | null | undefined;
  place: Place;
  areaM2: number;
  notes: readonly Note[];
  onEdit: (edit: Edit) => void;
}

const FLOORS = ['balcony', 'deck', 'roof'] as const;

const CAUTION = 'Wet soil is heavy: lift little at a time, with a straight back.';

/** One place's own fill: its mix, a woody base, and the load that its floor may carry. */
export function PlaceSoil({ slug, soil, place, areaM2, notes, onEdit }: Props) {
  const units = useUnits();
  const first = {
    mix: place.mix ?? '',
    base: place.base_cm ? units.toField(place.base_cm) : '',
    floor: place.floor ?? '',
    limit: measureText(place.load_limit_kg_per_m2, 'kg per m²', units.system),
  };
  const form = useTyped(first, (read): Edit => {
    const limit = read.measure('limit', 'kg per m²', 0);
    if (limit === 0) read.fault('limit', 'Enter a number above 0.');
    return {
      do: 'change-place',
      id: place.id,
      changes: {
        mix: read.text('mix'),
        base_cm: read.text('base') === null ? null : read.length('base', 0),
        floor: FLOORS.find((floor) => floor === read.text('floor')) ?? null,
        load_limit_kg_per_m2: limit,
      },
    };
  });
  return (
    <section aria-label={`Fill of ${place.name ?? place.id}`}>
      <h2 className="text-base">{place.name ?? place.id}</h2>
      <Link
        className="press"
        to={`/gardens/${slug}/places/${encodeURIComponent(place.id)}/change?from=soil`}
      >
        Measures, walls and bottom
      </Link>
      <form className="grid grid-cols-2 gap-x-3 gap-y-1" onSubmit={form.sent(onEdit)}>
        <MixChoice
          label="Filled with"
          value={form.typed.mix}
          none="as suits its kind"
          recipes={soil?.recipes ?? []}
          onChange={(mix) => form.set('mix', mix)}
        />
        <LengthField form={form} name="base" label="Woody base" />
        <ChoiceField
          form={form}
          name="floor"
          label="Stands on"
          options={[['', 'the ground'], ...FLOORS.map((floor) => [floor, `a ${floor}`] as const)]}
        />
        <MeasureField form={form} name="limit" label="Floor load limit" unit="kg per m²" />
        <p className="col-span-full pt-1">
          <button type="submit" className="act">
            Save
          </button>
        </p>
      </form>
      <SoftLayers place={place} areaM2={areaM2} own={soil?.materials ?? []} onEdit={onEdit} />
      {notes.length > 0 && (
        <div className="mt-2">
          <MarginNotes notes={notes} onFix={onEdit} />
        </div>
      )}
      <p className="mt-2 text-[12.5px] text-muted">{CAUTION}</p>
    </section>
  );
}
