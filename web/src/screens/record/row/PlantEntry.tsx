import type { HeldGarden } from '../../../api/merge';
import type { Entry, PlantingReport, RowPlant } from '../../../api/types';
import { isoOf } from '../../../kit/day';
import { MeasureField, NumberField, TextField, WholeFault, useTyped } from '../../../kit/form';
import { useUnits } from '../../../kit/preferences';
import { useDay } from '../../../shared/DayContext';
import { TAG_FAULT, tagsOf } from '../../../shared/tags';
import { amount, inWords } from '../telling';
import { freshId, useDayBook } from '../useRecord';

interface Props {
  state: HeldGarden;
  planting: PlantingReport;
  plant: RowPlant;
  onNext: () => void;
}

const MOST_KG = 10_000;
const MOST_PIECES = 1_000_000;
const FIRST = { kg: '', pieces: '', text: '', tags: '' };

/** What is entered of one plant: a weight is a picking, words alone are something seen. */
export function PlantEntry({ state, planting, plant, onNext }: Props) {
  const { day } = useDay();
  const units = useUnits();
  const book = useDayBook(state.head.slug);
  const form = useTyped(FIRST, (read): Entry => {
    const kg = read.measure('kg', 'kg', 0, MOST_KG);
    const pieces = read.number('pieces', 0, MOST_PIECES);
    const tags = tagsOf(read.typed.tags);
    const text = read.text('text');
    if (tags === undefined) read.fault('tags', TAG_FAULT);
    const picked = kg !== null || pieces !== null;
    if (!picked && !text && !tags) read.fault('kg', 'Enter a weight, or what was seen.');
    return {
      id: freshId(),
      day: isoOf(day),
      kind: picked ? 'picked' : 'seen',
      place: planting.place,
      planting: planting.id,
      crop: planting.crop,
      plant: plant.number,
      variety: plant.kind,
      kg,
      pieces: pieces === null ? null : Math.round(pieces),
      text,
      tags: tags ?? null,
    };
  });
  const gone: Entry = {
    id: freshId(),
    day: isoOf(day),
    kind: 'seen',
    quality: 'lost',
    count: 1,
    place: planting.place,
    planting: planting.id,
    crop: planting.crop,
    plant: plant.number,
    variety: plant.kind,
  };
  const keep = async (entry: Entry) => {
    const kept = await book.keep(entry, true);
    if (kept.is === 'refused') form.refuse('kg', kept.why.message);
    if (kept.is !== 'done') return;
    onNext();
  };
  return (
    <>
      {plant.entries.length > 0 && (
        <ul aria-label="Entered of this plant" className="text-[14px] text-muted">
          {plant.entries.map((entry) => (
            <li key={entry.id}>
              {[
                entry.day,
                amount(entry, units),
                inWords(entry),
                entry.tags?.map((tag) => `#${tag}`),
              ]
                .flat()
                .filter(Boolean)
                .join(' · ')}
            </li>
          ))}
        </ul>
      )}
      <form
        aria-label="Of this plant"
        className="grid grid-cols-2 items-start gap-x-4 gap-y-1 sm:grid-cols-4"
        onSubmit={form.sent(keep)}
      >
        <MeasureField form={form} name="kg" label="Weight" unit="kg" />
        <NumberField form={form} name="pieces" label="Pieces" />
        <TextField form={form} name="text" label="What was seen" />
        <TextField form={form} name="tags" label="Tags" />
        <WholeFault form={form} />
        <p className="col-span-full mt-1 flex flex-wrap gap-x-4">
          <button type="submit" className="act act-main min-h-11">
            Keep, and on to the next
          </button>
          <button type="button" className="press min-h-11" onClick={onNext}>
            Nothing here, on to the next
          </button>
          <button type="button" className="press min-h-11" onClick={() => void keep(gone)}>
            This plant is gone
          </button>
        </p>
      </form>
    </>
  );
}
