import type { OfferedPlan } from '../../api/types';

const WIDTH = 220;
const HEIGHT = 30;

/** What the plan is worth, and what is proven that none can be worth more than, closing in. */
export function Gauge({ plan }: { plan: OfferedPlan }) {
  const most = Math.max(plan.bound, plan.value, 1e-6);
  const at = (value: number) => (Math.max(0, value) / most) * WIDTH;
  return (
    <figure className="flex flex-wrap items-center gap-x-4">
      <svg
        className="block max-w-full"
        width={WIDTH}
        height={HEIGHT}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        aria-hidden="true"
      >
        <line x1={0} x2={WIDTH} y1={22} y2={22} stroke="var(--rule)" />
        <path d={`M0 22 L${at(plan.value)} 4 V22 Z`} fill="var(--leaf-wash)" stroke="var(--leaf)" />
        <line
          x1={at(plan.bound) - 1}
          x2={at(plan.bound) - 1}
          y1={2}
          y2={28}
          stroke="var(--damson)"
          strokeWidth={2}
          strokeDasharray={plan.gap === null ? '2 3' : undefined}
        />
      </svg>
      <figcaption className="font-semibold" aria-live="polite">
        {sentence(plan)}
      </figcaption>
    </figure>
  );
}

/** How far from the best possible a plan is, in words. */
function sentence({ gap }: OfferedPlan): string {
  if (gap === null) return 'How much more is possible is not known yet.';
  const percent = gap * 100;
  if (percent < 0.05) return 'No plan for this ground can be worth more.';
  const figure = percent < 10 ? percent.toFixed(1) : String(Math.ceil(percent));
  return `At most ${figure} % more is possible.`;
}
