import type { HeldGarden } from '../../../api/merge';
import type { Trial } from '../../../api/types';
import { isoOf } from '../../../kit/day';
import { ChoiceField, TextField, useTyped } from '../../../kit/form';
import { useDay } from '../../../shared/DayContext';
import { namedIn } from '../../../shared/weighing';
import { freshId } from '../useRecord';
import type { useTrials } from './useTwins';

interface Props {
  state: HeldGarden;
  trials: ReturnType<typeof useTrials>;
}

/** Two plantings that stand, to be compared. */
export function CompareTwo({ state, trials }: Props) {
  const { day } = useDay();
  const plantings = state.report.plantings.map(
    (report) => [report.id, `${namedIn(state, report)} ${report.cells[0] ?? ''}`] as const,
  );
  const first = {
    differs: '',
    oneName: '',
    otherName: '',
    one: plantings[0]?.[0] ?? '',
    other: plantings[1]?.[0] ?? '',
  };
  const form = useTyped(first, (read): Trial => {
    const { one, other } = read.typed;
    if (one === other) read.fault('other', 'Choose another planting for the other side.');
    const name = (key: 'differs' | 'oneName' | 'otherName', words: string) => {
      const text = read.text(key);
      if (!text) read.fault(key, words);
      return text ?? '';
    };
    return {
      id: freshId(),
      day: isoOf(day),
      differs: name('differs', 'Say in what they differ, such as “mesh”.'),
      one_name: name('oneName', 'Give this side a name, such as “bare”.'),
      other_name: name('otherName', 'Give this side a name, such as “under mesh”.'),
      one: [one],
      other: [other],
    };
  });
  const save = async (trial: Trial) => {
    if (await trials.keep(trial)) form.clear({});
  };
  return (
    <form
      aria-label="Compare two plantings"
      className="grid grid-cols-2 items-start gap-x-4 gap-y-1"
      onSubmit={form.sent(save)}
    >
      <h2 className="col-span-2 text-base">Compare two plantings</h2>
      <ChoiceField form={form} name="one" label="One side" options={plantings} />
      <TextField form={form} name="oneName" label="Its name" />
      <ChoiceField form={form} name="other" label="Other side" options={plantings} />
      <TextField form={form} name="otherName" label="Its name" />
      <TextField form={form} name="differs" label="They differ in" />
      <button type="submit" className="act act-main self-end">
        Compare
      </button>
    </form>
  );
}
