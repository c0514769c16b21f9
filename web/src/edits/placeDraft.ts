import type { Place } from '../api/types';
import { measureText } from '../kit/measures';
import type { Reader } from '../kit/reader';
import type { Units } from '../kit/units';

/** A place as typed: every measure as text until it is read. */
export interface Draft {
  name: string;
  kind: Place['kind'];
  /** Drawn outlines are kept as the plan has them. */
  outline: 'rectangle' | 'border' | 'round' | 'l' | 'u' | 'ring' | 'mound' | 'drawn';
  /** The fence or wall that a border lies along, once it is chosen. */
  along: string;
  bottom: NonNullable<Place['bottom']>;
  native: '' | NonNullable<Place['native']>;
  width: string;
  length: string;
  /** Width of an arm of an L or a U, of a ring from rim to hole. */
  arm: string;
  /** Across the foot of a tapered pot; empty where it is as wide as its rim. */
  foot: string;
  /** Run over rise of a mound's sides. */
  slope: string;
  thickness: string;
  measured: 'inside' | 'outside';
  wall: string;
  gap: string;
  loosened: string;
  cell: string;
  /** Whether squares are stretched a little, so that no strip is left. */
  grid: 'fitted' | 'exact';
  layout: '' | NonNullable<Place['layout']>;
  walls: '' | NonNullable<Place['walls']>;
  /** How many of its kind, how many of them side by side, and the way between two. */
  count: string;
  abreast: string;
  between: string;
  /** Whether paths lie between them, and of what: no, bare, or a covering. */
  paths: string;
  heading: string;
  sun: string;
  policy: '' | NonNullable<Place['depth_policy']>;
  net: string;
  /** What stands on the pole-ward side; empty for none. */
  system: string;
  /** What a frame or a container is made of. */
  material: string;
  /** The day on which card was laid; empty when not known. */
  laid: string;
  /** Earth from the spot that fills it. */
  earth: string;
  /** How its ground is broken. */
  turf: string;
  tool: string;
  passes: string;
  /** What is laid over it for plants to stand by; empty for nothing. */
  pattern: string;
  linesApart: string;
  spotsApart: string;
  across: 'no' | 'yes';
  staggered: 'no' | 'yes';
}

export const NEW_PLACE = {
  width: 120,
  length: 240,
  arm: 60,
  wall: 30,
  gap: 3,
  cell: 30,
  between: 50,
};

/** The same where feet and inches are used: 4 × 8 ft, a foot to a square. [cm] */
const NEW_IMPERIAL = {
  width: 121.92,
  length: 243.84,
  arm: 60.96,
  wall: 30.48,
  gap: 2.54,
  cell: 30.48,
  between: 60.96,
};

/** The measures from which an L, a U or a ring was drawn, kept beside its outline. */
export interface FormMeasures {
  form: 'l' | 'u' | 'ring';
  width_cm: number;
  length_cm: number;
  arm_cm: number;
}

const FORM_KEY = 'x-form';

export function draftOf(place: Place | undefined, units: Units): Draft {
  const shape = place?.shape;
  const field = (cm: number | null | undefined, other: number) => units.toField(cm ?? other);
  const usual = !place && units.system === 'imperial' ? NEW_IMPERIAL : NEW_PLACE;
  const apart = (units.system === 'imperial' ? NEW_IMPERIAL : NEW_PLACE).cell;
  const { width, length } = sizeOf(shape);
  const form = formOf(shape);
  const net = place?.supports[0];
  const foot = shape?.type === 'circle' ? shape.bottom_diameter_cm : null;
  return {
    name: place?.name ?? '',
    kind: place?.kind ?? 'framed',
    outline: outlineOf(shape),
    along: '',
    bottom: place?.bottom ?? (place?.kind === 'container' ? 'closed' : 'open'),
    native: place ? (place.native ?? '') : 'ordinary',
    width: field(width, usual.width),
    length: field(length, usual.length),
    arm: field(form?.arm_cm, usual.arm),
    foot: foot ? field(foot, 0) : '',
    slope: String(shape?.type === 'mound' ? (shape.side_slope ?? 1) : 1),
    thickness: field(shape?.wall_thickness_cm, 0),
    measured: shape?.measured === 'outside' ? 'outside' : 'inside',
    wall: field(place?.wall_height_cm, usual.wall),
    gap: field(place?.rim_gap_cm, usual.gap),
    loosened: field(place?.loosened_below_cm, 0),
    cell: field(place?.cell_cm, usual.cell),
    grid: place ? (place.grid ?? 'exact') : 'fitted',
    layout: place?.layout ?? '',
    walls: place?.walls ?? '',
    count: '1',
    abreast: '',
    between: units.toField(usual.between),
    paths: 'bare',
    heading: String(place?.heading_deg ?? 90),
    sun: place?.sun_hours === null || place?.sun_hours === undefined ? '' : String(place.sun_hours),
    policy: place?.depth_policy ?? '',
    net: net ? field(net.height_cm, 180) : '',
    system: net?.system ?? '',
    material: place?.material ?? '',
    laid: place?.bottom_laid ?? '',
    earth: measureText(place?.own_earth_litres, 'L of soil', units.system),
    turf: place?.breaking?.turf ?? '',
    tool: place?.breaking?.tool ?? '',
    passes: place?.breaking?.passes?.toString() ?? '',
    pattern: place?.pattern?.kind ?? '',
    linesApart: field(place?.pattern?.lines_apart_cm, apart),
    spotsApart: field(place?.pattern?.spots_apart_cm, apart),
    across: place?.pattern?.across ? 'yes' : 'no',
    staggered: place?.pattern?.staggered ? 'yes' : 'no',
  };
}

