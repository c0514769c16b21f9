import type { HeldGarden } from '../../../api/merge';
import type { LotState } from '../../../api/types';
import { dayOf, isoOf, shortWords } from '../../../kit/day';
import { useDay } from '../../../shared/DayContext';
import { namedIn } from '../../../shared/weighing';
import { freshId, useDayBook } from '../useRecord';
import { useGaps } from './useNursery';
import type { useLots } from './useNursery';

interface Props {
  state: HeldGarden;
  shelf: readonly LotState[];
  lots: ReturnType<typeof useLots>;
}

/** Plants that were lost in the beds and not replaced since, with what the shelf has for them. */
export function Gaps({ state, shelf, lots }: Props) {
  const { slug, version } = state.head;
  const { day } = useDay();
  const gaps = useGaps(slug, version).data ?? [];
  const book = useDayBook(slug);
  const fill = async (of: string, from: string, count: number) => {
    const planting = state.report.plantings.find((each) => each.id === of);
    const lot = shelf.find((each) => each.lot.id === from)?.lot;
    if (!planting || !lot) return;
    const on = isoOf(day);
    const step = { day: on, step: 'set-out' as const, count, planting: of };
    const events = [...lot.events, step].sort((a, b) => a.day.localeCompare(b.day));
    if (!(await lots.keep({ ...lot, events }))) return;
    const { crop, place } = planting;
    const entry = { id: freshId(), day: on, kind: 'set-out' as const, planting: of, crop, place };
    await book.keep({ ...entry, count, text: 'in place of what was lost' }, true);
  };
  if (gaps.length === 0) return null;
  return (
    <ul aria-label="Lost and not replaced" className="border-b border-rule py-2">
      {gaps.map((gap) => {
        const planting = state.report.plantings.find((each) => each.id === gap.planting);
        return (
          <li key={gap.planting} className="flex flex-wrap items-baseline gap-x-4">
            {`${planting ? namedIn(state, planting) : gap.planting}: ${gap.missing} lost, not replaced yet.`}
            {gap.refills.length === 0 && (
              <span className="text-muted">The shelf has none to spare.</span>
            )}
            {gap.refills.map(({ lot, began, count }) => (
              <button
                key={lot}
                type="button"
                className="press min-h-8"
                onClick={() => void fill(gap.planting, lot, count)}
              >
                {`Set out ${count} of ${shortWords(dayOf(began))} in their place`}
              </button>
            ))}
          </li>
        );
      })}
    </ul>
  );
}
