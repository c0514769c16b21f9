import type { HeldGarden } from '../../api/merge';
import type { Place, Planting } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { useCropPage } from '../../api/useBook';

interface Props {
  state: HeldGarden;
  planting: Planting;
  place: Place;
  change: (changes: Record<string, unknown>) => void;
}

const SIDES = [
  ['one', 'one side'],
  ['both', 'both sides'],
  ['alternate', 'both sides in turn'],
] as const;
const ALONE = 'alone:';

/** What holds a planting up: a support of its place, or a cage or canes of its own. */
export function Climbs({ state, planting, place, change }: Props) {
  const crop = planting.variety ?? planting.crop;
  const page = useCropPage(state, crop);
  const ways = page.data?.ways_up ?? [];
  const labelOf = (system: string) => ways.find((way) => way.system === system)?.label ?? system;
  const along = place.supports.map((s) => [s.id, `along the ${labelOf(s.system)}`] as const);
  const alone = ways
    .filter((way) => !way.needs_support && way.system !== 'ground')
    .map((way) => [`${ALONE}${way.system}`, way.label] as const);
  if (along.length + alone.length === 0) return null;
  const own = planting.training ? `${ALONE}${planting.training}` : '';
  return (
    <>
      <Choice
        label="Held up by"
        value={planting.support ?? (alone.some(([id]) => id === own) ? own : '')}
        options={[['', 'nothing'], ...along, ...alone]}
        onChange={(chosen) =>
          change(
            chosen.startsWith(ALONE)
              ? { support: null, training: chosen.slice(ALONE.length) }
              : { support: chosen || null, training: null },
          )
        }
      />
      {planting.support && (
        <Choice
          label="Planted along"
          value={planting.sides ?? 'one'}
          options={SIDES}
          onChange={(sides) => change({ sides: sides === 'one' ? null : sides })}
        />
      )}
    </>
  );
}