/** The measures an outline was drawn from, where it was. */
export function formOf(shape: Place['shape'] | undefined): FormMeasures | null {
  const measures = (shape as Record<string, unknown> | undefined)?.[FORM_KEY];
  return (measures as FormMeasures | undefined) ?? null;
}

function sizeOf(shape: Place['shape'] | undefined): { width?: number; length?: number } {
  switch (shape?.type) {
    case 'rectangle':
      return { width: shape.width_cm, length: shape.length_cm };
    case 'circle':
      return { width: shape.diameter_cm, length: shape.diameter_cm };
    case 'mound':
      return { width: shape.top_width_cm, length: shape.top_length_cm };
    default: {
      const form = formOf(shape);
      return form ? { width: form.width_cm, length: form.length_cm } : {};
    }
  }
}

function outlineOf(shape: Place['shape'] | undefined): Draft['outline'] {
  switch (shape?.type) {
    case undefined:
    case 'rectangle':
      return 'rectangle';
    case 'circle':
      return 'round';
    case 'mound':
      return 'mound';
    default:
      return formOf(shape)?.form ?? 'drawn';
  }
}

/** Several places of one kind, in one step. [cm] */
export interface Several {
  count: number;
  abreast: number;
  gap_cm: number;
  paths: boolean;
  covering: string | null;
}

export interface ReadDraft {
  changes: Record<string, unknown>;
  form: FormMeasures | null;
  several: Several;
}

/** The place's keys that a draft sets; what is wrong with it is said to the reader. */
export function readDraft(read: Reader<Draft>, before: Place | undefined): ReadDraft {
  const draft = read.typed;
  const measure = read.length;
  const walls = () => {
    const thick = measure('thickness', 0);
    return thick > 0
      ? { wall_thickness_cm: thick, measured: draft.measured }
      : { wall_thickness_cm: null, measured: null };
  };
  let form: FormMeasures | null = null;
  const shape = (): object | undefined => {
    switch (draft.outline) {
      case 'drawn':
        return before?.shape;
      case 'round':
        return {
          ...keptShape(before, 'circle'),
          type: 'circle',
          diameter_cm: measure('width', 1),
          bottom_diameter_cm: read.text('foot') === null ? null : measure('foot', 1),
          ...walls(),
        };
      case 'border':
      case 'rectangle':
        if (draft.outline === 'border' && draft.along === '')
          read.fault('along', 'Choose what it lies along.');
        return {
          ...keptShape(before, 'rectangle'),
          type: 'rectangle',
          width_cm: measure('width', 1),
          length_cm: measure('length', 1),
          ...walls(),
        };
      case 'mound':
        return {
          ...keptShape(before, 'mound'),
          type: 'mound',
          top_width_cm: measure('width', 1),
          top_length_cm: measure('length', 1),
          height_cm: measure('wall', 1),
          side_slope: read.needed('slope', 0, 10),
        };
      default: {
        const width = measure('width', 1);
        const long = draft.outline === 'ring' ? width : measure('length', 1);
        form = { form: draft.outline, width_cm: width, length_cm: long, arm_cm: measure('arm', 1) };
        return { type: 'polygon', [FORM_KEY]: form, ...walls() };
      }
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
    grid: draft.grid === 'fitted' ? 'fitted' : null,
    layout: draft.layout || null,
    walls: draft.walls || null,
    heading_deg: read.needed('heading', -360, 360),
    sun_hours: read.number('sun', 0, 24),
    depth_policy: draft.policy || null,
    material: draft.material || null,
    breaking: readBreaking(read),
    pattern: draft.pattern === '' ? null : readPattern(read, before),
    own_earth_litres:
      draft.kind === 'container' ? null : read.measure('earth', 'L of soil', 0, 1_000_000),
    bottom_laid: draft.bottom === 'rotting' ? draft.laid || null : null,
  };
  const rest = (before?.supports ?? []).slice(1);
  if (draft.system !== '') {
    const first = before?.supports[0] ?? { id: draft.system };
    const standing = { ...first, system: draft.system, height_cm: measure('net', 10) };
    changes.supports = [standing, ...rest];
  } else if ((before?.supports ?? []).length > 0) {
    changes.supports = rest;
  }
  const count = before ? 1 : read.needed('count', 1, 100);
  const several: Several = {
    count,
    abreast: read.number('abreast', 1, 100) ?? Math.max(1, count),
    gap_cm: count > 1 ? measure('between', 0) : 0,
    paths: draft.paths !== 'no',
    covering: draft.paths === 'no' || draft.paths === 'bare' ? null : draft.paths,
  };
  return { changes, form, several };
}

function readBreaking(read: Reader<Draft>): object | null {
  const { turf, tool, kind } = read.typed;
  const passes = read.number('passes', 1, 10);
  if (kind === 'container' || (turf === '' && tool === '' && passes === null)) return null;
  return { turf: turf || null, tool: tool || null, passes };
}

/** Lines and spots; a pattern that has no spots keeps the distance that stood there before. */
function readPattern(read: Reader<Draft>, before: Place | undefined): object {
  const { pattern, across, staggered } = read.typed;
  return {
    ...before?.pattern,
    kind: pattern,
    lines_apart_cm: read.length('linesApart', 2),
    spots_apart_cm: read.length('spotsApart', 2),
    across: across === 'yes' || null,
    staggered: staggered === 'yes' || null,
  };
}

function keptShape(before: Place | undefined, type: string): object {
  return before?.shape.type === type ? before.shape : {};
}
