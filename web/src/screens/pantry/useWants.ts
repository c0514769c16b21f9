import { shownNow, useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Want } from '../../api/types';

export type WantChange = Partial<Omit<Want, 'crop'>>;

/** A crop at table, and the kinds by which it is asked for. */
export interface Asked {
  crop: string;
  asked_as: readonly string[];
}

/** Change what is wanted of a crop, all of its kinds as one; null takes the want away. */
export function useWants(state: HeldGarden) {
  const editor = useEditor(state.head.slug);
  return (asked: Asked, change: WantChange | null) => {
    const now = shownNow(state.head.slug) ?? state;
    const household = now.plan.garden.household;
    const others = (household?.wants ?? []).filter((want) => !asked.asked_as.includes(want.crop));
    const changed = { ...wantOf(now, asked), ...change, crop: asked.crop };
    const wants = (change === null ? others : [...others, changed]).map(withoutEmpty);
    void editor.edit({ do: 'change-garden', changes: { household: { ...household, wants } } });
  };
}

/** What is wanted of a crop, as it was said first. */
export function wantOf(state: HeldGarden, asked: Asked): Want | undefined {
  return state.plan.garden.household?.wants.find((want) => asked.asked_as.includes(want.crop));
}

/** A want without the keys that say nothing. */
function withoutEmpty(want: object): Record<string, unknown> {
  const said = Object.entries(want).filter(
    ([, value]) => value !== null && !(Array.isArray(value) && value.length === 0),
  );
  return Object.fromEntries(said);
}
