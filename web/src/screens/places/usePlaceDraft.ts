import { useState } from 'react';
import type { SubmitEvent } from 'react';
import { useNavigate, useSearchParams } from 'react-router';

import { answered, api, ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Border, Place } from '../../api/types';
import { nextId } from '../../edits/edits';
import { draftOf, readDraft } from '../../edits/placeDraft';
import type { Draft, Faults } from '../../edits/placeDraft';
import { useUnits } from '../../kit/preferences';
import { spotKeys, useSpot } from '../../shared/useSpot';

export type PlaceDraft = ReturnType<typeof usePlaceDraft>;

/** A place as it is being typed, with what is wrong in it, and what saves or deletes it. */
export function usePlaceDraft(state: HeldGarden, before: Place | undefined) {
  const units = useUnits();
  const editor = useEditor(state.head.slug);
  const go = useNavigate();
  const [draft, setDraft] = useState<Draft>(() => draftOf(before, units));
  const [faults, setFaults] = useState<Faults>({});
  const [chosen, setBorder] = useState<Border | null>(null);
  const [along, setAlong] = useState<string>();
  const find = useSpot(state.head.slug);
  const hasYard = Boolean(state.plan.site?.outline_m);
  const border = draft.outline === 'border' ? chosen : null;
  const set = <K extends keyof Draft>(key: K, value: Draft[K]) =>
    setDraft((now) => ({ ...now, [key]: value }));
  const layAlong = (found: Border) => {
    setBorder(found);
    setAlong(undefined);
    set('length', units.toField(found.length_cm));
    set('heading', String(Math.round(found.heading_deg * 10) / 10));
  };
  const from = useSearchParams()[0].get('from');
  const back = (place: string) => {
    const known = encodeURIComponent(place);
    const there = from === 'ground' || from === 'soil' ? `${from}?place=` : 'squares/';
    return go(`/gardens/${state.head.slug}/${there}${known}`);
  };

  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    const { changes, form, faults: found } = readDraft(draft, units, before);
    setFaults(found);
    if (Object.keys(found).length > 0) return;
    if (form) {
      try {
        const rings = await answered(api.GET('/api/outlines', { params: { query: form } }));
        changes.shape = { ...(changes.shape as object), ...rings };
      } catch (cause) {
        if (!(cause instanceof ProblemError)) throw cause;
        setFaults({ arm: cause.message });
        return;
      }
    }
    const place =
      before?.id ??
      nextId(
        state.plan.places.map((p) => p.id),
        'place-',
      );
    const given = Object.fromEntries(Object.entries(changes).filter(([, v]) => v !== null));
    if (draft.outline === 'border' && !border) {
      setAlong('Choose what it lies along.');
      return;
    }
    const spot =
      before || !hasYard
        ? {}
        : border
          ? bordered(border)
          : spotKeys(await find({ id: place, ...given }));
    const saved = await editor.edit(
      before
        ? { do: 'change-place', id: before.id, changes }
        : { do: 'add-place', place: { id: place, ...given, ...spot } },
    );
    if (saved) void back(place);
  };
  const remove = async () => {
    if (before && (await editor.edit({ do: 'remove-place', id: before.id })))
      void go(`/gardens/${state.head.slug}`);
  };
  return { draft, set, setDraft, faults, border, along, layAlong, hasYard, save, remove };
}

/** Where a border lies, as keys of a place. */
function bordered(border: Border): Record<string, unknown> {
  return { at_m: [...border.at_m], heading_deg: border.heading_deg };
}
