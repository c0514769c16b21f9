import type { HeldGarden } from '../../api/merge';
import type { Place } from '../../api/types';
import { measureText } from '../../kit/measures';
import { MeasureField } from '../../kit/form';
import { useUnits } from '../../kit/preferences';
import { useFigures } from './useFigures';
import type { PlaceDraft } from './usePlaceDraft';

const SHARES = [
  [1 / 3, 'a third'],
  [1 / 2, 'half'],
  [1, 'all of it'],
] as const;

/** Earth that is there already: by its amount, or as a share of what the place holds. */
export function OwnEarth({
  typed,
  state,
  before,
}: {
  typed: PlaceDraft;
  state: HeldGarden;
  before: Place | undefined;
}) {
  const units = useUnits();
  const { form } = typed;
  const figures = useFigures(state, form.typed, before, units).data;
  return (
    <div>
      <MeasureField form={form} name="earth" label="Filled with your own earth" unit="L of soil" />
      {figures && (
        <p className="text-[12.5px]">
          {SHARES.map(([share, words]) => (
            <button
              key={words}
              type="button"
              className="press mr-3"
              onClick={() =>
                form.set(
                  'earth',
                  measureText(Math.round(figures.soil_litres * share), 'L of soil', units.system),
                )
              }
            >
              {words}
            </button>
          ))}
        </p>
      )}
    </div>
  );
}
