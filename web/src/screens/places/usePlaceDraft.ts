import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';

import { attempt } from '../../api/attempt';
import { answered, api } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Border, Place } from '../../api/types';
import { nextId } from '../../edits/edits';
import { draftOf, readDraft } from '../../edits/placeDraft';
import type { Draft, ReadDraft } from '../../edits/placeDraft';
import { useTyped } from '../../kit/form';
import { useUnits } from '../../kit/preferences';
import { spotKeys, useSpot } from '../../shared/useSpot';

type ReadPlace = ReadDraft;

/** The fields with which the server may find fault, by the end of the path that it names. */
const PATHS = {
  width: 'width_cm',
  length: 'length_cm',
  arm: 'outline_cm',
  foot: 'bottom_diameter_cm',
  thickness: 'wall_thickness_cm',
  wall: 'wall_height_cm',
  gap: 'rim_gap_cm',
  loosened: 'loosened_below_cm',
  cell: 'cell_cm',
  sun: 'sun_hours',
  earth: 'own_earth_litres',
  passes: 'breaking.passes',
  linesApart: 'lines_apart_cm',
  spotsApart: 'spots_apart_cm',
  between: 'gap_cm',
} satisfies Partial<Record<keyof Draft, string>>;

export type PlaceDraft = ReturnType<typeof usePlaceDraft>;

/** A place as it is being typed, with what is wrong in it, and what saves or deletes it. */
export function usePlaceDraft(state: HeldGarden, before: Place | undefined) {
  const units = useUnits();
  const editor = useEditor(state.head.slug);
  const go = useNavigate();
  const first = draftOf(before, units);
  const name = before ? first.name : `Place ${state.plan.places.length + 1}`;
  const form = useTyped({ ...first, name }, (read) => readDraft(read, before));
  const [border, setBorder] = useState<Border | null>(null);
  const find = useSpot(state.head.slug);
  const added = nextId(
    state.plan.places.map((p) => p.id),
    'place-',
  );
  const hasYard = Boolean(state.plan.site?.outline_m);
  const layAlong = (found: Border) => {
    setBorder(found);
    form.set('along', found.label);
    form.set('length', units.toField(found.length_cm));
    form.set('heading', String(Math.round(found.heading_deg * 10) / 10));
  };
  const from = useSearchParams()[0].get('from');
  const back = (place: string) => {
    const ident = encodeURIComponent(place);
    const there = from === 'ground' || from === 'soil' ? `${from}?place=` : 'squares/';
    return go(`/gardens/${state.head.slug}/${there}${ident}`);
  };

  const save = async ({ changes, form: measures, several }: ReadPlace) => {
    if (measures) {
      const drawn = await attempt(() =>
        answered(api.GET('/api/outlines', { params: { query: measures } })),
      );
      if (drawn.is === 'refused') form.refuse('arm', drawn.why.message);
      if (drawn.is !== 'done') return;
      changes.shape = { ...(changes.shape as object), ...drawn.value };
    }
    const saved = await editor.edit(
      before
        ? { do: 'change-place', id: before.id, changes }
        : several.count > 1
          ? { do: 'add-places', place: await placed(changes, several), ...several }
          : { do: 'add-place', place: await placed(changes, several) },
      (why) => form.refusedAt(PATHS, why),
    );
    if (saved) void back(before?.id ?? added);
  };
  const placed = async (changes: ReadPlace['changes'], several: ReadPlace['several']) => {
    const given = Object.fromEntries(Object.entries(changes).filter(([, v]) => v !== null));
    const place: Record<string, unknown> = { id: added, ...given };
    // Pots added together are named as a group.
    if (several.count > 1 && changes.kind === 'container') place.group = changes.name ?? added;
    if (!hasYard) return place;
    if (border && form.typed.outline === 'border') return { ...place, ...bordered(border) };
    return { ...place, ...spotKeys(await find(place, several)) };
  };
  const remove = async () => {
    if (before && (await editor.edit({ do: 'remove-place', id: before.id })))
      void go(`/gardens/${state.head.slug}`);
  };
  return { form, layAlong, hasYard, save: form.sent(save), remove };
}

/** Where a border lies, as keys of a place. */
function bordered(border: Border): Record<string, unknown> {
  return { at_m: [...border.at_m], heading_deg: border.heading_deg };
}
