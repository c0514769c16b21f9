import { Link } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import type { Edit, Fix, Place, PlaceReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { MarginNotes } from '../../shared/MarginNotes';
import { formOf } from '../../edits/placeDraft';
import { Stays } from './Stays';
import { nextId } from '../../edits/edits';
import { words } from '../../kit/day';
import type { Day } from '../../kit/day';
import type { Units } from '../../kit/units';

interface Props {
  state: HeldGarden;
  report: PlaceReport;
  hours: number | undefined;
  /** What turns it a quarter about its middle; none for what is round. */
  turn: Fix | undefined;
  day: Day;
  onEdit: (edit: Edit) => void;
  onPlacing: () => void;
}

/** A measure of a place, by name and in words. */
type Line = readonly [string, string];

/** A place as it lies: its measures, reach, path, sun, water, door and fall, and what they mean. */
export function PlaceGround({ state, report, turn, hours, day, onEdit, onPlacing }: Props) {
  const units = useUnits();
  const document = state.plan.places.find((p) => p.id === report.id);
  if (!document) return null;
  const copy = (mirrored: boolean) =>
    onEdit({
      do: 'copy-place',
      id: report.id,
      new_id: nextId(
        state.plan.places.map((p) => p.id),
        `${report.id}-`,
      ),
      mirrored,
    });
  const twin = state.plan.places.find((p) => p.id === document.twin_of);
  const lines: Line[] = [
    ...measured(document, report, units),
    ...(twin ? [['Twin of', twin.name ?? twin.id] as const] : []),
    ...lieOf(report, hours === undefined ? null : [`Sun, ${words(day)}`, hours], units),
  ];
  const notes = state.report.notes.filter((n) => n.place === report.id && GROUND_NOTES.has(n.code));
  return (
    <section aria-label={document.name ?? report.id}>
      <header className="flex items-baseline justify-between">
        <h2 className="text-base">{document.name ?? report.id}</h2>
        <Link
          className="press"
          to={`/gardens/${state.head.slug}/places/${encodeURIComponent(report.id)}/change?from=ground`}
        >
          Edit
        </Link>
      </header>
      <dl>
        {lines.map(([term, value]) => (
          <div key={term} className="flex items-baseline justify-between gap-3 leading-[1.6]">
            <dt>{term}</dt>
            <dd className="text-right font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <p className="flex flex-wrap gap-x-4 border-t border-rule pt-1">
        <button type="button" className="press" onClick={onPlacing}>
          Move
        </button>
        <button type="button" className="press" onClick={() => copy(false)}>
          Copy
        </button>
        <button type="button" className="press" onClick={() => copy(true)}>
          Mirror it
        </button>
        {turn && (
          <button type="button" className="press" onClick={() => onEdit(turn.edit)}>
            {turn.label}
          </button>
        )}
        <Link
          className="press"
          to={`/gardens/${state.head.slug}/squares/${encodeURIComponent(report.id)}`}
        >
          Open its squares
        </Link>
      </p>
      {document.kind === 'container' && (
        <Stays key={state.head.version} place={document} report={report} onEdit={onEdit} />
      )}
      <div className="mt-2 border-t border-rule pt-1.5">
        <MarginNotes
          notes={notes}
          onFix={onEdit}

          none="No problems found with its ground."
        />
      </div>
    </section>
  );
}

/** Reach, path, sun, water, door and fall, as far as each is known. */
function lieOf(report: PlaceReport, sun: [string, number] | null, units: Units): Line[] {
  const { ground, reach } = report;
  const season = report.sun?.best_months_hours ?? null;
  const falls = ground.fall_width_cm !== 0 || ground.fall_length_cm !== 0;
  const lines: (Line | false | null)[] = [
    [
      'Reach',
      reach.needed_cm > 0
        ? `${units.length(reach.needed_cm)}, arm ${units.length(reach.arm_cm)}`
        : 'nobody can stand beside it',
    ],
    ground.path_cm !== null && [
      `To ${ground.path_beside ?? 'the next'}`,
      units.length(ground.path_cm),
    ],
    sun && [sun[0], `${sun[1].toFixed(1)} h`],
    season !== null && ['Sun, six best months', `${season.toFixed(1)} h`],
    report.sun && [
      'Before and after noon',
      `${report.sun.morning.toFixed(1)}, ${report.sun.afternoon.toFixed(1)} h`,
    ],
    ground.water_m !== null && [
      `From the ${ground.water ?? 'water'}`,
      `${units.distance(tenth(ground.water_m))}, ${ground.hose_m === null ? 'carried' : `hose ${units.distance(ground.hose_m)}`}`,
    ],
    ground.door_m !== null && [
      'From the door',
      `${units.distance(tenth(ground.door_m))}, ${ground.in_sight ? 'in sight' : 'out of sight'}`,
    ],
    falls && [
      'Fall across, along',
      units.both(Math.abs(ground.fall_width_cm), Math.abs(ground.fall_length_cm), ', '),
    ],
  ];
  return lines.filter((line): line is Line => Boolean(line));
}

/** Inside and outside measures; what is round is told by its width alone. */
function measured(document: Place, report: PlaceReport, units: Units): Line[] {
  const [x0, y0, x1, y1] = report.bounds_cm;
  const [wide, long] = report.ground.outside_cm;
  const isRound = document.shape.type === 'circle' || formOf(document.shape)?.form === 'ring';
  const across = (width: number, length: number) =>
    isRound ? `${units.length(Math.round(width))} across` : units.both(width, length);
  const walled = (document.shape.wall_thickness_cm ?? 0) > 0;
  return [
    ['Inside', across(x1 - x0, y1 - y0)],
    ...(walled ? [['Outside, with walls', across(wide, long)] as const] : []),
    ['Ground inside', units.area(report.inside_area_m2)],
  ];
}

/** Notes that concern the lie of a place; those of its plants stand with its squares. */
const GROUND_NOTES = new Set([
  'outside-yard',
  'in-the-way',
  'overlap',
  'on-path',
  'reach',
  'narrow-path',
  'long-bed',
  'hose-short',
  'carried-water',
  'out-of-sight',
  'tree-roots',
  'fall',
  'load',
  'rim-low',
  'rim-high',
  'no-room-to-kneel',
  'exposed',
  'animal-burrowers',
  'animal-rabbits',
  'measured-outside',
  'light-low',
  'light-unknown',
  'shades-own-bed',
]);

const tenth = (m: number) => Math.round(m * 10) / 10;
