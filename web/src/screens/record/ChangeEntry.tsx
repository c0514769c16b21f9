import type { ProblemError } from '../../api/client';
import type { Entry } from '../../api/types';
import {
  DayField,
  MeasureField,
  NumberField,
  TextField,
  WholeFault,
  useTyped,
} from '../../kit/form';
import { measureText } from '../../kit/measures';
import { useUnits } from '../../kit/preferences';
import { TAG_FAULT, tagsOf } from '../../shared/tags';
import { useDayBook } from './useRecord';

interface Props {
  slug: string;
  entry: Entry;
  onDone: () => void;
}

const MOST_KG = 10_000;
const MOST_COUNT = 1_000_000;
const MOST_PLANTS = 20_000;

/** An entry put right: its day, its amount, its words, and whether it counts in what is learnt. */
export function ChangeEntry({ slug, entry, onDone }: Props) {
  const units = useUnits();
  const book = useDayBook(slug);
  const leftOut = typeof entry.left_out === 'string' ? entry.left_out : entry.left_out ? 'yes' : '';
  const first = {
    day: entry.day,
    kg: measureText(entry.kg ?? null, 'kg', units.system),
    pieces: entry.pieces?.toString() ?? '',
    count: entry.count?.toString() ?? '',
    minutes: entry.minutes?.toString() ?? '',
    quality: entry.quality ?? '',
    text: entry.text ?? '',
    tags: entry.tags?.join(' ') ?? '',
    plant: entry.plant?.toString() ?? '',
    leftOut,
  };
  const form = useTyped(first, (read): Entry => {
    if (read.typed.day === '') read.fault('day', 'Enter the day.');
    // A weight that was not touched is kept as it was on the scale.
    const kg =
      read.typed.kg === first.kg ? (entry.kg ?? null) : read.measure('kg', 'kg', 0, MOST_KG);
    const tags = tagsOf(read.typed.tags);
    if (tags === undefined) read.fault('tags', TAG_FAULT);
    return {
      ...entry,
      day: read.typed.day,
      // Another day may lie in another season.
      season: read.typed.day === entry.day ? (entry.season ?? null) : null,
      kg,
      pieces: whole(read.number('pieces', 0, MOST_COUNT)),
      count: whole(read.number('count', 0, MOST_COUNT)),
      minutes: read.number('minutes', 0),
      quality: read.text('quality'),
      text: read.text('text'),
      tags: tags ?? null,
      plant: whole(read.number('plant', 1, MOST_PLANTS)),
      left_out: read.text('leftOut'),
    };
  });
  const save = async (changed: Entry) => {
    const kept = await book.keep(changed, true);
    if (kept.is === 'done') onDone();
    else if (kept.is === 'refused' && !form.refusedAt(AT, kept.why)) {
      form.refuse('text', said(kept.why));
    }
  };
  const picked = entry.kind === 'picked';
  return (
    <form
      aria-label="Change the entry"
      className="flex flex-wrap items-end gap-x-4 gap-y-1 border-b border-rule pb-2"
      onSubmit={form.sent(save)}
    >
      <DayField form={form} name="day" label="Day" />
      {picked && <MeasureField form={form} name="kg" label="Weight" unit="kg" />}
      {picked && <NumberField form={form} name="pieces" label="Pieces" />}
      {!picked && <NumberField form={form} name="count" label="Plants" />}
      <NumberField form={form} name="minutes" label="Minutes" />
      {entry.planting && <NumberField form={form} name="plant" label="Which plant of the row" />}
      {picked && (
        <TextField form={form} name="quality" label="Quality" hint="Good, fair or poor." />
      )}
      {entry.kind === 'verdict' && (
        <TextField
          form={form}
          name="quality"
          label="Verdict"
          hint="Keep, more, fewer, drop, never again."
        />
      )}
      <TextField form={form} name="text" label="Words" />
      <TextField form={form} name="tags" label="Tags" />
      {picked && (
        <TextField
          form={form}
          name="leftOut"
          label="Left out of what is learnt, because"
          hint="Hail, deer. Empty: it counts."
        />
      )}
      <WholeFault form={form} />
      <button type="submit" className="act act-main">
        Save
      </button>
      <button type="button" className="press min-h-8" onClick={onDone}>
        Leave as it was
      </button>
    </form>
  );
}

const AT = {
  day: 'day',
  kg: 'kg',
  pieces: 'pieces',
  count: 'count',
  plant: 'plant',
  tags: 'tags',
  leftOut: 'left_out',
} as const;

const whole = (value: number | null) => (value === null ? null : Math.round(value));

const said = (why: ProblemError) =>
  why.problem?.errors.map((each) => each.text).join('; ') ?? why.message;
