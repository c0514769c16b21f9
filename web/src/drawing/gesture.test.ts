import { describe, expect, it } from 'vitest';

import { IDLE, moved, next, typed } from './gesture';
import type { Gesture, Input } from './gesture';

const A1 = { column: 0, row: 0 };
const B3 = { column: 1, row: 2 };
const run = (inputs: Input[], from: Gesture = IDLE) => inputs.reduce(next, from);

describe('a gesture is a named state', () => {
  it('paints from where it was pressed to where it is', () => {
    const state = run([
      { kind: 'pressSquare', spot: A1, extendFrom: null, adding: false },
      { kind: 'overSquare', spot: B3 },
    ]);
    expect(state).toEqual({ kind: 'painting', from: A1, to: B3, adding: false });
  });

  it('extends what was chosen when Shift is held', () => {
    const state = run([{ kind: 'pressSquare', spot: B3, extendFrom: A1, adding: false }]);
    expect(state).toEqual({ kind: 'painting', from: A1, to: B3, adding: false });
  });

  it('resizes about the corner that is held', () => {
    const state = run([
      { kind: 'pressEdge', planting: 'p1', anchor: A1, spot: A1 },
      { kind: 'overSquare', spot: B3 },
    ]);
    expect(state).toEqual({ kind: 'resizing', planting: 'p1', anchor: A1, to: B3 });
  });

  it('moves a wedge by days', () => {
    const state = run([
      { kind: 'pressWedge', planting: 'p1', day: 100 },
      { kind: 'overDay', day: 93 },
    ]);
    expect(state).toEqual({ kind: 'movingWedge', planting: 'p1', fromDay: 100, byDays: -7 });
  });

  it('hears of squares and days only when it is about them', () => {
    expect(run([{ kind: 'overSquare', spot: B3 }])).toBe(IDLE);
    const wedge = run([{ kind: 'pressWedge', planting: 'p1', day: 1 }]);
    expect(next(wedge, { kind: 'overSquare', spot: B3 })).toBe(wedge);
    const paint = run([{ kind: 'pressSquare', spot: A1, extendFrom: null, adding: false }]);
    expect(next(paint, { kind: 'overDay', day: 5 })).toBe(paint);
    expect(next(paint, { kind: 'cancel' })).toBe(IDLE);
  });
});

describe('the cursor follows the page', () => {
  const size = { columns: 4, rows: 9 };
  it.each([
    ['ArrowRight', { column: 0, row: 1 }],
    ['ArrowDown', { column: 1, row: 0 }],
    ['ArrowLeft', A1],
    ['ArrowUp', A1],
  ])('%s', (key, to) => {
    expect(moved(A1, key, size)).toEqual(to);
  });

  it('stops at the far corner and ignores other keys', () => {
    expect(moved({ column: 3, row: 8 }, 'ArrowRight', size)).toEqual({ column: 3, row: 8 });
    expect(moved(A1, 'a', size)).toBeNull();
  });
});

describe('two letters make a mark', () => {
  const nothing = { letters: '', atMs: 0 };
  it('in either case', () => {
    const one = typed(nothing, 'c', 10);
    expect(typed(one, 'T', 20).letters).toBe('Ct');
  });

  it('and a late second letter starts anew', () => {
    const one = typed(nothing, 'c', 10);
    expect(typed(one, 't', 5000).letters).toBe('T');
  });
});
