import { dayOf, isoOf } from '../kit/day';
import type { HeldGarden } from './merge';
import type { Edit, Planting, PlantingReport } from './types';

type Changes = Record<string, unknown>;

/** Parts of the plan that an edit changes value by value. */
const PART_OF = {
  'change-garden': 'garden',
  'change-site': 'site',
  'change-soil': 'soil',
  'change-build': 'build',
  'change-seed-box': 'seed_box',
} as const;

/**
 * The garden as an edit shows at once: what is sure before the server has answered. Figures stay
 * as they were until they come.
 */
export function atOnce(state: HeldGarden, edit: Edit): HeldGarden {
  switch (edit.do) {
    case 'change-planting':
      return changedPlanting(state, edit.id, edit.changes);
    case 'remove-planting':
      return withoutPlanting(state, edit.id);
    case 'change-place':
      return withPlan(state, {
        places: state.plan.places.map((p) =>
          p.id === edit.id ? { ...p, ...plain(edit.changes) } : p,
        ),
      });
    case 'change-obstacle':
      return movedObstacle(state, edit.id, edit.at_m);
    case 'change-garden':
    case 'change-site':
    case 'change-soil':
    case 'change-build':
    case 'change-seed-box': {
      const part = PART_OF[edit.do];
      const parts = state.plan[part];
      const sure = plain(edit.changes);
      return parts ? withPlan(state, { [part]: { ...parts, ...sure } }) : state;
    }
    case 'together':
      return edit.edits.reduce(atOnce, state);
    default:
      return state;
  }
}

/** An obstacle where it is moved to, with the outline that it has. */
function movedObstacle(
  state: HeldGarden,
  id: string,
  at: readonly [number, number] | null | undefined,
): HeldGarden {
  const site = state.plan.site;
  if (!site || !at) return state;
  const obstacles = site.obstacles.map((o) => {
    if (o.id !== id) return o;
    const dx = at[0] - Math.min(...o.outline_m.map(([x]) => x));
    const dy = at[1] - Math.min(...o.outline_m.map(([, y]) => y));
    return { ...o, outline_m: o.outline_m.map(([x, y]): [number, number] => [x + dx, y + dy]) };
  });
  return withPlan(state, { site: { ...site, obstacles } });
}

/** Plain values alone: what is made of parts comes back from the server with all that it has. */
function plain(changes: Changes): Changes {
  return Object.fromEntries(
    Object.entries(changes).filter(([, value]) => ['string', 'number'].includes(typeof value)),
  );
}

function withPlan(state: HeldGarden, changes: Changes): HeldGarden {
  return { ...state, plan: { ...state.plan, ...changes } };
}

function changedPlanting(state: HeldGarden, id: string, changes: Changes): HeldGarden {
  const before = state.plan.plantings.find((p) => p.id === id);
  if (!before) return state;
  const cells = Array.isArray(changes['cells']) ? { cells: changes['cells'] as string[] } : {};
  const planned = { ...before, ...plain(changes), ...cells } as Planting;
  const plantings = state.report.plantings.map((p) =>
    p.id === id ? shown(p, before, planned, changes) : p,
  );
  return {
    ...withPlan(state, {
      plantings: state.plan.plantings.map((p) => (p.id === id ? planned : p)),
    }),
    report: { ...state.report, plantings },
  };
}

/** A planting's report with its squares and days as they were asked for. */
function shown(
  report: PlantingReport,
  before: Planting,
  planned: Planting,
  changes: Changes,
): PlantingReport {
  const cells = Array.isArray(changes['cells']) ? planned.cells : null;
  const squares = Array.isArray(cells) && cells.length > 0 ? { cells } : {};
  const days = dayOf(planned.start_date) - dayOf(before.start_date);
  if (days === 0) return { ...report, ...squares };
  const moved = <T extends string | null>(day: T) =>
    (day === null ? null : isoOf(dayOf(day) + days)) as T;
  return {
    ...report,
    ...squares,
    start_date: moved(report.start_date),
    first_pick: moved(report.first_pick),
    last_pick: moved(report.last_pick),
    clear_date: planned.clear_date ?? moved(report.clear_date),
    growth: { ...report.growth, start: moved(report.growth.start) },
  };
}

function withoutPlanting(state: HeldGarden, id: string): HeldGarden {
  return {
    ...withPlan(state, { plantings: state.plan.plantings.filter((p) => p.id !== id) }),
    report: {
      ...state.report,
      plantings: state.report.plantings.filter((p) => p.id !== id),
    },
  };
}

/** A garden as the server has it, and the edits that are on their way there. */
export class Pending {
  private readonly edits: Edit[] = [];

  constructor(readonly served: HeldGarden) {}

  /** The same edits on a newer state. */
  on(served: HeldGarden): Pending {
    const next = new Pending(served);
    next.edits.push(...this.edits);
    return next;
  }

  begin(edit: Edit): void {
    this.edits.push(edit);
  }

  end(edit: Edit): void {
    const index = this.edits.indexOf(edit);
    if (index >= 0) this.edits.splice(index, 1);
  }

  get shown(): HeldGarden {
    return this.edits.reduce(atOnce, this.served);
  }
}
