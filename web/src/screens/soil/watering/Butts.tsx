import type { TankReport } from '../../../api/types';
import { useRegional, useUnits } from '../../../kit/preferences';
import { SHORT_MONTHS } from '../../../kit/day';

const KEEP_IT_LIDDED =
  'Rain is taken to fall in the first third of each month. Keep a butt lidded and its lid fast: children and animals drown in very little water.';

/** What each butt catches and gives through the year, and who comes first when it is low. */
export function Butts({ tanks }: { tanks: readonly TankReport[] }) {
  const units = useUnits();
  const say = useRegional();
  return tanks.map((tank) => {
    const dry = SHORT_MONTHS.filter((_, i) => (tank.short[i] ?? 0) > 1);
    return (
      <section key={tank.name} aria-label={tank.name} className="border-t border-rule pt-2">
        <h2 className="text-base first-letter:uppercase">{`${tank.name}, ${units.volume(tank.litres)}`}</h2>
        <p>
          {`Its roof brings ${units.volume(tank.caught_a_year)} per year; the beds can use ${units.volume(tank.used_a_year)} of it.`}
        </p>
        <p>
          {dry.length === 0
            ? 'It does not run dry for these places.'
            : `It stands dry for ${Math.round(tank.weeks_dry)} weeks, in ${dry.join(', ')}, and ${units.volume(tank.short_a_year)} must come from elsewhere.`}
        </p>
        {dry.length > 0 && tank.places.length > 1 && (
          <p>
            {`Then first ${tank.places.slice(0, 3).join(', ')}: their soil dries soonest. Sowings and what was just set out come before all.`}
          </p>
        )}
        <p className="mt-1 text-[12.5px] text-muted">{say(KEEP_IT_LIDDED)}</p>
      </section>
    );
  });
}
