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

const WHOLE = 'place:';

/** The plantings of a side: one, or all that a place has in the season. */
function plantingsOf(state: HeldGarden, side: string): string[] {
  if (!side.startsWith(WHOLE)) return [side];
  const place = side.slice(WHOLE.length);
  return state.report.plantings.filter((each) => each.place === place).map((each) => each.id);
}

/** Two plantings that stand, or two whole places, to be compared. */
export function CompareTwo({ state, trials }: Props) {
  const { day } = useDay();
  const plantings = state.report.plantings.map(
    (report) => [report.id, `${namedIn(state, report)} ${report.cells[0] ?? ''}`] as const,
  );
  const grown = state.plan.places.filter((place) =>
    state.report.plantings.some((report) => report.place === place.id),
  );
  const sides = [
    ...plantings,
    ...grown.map((place) => [`${WHOLE}${place.id}`, `all of ${place.name ?? place.id}`] as const),
  ];
  const first = {
    differs: '',
    oneName: '',
    otherName: '',
    one: plantings[0]?.[0] ?? '',
    other: plantings[1]?.[0] ?? '',
  };
  const form = useTyped(first, (read): Trial => {
    const { one, other } = read.typed;
    const [ones, others] = [plantingsOf(state, one), plantingsOf(state, other)];
    if (ones.some((id) => others.includes(id))) {
      read.fault('other', 'Choose something else for the other side.');
    }
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
      one: ones,
      other: others,
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
      <h2 className="col-span-2 text-base">Compare two plantings or places</h2>
      <ChoiceField form={form} name="one" label="One side" options={sides} />
      <TextField form={form} name="oneName" label="Its name" />
      <ChoiceField form={form} name="other" label="Other side" options={sides} />
      <TextField form={form} name="otherName" label="Its name" />
      <TextField form={form} name="differs" label="They differ in" />
      <button type="submit" className="act act-main self-end">
        Compare
      </button>
    </form>
  );
}
