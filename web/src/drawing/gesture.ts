import type { Day } from '../kit/day';
import type { Spot } from './cells';
import type { PointCm } from './scale';

/** A gesture is a named state; these functions move from one to the next. */
export type Gesture =
  | { kind: 'idle' }
  | { kind: 'painting'; from: Spot; to: Spot; adding: boolean }
  | { kind: 'movingLine'; support: string; end: number | null; from: PointCm; at: PointCm | null }
  | { kind: 'movingPlant'; planting: string; plant: number; spot: Spot; at: PointCm | null }
  | { kind: 'resizing'; planting: string; anchor: Spot; to: Spot }
  | { kind: 'movingWedge'; planting: string; fromDay: Day; byDays: number }
  | { kind: 'settlingWedge'; planting: string; byDays: number };

export const IDLE: Gesture = { kind: 'idle' };

export type Input =
  | { kind: 'pressSquare'; spot: Spot; extendFrom: Spot | null; adding: boolean }
  | { kind: 'pressPlant'; planting: string; plant: number; spot: Spot }
  | { kind: 'pressLine'; support: string; end: number | null; from: PointCm }
  | { kind: 'overPoint'; at: PointCm }
  | { kind: 'pressEdge'; planting: string; anchor: Spot; spot: Spot }
  | { kind: 'overSquare'; spot: Spot }
  | { kind: 'pressWedge'; planting: string; day: Day }
  | { kind: 'overDay'; day: Day }
  | { kind: 'nudgeWedge'; planting: string; byDays: number }
  | { kind: 'letGo' }
  | { kind: 'settled' }
  | { kind: 'cancel' };

export function next(gesture: Gesture, input: Input): Gesture {
  switch (input.kind) {
    case 'pressSquare':
      return {
        kind: 'painting',
        from: input.extendFrom ?? input.spot,
        to: input.spot,
        adding: input.adding,
      };
    case 'pressPlant':
      return { ...input, kind: 'movingPlant', at: null };
    case 'overPoint':
      return gesture.kind === 'movingPlant' || gesture.kind === 'movingLine'
        ? { ...gesture, at: input.at }
        : gesture;
    case 'pressLine':
      return { ...input, kind: 'movingLine', at: null };
    case 'pressEdge':
      return { kind: 'resizing', planting: input.planting, anchor: input.anchor, to: input.spot };
    case 'pressWedge':
      return { kind: 'movingWedge', planting: input.planting, fromDay: input.day, byDays: 0 };
    case 'nudgeWedge': {
      const before =
        gesture.kind === 'movingWedge' && gesture.planting === input.planting ? gesture.byDays : 0;
      return {
        kind: 'movingWedge',
        planting: input.planting,
        fromDay: 0,
        byDays: before + input.byDays,
      };
    }
    case 'overSquare':
      return gesture.kind === 'painting' || gesture.kind === 'resizing'
        ? { ...gesture, to: input.spot }
        : gesture;
    case 'overDay': {
      if (gesture.kind !== 'movingWedge') return gesture;
      const byDays = input.day - gesture.fromDay;
      return byDays === gesture.byDays ? gesture : { ...gesture, byDays };
    }
    case 'letGo':
      return gesture.kind === 'movingWedge' && gesture.byDays !== 0
        ? { kind: 'settlingWedge', planting: gesture.planting, byDays: gesture.byDays }
        : IDLE;
    case 'settled':
      return gesture.kind === 'settlingWedge' ? IDLE : gesture;
    case 'cancel':
      return IDLE;
  }
}

/** Where the cursor goes with an arrow key: keys follow the page, not the letters. */
export function moved(
  spot: Spot,
  key: string,
  size: { columns: number; rows: number },
): Spot | null {
  const by: Record<string, Spot> = {
    ArrowUp: { column: -1, row: 0 },
    ArrowDown: { column: 1, row: 0 },
    ArrowLeft: { column: 0, row: -1 },
    ArrowRight: { column: 0, row: 1 },
  };
  const step = by[key];
  if (!step) return null;
  const column = Math.min(size.columns - 1, Math.max(0, spot.column + step.column));
  const row = Math.min(size.rows - 1, Math.max(0, spot.row + step.row));
  return { column, row };
}

const MARK_WAIT_MS = 1500;

/** Letters typed one after another make a crop's mark; a late second letter starts anew. */
export interface TypedMark {
  letters: string;
  atMs: number;
}

export function typed(before: TypedMark, letter: string, nowMs: number): TypedMark {
  const fresh = before.letters.length >= 2 || nowMs - before.atMs > MARK_WAIT_MS;
  const letters = (fresh ? '' : before.letters) + letter;
  return { letters: letters.charAt(0).toUpperCase() + letters.slice(1).toLowerCase(), atMs: nowMs };
}
