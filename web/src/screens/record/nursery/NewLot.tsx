import type { HeldGarden } from '../../../api/merge';
import type { SeedlingLot } from '../../../api/types';
import { useIndex } from '../../../api/useBook';
import { isoOf, words } from '../../../kit/day';
import { ChoiceField, NumberField, TextField, useTyped } from '../../../kit/form';
import { useDay } from '../../../shared/DayContext';
import { namedIn } from '../../../shared/weighing';
import { freshId } from '../useRecord';
import type { useLots } from './useNursery';

const BEGUN = [
  ['sown', 'sown'],
  ['bought', 'bought'],
] as const;

interface Props {
  state: HeldGarden;
  lots: ReturnType<typeof useLots>;
}

/** A new lot: for a planting that is set out, or of any crop. */
export function NewLot({ state, lots }: Props) {
  const { day } = useDay();
  const index = useIndex(state, null);
  const crops = (index.data ?? []).map((crop) => [`crop:${crop.id}`, crop.name] as const);
  const set = state.report.plantings.filter((report) => {
    const planting = state.plan.plantings.find((p) => p.id === report.id);
    return planting?.start === 'transplant';
  });
  const wanted = set.map(
    (r) => [`for:${r.id}`, `${namedIn(state, r)} ${r.cells[0] ?? ''}`] as const,
  );
  const first: { of: string; begun: 'sown' | 'bought'; count: string; text: string } = {
    of: wanted[0]?.[0] ?? 'crop:lettuce',
    begun: 'sown',
    count: '',
    text: '',
  };
  const form = useTyped(first, (read): SeedlingLot => {
    const count = read.number('count', 1, 100_000);
    if (count === null) read.fault('count', 'Enter how many.');
    const [kind, ident = ''] = read.typed.of.split(':');
    const planting = state.plan.plantings.find((p) => kind === 'for' && p.id === ident);
    return {
      id: freshId(),
      crop: planting?.crop ?? ident,
      planting: planting?.id ?? null,
      text: read.text('text'),
      events: [{ day: isoOf(day), step: read.typed.begun, count: Math.round(count ?? 0) }],
    };
  });
  const save = async (lot: SeedlingLot) => {
    if (await lots.keep(lot)) form.clear({ of: form.typed.of, begun: form.typed.begun });
  };
  return (
    <form
      aria-label="A new lot"
      className="flex flex-wrap items-end gap-x-4 gap-y-1 border-b border-rule py-2"
      onSubmit={form.sent(save)}
    >
      <ChoiceField form={form} name="of" label="Seedlings for" options={[...wanted, ...crops]} />
      <ChoiceField form={form} name="begun" label={`On ${words(day)}`} options={BEGUN} />
      <NumberField form={form} name="count" label="How many" />
      <TextField form={form} name="text" label="Note, such as where it stands" />
      <button type="submit" className="act act-main">
        Put it on the shelf
      </button>
    </form>
  );
}
