import { useCallback, useMemo } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { Edit, PlaceReport, PlantingReport } from '../../api/types';
import type { TimeScale } from '../../drawing/scale';
import { draggedEdit } from '../../edits/edits';
import { IDLE } from '../../drawing/gesture';
import type { Gesture } from '../../drawing/gesture';
import type { Gap } from '../../drawing/lanes';
import { useGesture } from '../../drawing/useGesture';
import { PlaceYear } from './PlaceYear';

interface Props {
  state: HeldGarden;
  /** Only what is of this crop or family; everything where it is empty. */
  only: string;
  scale: TimeScale;
  width: number;
  day: number;
  selected: string | null;
  /** Resolves to whether it was saved. */
  onEdit: (change: Edit) => Promise<boolean>;
  onSelect: (planting: string) => void;
  onGap: (gap: Gap) => void;
}

/**
 * All places, each with its ground through time. A wedge on its way is known here alone, and
 * told to no place but its own: a move draws one place anew.
 */
export function Places({ state, only, selected, onEdit, ...shared }: Props) {
  const { plan, report } = state;
  const [gesture, send] = useGesture(report);
  const strips = useMemo(() => stripsOf(report.places, report.plantings, only), [report, only]);
  const release = useCallback(
    (done: Gesture) => {
      send({ kind: 'letGo' });
      if (done.kind !== 'movingWedge') return;
      const change = draggedEdit(plan, report.plantings, done.planting, done.byDays);
      if (change) void onEdit(change).then((saved) => !saved && send({ kind: 'settled' }));
    },
    [plan, report, onEdit, send],
  );
  const moving = 'planting' in gesture ? gesture.planting : null;
  return strips.map(({ place, plantings }) => {
    const grows = (planting: string | null) => plantings.some((p) => p.id === planting);
    return (
      <PlaceYear
        key={place.id}
        slug={state.head.slug}
        name={plan.places.find((p) => p.id === place.id)?.name ?? place.id}
        place={place}
        plantings={plantings}
        gesture={grows(moving) ? gesture : IDLE}
        selected={grows(selected) ? selected : null}
        send={send}
        onRelease={release}
        {...shared}
      />
    );
  });
}

interface Strip {
  place: PlaceReport;
  plantings: readonly PlantingReport[];
}

/** What each place shows; with only some crops in view idle ground tells nothing. */
function stripsOf(
  places: readonly PlaceReport[],
  plantings: readonly PlantingReport[],
  only: string,
): Strip[] {
  const shown = plantings.filter((p) => only === '' || only === p.family || only === p.crop);
  return places
    .map((place) => ({
      place: only === '' ? place : { ...place, idle: [], rests: [] },
      plantings: shown.filter((p) => p.place === place.id),
    }))
    .filter((strip) => only === '' || strip.plantings.length > 0);
}
