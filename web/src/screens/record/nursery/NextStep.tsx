import type { SeedlingLot } from '../../../api/types';
import { isoOf, words } from '../../../kit/day';
import { ChoiceField, NumberField, useTyped } from '../../../kit/form';
import { useDay } from '../../../shared/DayContext';
import { LATER } from './steps';
import type { Step } from './steps';
import type { useLots } from './useNursery';

interface Props {
  lot: SeedlingLot;
  lots: ReturnType<typeof useLots>;
  onRemove: () => void;
}

/** What became of a lot on the day of the season's ruler. */
export function NextStep({ lot, lots, onRemove }: Props) {
  const { day } = useDay();
  const first: { step: Step; count: string } = { step: 'up', count: '' };
  const form = useTyped(first, (read) => {
    const count = read.number('count', 0, 100_000);
    if (count === null) read.fault('count', 'Enter how many.');
    return { step: read.typed.step, count: Math.round(count ?? 0) };
  });
  const save = async ({ step, count }: { step: Step; count: number }) => {
    const events = [...lot.events, { day: isoOf(day), step, count }];
    events.sort((a, b) => a.day.localeCompare(b.day));
    if (await lots.keep({ ...lot, events })) form.clear({});
  };
  return (
    <form className="flex flex-wrap items-end gap-x-4 gap-y-1" onSubmit={form.sent(save)}>
      <ChoiceField form={form} name="step" label={`On ${words(day)}`} options={LATER} />
      <NumberField form={form} name="count" label="How many" />
      <button type="submit" className="act">
        Enter
      </button>
      <button
        type="button"
        className="press min-h-8"
        onClick={() => void lots.keep({ ...lot, events: lot.events.slice(0, -1) })}
        disabled={lot.events.length < 2}
      >
        Take back the last
      </button>
      <button type="button" className="press min-h-8" onClick={onRemove}>
        Delete
      </button>
    </form>
  );
}
