import type { PlanFigures, TwoPlans } from '../../api/types';
import { Heads } from '../../kit/Heads';
import { useUnits } from '../../kit/preferences';
import type { Units } from '../../kit/units';
import { grouped, money, squareWeeks } from '../../kit/units';
import type { TimeScale } from '../../drawing/scale';
import { useDay } from '../../shared/DayContext';
import { WeeklyBand } from '../../shared/WeeklyBand';

const BAND_PX = 46;

type Line = readonly [words: string, said: (plan: PlanFigures, units: Units) => string];

const LINES: readonly Line[] = [
  [
    'Picked in the year, low to high',
    ({ harvest_kg: { p10, p50, p90 } }, units) =>
      `${units.weight(p10)} – ${units.weight(p50)} – ${units.weight(p90)} ${units.weightUnit}`,
  ],
  ['Worth, counted in carrots', ({ value }, units) => signed(value, units)],
  ['Weeks short, all crops together', ({ weeks_short }) => grouped(weeks_short)],
  ['Hours of work', ({ hours }) => grouped(Math.round(hours))],
  ['Seed and plants to buy', ({ seed_cost }) => money(seed_cost)],
  [
    'Water in the year',
    ({ water_litres }, units) =>
      water_litres === null ? 'not known' : units.volume(Math.round(water_litres / 10) * 10),
  ],
  ['Ground idle in season', ({ idle_cell_weeks }) => squareWeeks(idle_cell_weeks)],
  ['Plantings begun', ({ plantings }) => grouped(plantings)],
  ['Different crops', ({ kinds }) => grouped(kinds)],
];

/** A worth that effort and idle ground may take below nothing. */
function signed(value: number, units: Units): string {
  return `${value < 0 ? '−' : ''}${units.weight(Math.abs(value))} ${units.weightUnit}`;
}

/** What the garden's plan and the offered one give and ask for, figure by figure. */
export function SideBySide({ compared }: { compared: TwoPlans }) {
  const units = useUnits();
  const { present, offered } = compared;
  return (
    <table>
      <caption className="sr-only">Your plan beside the offered one</caption>
      <Heads
        columns={[
          ['', 'after'],
          ['yours', 'right'],
          ['offered', 'right'],
        ]}
      />
      <tbody>
        {LINES.map(([words, said]) => (
          <tr key={words} className="border-t border-faint">
            <th scope="row" className="pr-6 text-left font-normal">
              {words}
            </th>
            <td className="pl-6 text-right tabular-nums">{said(present, units)}</td>
            <td className="pl-6 text-right font-semibold tabular-nums">{said(offered, units)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What is picked week by week, of one plan above the other. */
export function TwoBands({ compared, scale }: { compared: TwoPlans; scale: TimeScale }) {
  const { day } = useDay();
  const plans = [
    ['Yours', compared.present],
    ['Offered', compared.offered],
  ] as const;
  return plans.map(([words, plan]) => (
    <figure key={words}>
      <figcaption className="px-[14px] text-[13px] text-muted">
        {`${words}, picked week by week`}
      </figcaption>
      <WeeklyBand
        weeks={plan.weeks}
        scale={scale}
        width={scale.width + 2 * scale.left}
        height={BAND_PX}
        day={day}
        label={`${words}: picked week by week`}
      />
    </figure>
  ));
}
