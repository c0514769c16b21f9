import type { ReactNode } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { PlaceReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { PlaceWorking } from '../../shared/PlaceWorking';
import { Figure } from '../../shared/Working';
import { SHORT_MONTHS } from '../../kit/day';

const TALL = 46;

interface Props {
  state: HeldGarden;
  place: PlaceReport;
  name: string;
}

/** Water through the year: a dry week as an outline, what rain leaves to carry filled in. */
export function WaterYear({ state, place, name }: Props) {
  const units = useUnits();
  const water = place.water;
  if (!water) {
    return (
      <p className="text-muted">
        How much water a place needs is worked out from the climate: enter monthly lows and highs,
        or import a plan that has them.
      </p>
    );
  }
  const most = Math.max(1, ...water.dry_litres_per_week);
  const thirstiest = water.dry_litres_per_week.indexOf(Math.max(...water.dry_litres_per_week));
  return (
    <table className="w-full table-fixed">
      <caption className="mb-1 text-left text-[13px] text-muted">
        {`Water on ${name}, ${units.volumeUnit} per week: in a dry week, and on top of the usual rain · ${water.how}`}
      </caption>
      <thead>
        <tr>
          <td className="w-20" />
          {SHORT_MONTHS.map((month, i) => {
            const dry = ((water.dry_litres_per_week[i] ?? 0) / most) * TALL;
            const carried = ((water.litres_per_week[i] ?? 0) / most) * TALL;
            return (
              <th key={month} scope="col" className="text-center font-normal">
                <svg width={26} height={TALL + 2} className="mx-auto block" aria-hidden="true">
                  <rect
                    x={5}
                    y={TALL + 1 - dry}
                    width={16}
                    height={dry}
                    fill="none"
                    stroke="var(--ink)"
                    strokeDasharray="2 2"
                  />
                  <rect
                    x={5}
                    y={TALL + 1 - carried}
                    width={16}
                    height={carried}
                    fill="url(#hatch-water)"
                  />
                  <path d={`M0 ${TALL + 1}H26`} stroke="var(--ink)" />
                </svg>
                {month}
              </th>
            );
          })}
        </tr>
      </thead>
      <tbody className="text-center">
        <Row
          head="dry week"
          values={water.dry_litres_per_week.map((litres, month) =>
            month === thirstiest ? (
              <Figure
                key={month}
                label={`water on ${name}, driest: working`}
                working={() => (
                  <PlaceWorking
                    state={state}
                    place={place.id}
                    title={`Water on ${name}, ${SHORT_MONTHS[month] ?? ''}`}
                    pick={(w) => w.water}
                  />
                )}
              >
                {units.volumeBare(litres)}
              </Figure>
            ) : (
              units.volumeBare(litres)
            ),
          )}
        />
        <Row
          head="cans"
          values={water.dry_cans_per_week.map((cans) => String(Math.ceil(cans - 0.05)))}
        />
        <Row
          head="with rain"
          values={water.litres_per_week.map((litres) => units.volumeBare(litres))}
        />
        <Row
          head="every, days"
          values={water.days_between.map((days) =>
            days === null ? '–' : String(Math.max(1, Math.floor(days))),
          )}
        />
      </tbody>
    </table>
  );
}

function Row({ head, values }: { head: string; values: readonly ReactNode[] }) {
  return (
    <tr className="leading-[1.35]">
      <th scope="row" className="text-left font-normal text-muted">
        {head}
      </th>
      {values.map((value, i) => (
        <td key={SHORT_MONTHS[i]}>{value}</td>
      ))}
    </tr>
  );
}
