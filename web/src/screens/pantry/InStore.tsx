import type { HeldGarden } from '../../api/merge';
import type { CropSupply } from '../../api/types';
import { CommittedInput } from '../../kit/CommittedInput';
import { DateField } from '../../kit/DateField';
import { readMeasure } from '../../kit/measures';
import { useUnits } from '../../kit/preferences';
import { useWants, wantOf } from './useWants';

const MOST_KG = 5000;

/** What lies in store from last year as this one begins, and until when it is good. */
export function InStore({ state, crop }: { state: HeldGarden; crop: CropSupply }) {
  const units = useUnits();
  const want = wantOf(state, crop);
  const save = useWants(state);
  const kg = want?.in_store_kg ?? 0;
  const shown = kg > 0 ? String(Math.round(units.weightValue(kg) * 10) / 10) : '';
  const commit = (typed: string) => {
    const value = typed.trim() === '' ? 0 : readMeasure(typed, 'kg', units.system);
    if (typed === shown || !(value >= 0 && value <= MOST_KG)) return;
    if (value === 0) save(crop, { in_store_kg: null, in_store_until: null });
    else save(crop, { in_store_kg: Math.round(value * 100) / 100 });
  };
  return (
    <div className="flex flex-wrap items-baseline gap-x-4">
      <label className="flex items-baseline gap-1 text-[13px] text-muted">
        <span>Last year’s, as this year begins</span>
        <CommittedInput
          aria-label={`${crop.name}, ${units.weightUnit} of last year’s in store`}
          className="min-h-0 w-14 px-1 py-0"
          inputMode="decimal"
          placeholder="0"
          value={shown}
          onCommit={commit}
        />
        <span>{units.weightUnit}</span>
      </label>
      {kg > 0 && (
        <DateField
          inline
          label="good until"
          value={want?.in_store_until ?? ''}
          onCommit={(until) => save(crop, { in_store_until: until })}
        />
      )}
    </div>
  );
}
