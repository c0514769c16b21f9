import type { BoardOrder } from '../../../api/types';
import { useUnits } from '../../../kit/preferences';
import { money } from '../../../kit/units';

const TALL = 20;
const GAP = 4;

/** Boards drawn to scale with the pieces cut from each; what is left over is blank. */
export function CutList({ order }: { order: BoardOrder }) {
  const units = useUnits();
  const longest = Math.max(...order.bars.map((bar) => bar.length_cm));
  return (
    <section className="mt-4" aria-label={`Cut list, ${order.label}`}>
      <h2 className="font-sans text-[14px] font-semibold first-letter:uppercase">
        {`${order.label}, ${units.length(order.height_cm)} high: ${order.boards} to buy`}
        {order.cost !== null && `, ${money(order.cost)}`}
      </h2>
      <p className="text-muted">
        {`${units.length(order.waste_cm)} left over in all. `}
        {order.least
          ? order.cost === null
            ? 'No shorter total of boards will do.'
            : 'No cheaper set of boards will do.'
          : 'Too many pieces to try every way; this one is good, though perhaps not the best.'}
      </p>
      <table className="w-full">
        <caption className="sr-only">Each board and what is cut from it</caption>
        <tbody>
          {order.bars.map((bar) => (
            <tr key={`${bar.length_cm} ${bar.cuts_cm.join(' ')}`}>
              <th
                scope="row"
                className="w-28 whitespace-nowrap pr-2 max-sm:w-20 text-left font-normal"
              >
                {`${bar.count} of ${units.length(bar.length_cm)}`}
              </th>
              <td>
                <svg
                  viewBox={`0 0 1000 ${TALL + GAP}`}
                  className="block h-6 w-full"
                  preserveAspectRatio="none"
                  aria-hidden="true"
                >
                  <rect
                    x={0.5}
                    y={2}
                    width={(bar.length_cm / longest) * 999}
                    height={TALL}
                    fill="none"
                    stroke="var(--muted)"
                    strokeDasharray="3 3"
                    vectorEffect="non-scaling-stroke"
                  />
                  {bar.cuts_cm.map((cm, i) => {
                    const from = bar.cuts_cm.slice(0, i).reduce((sum, cut) => sum + cut, 0);
                    return (
                      <rect
                        key={i}
                        x={0.5 + (from / longest) * 999}
                        y={2}
                        width={(cm / longest) * 999}
                        height={TALL}
                        fill="var(--bed)"
                        stroke="var(--ink)"
                        vectorEffect="non-scaling-stroke"
                      />
                    );
                  })}
                </svg>
              </td>
              <td className="w-44 pl-3 max-sm:w-24">
                {bar.cuts_cm.map((cm) => units.bare(cm)).join(' + ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
