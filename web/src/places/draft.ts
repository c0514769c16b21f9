import type { Place } from '../api/types';
import { readLength } from '../units/units';
import type { Units } from '../units/units';

/** A place as typed: every measure as text until it is read. */
export interface Draft {
  name: string;
  kind: Place['kind'];
  /** Drawn outlines (polygons, mounds) are kept as the plan has them. */
  outline: 'rectangle' | 'round' | 'drawn';
  bottom: NonNullable<Place['bottom']>;
  native: '' | NonNullable<Place['native']>;
  width: string;
  length: string;
  wall: string;
  gap: string;
  loosened: string;
  cell: string;
  heading: string;
  sun: string;
  policy: '' | NonNullable<Place['depth_policy']>;
  net: string;
}

export const NEW_PLACE = { width: 120, length: 240, wall: 30, gap: 3, cell: 30 };

export function draftOf(place: Place | undefined, units: Units): Draft {
  const shape = place?.shape;
  const field = (cm: number | null | undefined, other: number) => units.toField(cm ?? other);
  const across = shape?.type === 'circle' ? shape.diameter_cm : undefined;
  const net = place?.supports[0];
  return {
    name: place?.name ?? '',
    kind: place?.kind ?? 'framed',
    outline: outlineOf(shape),
    bottom: place?.bottom ?? (place?.kind === 'container' ? 'closed' : 'open'),
    native: place ? (place.native ?? '') : 'ordinary',
    width: field(shape?.type === 'rectangle' ? shape.width_cm : across, NEW_PLACE.width),
    length: field(shape?.type === 'rectangle' ? shape.length_cm : across, NEW_PLACE.length),
    wall: field(place?.wall_height_cm, NEW_PLACE.wall),
    gap: field(place?.rim_gap_cm, NEW_PLACE.gap),
    loosened: field(place?.loosened_below_cm, 0),
    cell: field(place?.cell_cm, NEW_PLACE.cell),
    heading: String(place?.heading_deg ?? 90),
    sun: place?.sun_hours === null || place?.sun_hours === undefined ? '' : String(place.sun_hours),
    policy: place?.depth_policy ?? '',
    net: net ? field(net.height_cm, 180) : '',
  };
}

function outlineOf(shape: Place['shape'] | undefined): Draft['outline'] {
  if (shape?.type === 'circle') return 'round';
  return shape === undefined || shape.type === 'rectangle' ? 'rectangle' : 'drawn';
}

export type Faults = Partial<Record<keyof Draft, string>>;

/** The place's keys that a draft sets, or what is wrong field by field. */
export function readDraft(
  draft: Draft,
  units: Units,
  before: Place | undefined,
): { changes: Record<string, unknown>; faults: Faults } {
  const faults: Faults = {};
  const measure = (
    key: 'width' | 'length' | 'wall' | 'gap' | 'loosened' | 'cell' | 'net',
    least: number,
  ) => {
    const cm = readLength(draft[key], units.system);
    if (cm === null || cm < least) {
      faults[key] = `Give a length of at least ${units.length(least)}, such as 120, 1.2m or 3'6".`;
    }
    return cm ?? 0;
  };
  const number = (key: 'heading' | 'sun', low: number, high: number) => {
    const value = Number(draft[key].replace(',', '.'));
    if (Number.isNaN(value) || value < low || value > high) {
      faults[key] = `Give a number from ${low} to ${high}.`;
    }
    return value;
  };
  const shape = (): object | undefined => {
    switch (draft.outline) {
      case 'drawn':
        return before?.shape;
      case 'round':
        return { ...keptShape(before, 'circle'), type: 'circle', diameter_cm: measure('width', 1) };
      case 'rectangle':
        return {
          ...keptShape(before, 'rectangle'),
          type: 'rectangle',
          width_cm: measure('width', 1),
          length_cm: measure('length', 1),
        };
    }
  };
  const changes: Record<string, unknown> = {
    name: draft.name.trim() || null,
    kind: draft.kind,
    bottom: draft.bottom,
    native: draft.native || null,
    shape: shape(),
    wall_height_cm: measure('wall', 0),
    rim_gap_cm: measure('gap', 0),
    loosened_below_cm: measure('loosened', 0),
    cell_cm: measure('cell', 15),
    heading_deg: number('heading', -360, 360),
    sun_hours: draft.sun.trim() === '' ? null : number('sun', 0, 24),
    depth_policy: draft.policy || null,
  };
  const rest = (before?.supports ?? []).slice(1);
  if (draft.net.trim() !== '') {
    const first = before?.supports[0] ?? { id: 'net', system: 'net' };
    changes.supports = [{ ...first, height_cm: measure('net', 10) }, ...rest];
  } else if ((before?.supports ?? []).length > 0) {
    changes.supports = rest;
  }
  return { changes, faults };
}

function keptShape(before: Place | undefined, type: string): object {
  return before?.shape.type === type ? before.shape : {};
}
