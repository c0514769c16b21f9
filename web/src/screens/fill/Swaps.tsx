import type { Difference, TwoPlans } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { dayOf, shortWords } from '../../kit/day';

interface Props {
  compared: TwoPlans;
  names: ReadonlyMap<string, string>;
  /** Whether any of it was taken over already. */
  taken: boolean;
  onTake: (some: readonly Difference[]) => void;
}

/** What differs, place by place and planting by planting, each with its reason, to be taken. */
export function Swaps({ compared, names, taken, onTake }: Props) {
  const { differences, left_out: leftOut } = compared;
  const places = [...new Set(differences.map((one) => one.planting.place))];
  return (
    <section aria-label="What differs" className="px-[14px] pb-4">
      <h2 className="pt-2 text-lg">
        {differences.length > 0 && 'What differs'}
        {differences.length === 0 &&
          (taken ? 'Your garden now matches this plan' : 'No better plan was found; yours stays')}
      </h2>
      {places.map((place) => {
        const here = differences.filter((one) => one.planting.place === place);
        const name = names.get(place) ?? place;
        return (
          <section key={place} aria-label={name}>
            <p className="flex items-baseline gap-4 pt-2">
              <span className="font-semibold">{name}</span>
              <button type="button" className="press" onClick={() => onTake(here)}>
                {`Take all of ${name}`}
              </button>
            </p>
            <ul>
              {here.map((one) => (
                <Swap key={one.planting.id} one={one} onTake={() => onTake([one])} />
              ))}
            </ul>
          </section>
        );
      })}
      {leftOut.length > 0 && (
        <>
          <h2 className="pt-3 text-lg">Wanted but left out</h2>
          <ul>
            {leftOut.map((one) => (
              <li key={one.crop} className="border-t border-faint py-0.5">
                <span className="font-semibold">{one.name}</span>{' '}
                <span className="text-muted">{one.reason}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function Swap({ one, onTake }: { one: Difference; onTake: () => void }) {
  const units = useUnits();
  const { planting, comes, reason } = one;
  const what = `${planting.name}, ${planting.where}`;
  return (
    <li className="flex flex-wrap items-baseline gap-x-4 border-t border-faint py-0.5">
      <span className="min-w-52">
        <span className={comes ? 'text-damson' : 'text-muted line-through'}>{what}</span>
        <span className="block text-[13px] text-muted">
          {`${planting.plants} ${planting.plants === 1 ? 'plant' : 'plants'} from ${shortWords(dayOf(planting.start_date))}, likely ${units.mass(planting.likely_kg)}`}
        </span>
      </span>
      <span className="min-w-0 flex-1 text-[13px]">{reason}</span>
      <button
        type="button"
        className="press"
        aria-label={`${comes ? 'Take' : 'Remove'} ${what}`}
        onClick={onTake}
      >
        {comes ? 'Take' : 'Remove'}
      </button>
    </li>
  );
}
