import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';

import { shownNow, useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Edit } from '../../api/types';
import { isoOf } from '../../kit/day';
import { useDay } from '../../shared/DayContext';
import { moveThing, siteOf, spotOfThing } from './things';
import type { Thing } from './things';
import { snapped } from './yardScale';
import { useDaySun, useMonthSun, useTurned } from './useSun';

const SETTLE_MS = 120;

export type Shown = 'drawing' | 'table' | 'set-out' | 'alternatives';
export type YardBench = ReturnType<typeof useYard>;

/** What is chosen in the yard, how it is shown, and all that can be done with it. */
export function useYard(state: HeldGarden) {
  const { slug, version } = state.head;
  const { day } = useDay();
  const settled = useSettled(day);
  const editor = useEditor(slug);
  const asked = useSearchParams()[0].get('place');
  const [thing, setChosen] = useState<Thing | null>(() => firstPlace(state, asked));
  const [placing, setPlacing] = useState(false);
  const [shown, setShown] = useState<Shown>('drawing');
  const [yardOpen, setYardOpen] = useState(false);

  const site = siteOf(state.plan);
  const drawn = Boolean(site.outline_m);
  const sun = useDaySun(slug, version, isoOf(settled), drawn);
  const months = useMonthSun(slug, JSON.stringify(state.plan.site), drawn);
  const chosen = thing && (thing.kind === 'place' || spotOfThing(state.plan, thing)) ? thing : null;
  const place =
    chosen?.kind === 'place' ? state.report.places.find((p) => p.id === chosen.id) : undefined;
  const inYard = place && place.ground.outer_m.length > 0;
  const turns = inYard && !isRound(state, place.id) ? place.id : null;
  const turned = useTurned(slug, version, turns);

  const edit = (change: Edit) => void editor.edit(change);
  const choose = (next: Thing | null) => {
    setChosen(next);
    setPlacing(false);
    setYardOpen(false);
  };
  const nudge = (what: Thing, by: readonly [number, number], stepM: number) => {
    const { plan } = shownNow(slug) ?? state;
    const start = spotOfThing(plan, what);
    const to = start && ([0, 1] as const).map((axis) => snapped(start[axis] + by[axis], stepM));
    const change = to && moveThing(plan, what, [to[0] ?? 0, to[1] ?? 0]);
    if (change) edit(change);
  };
  const move = (what: Thing, to: readonly [number, number]) => {
    setPlacing(false);
    const change = moveThing(state.plan, what, to);
    if (change) edit(change);
  };
  const add = (change: Edit, added: Thing) => {
    void editor.edit(change).then((saved) => saved && choose(added));
  };
  const remove = (change: Edit) => {
    edit(change);
    choose(null);
  };
  return {
    site,
    drawn,
    day,
    sun: sun.data,
    months: months.data,
    turned: turned.data,
    chosen,
    place,
    placing,
    setPlacing,
    shown,
    setShown,
    yardOpen,
    setYardOpen,
    edit,
    choose,
    move,
    nudge,
    add,
    remove,
  };
}

function firstPlace(state: HeldGarden, asked: string | null): Thing | null {
  const first = state.report.places.find((p) => p.id === asked) ?? state.report.places[0];
  return first ? { kind: 'place', id: first.id } : null;
}

function isRound(state: HeldGarden, id: string): boolean {
  return state.plan.places.find((p) => p.id === id)?.shape.type === 'circle';
}

/** A value once it has rested, so that a dragged day does not ask for every day it passes. */
function useSettled<T>(value: T): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return rested;
}
