import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type {
  Edit,
  Footing,
  Material,
  Place,
  PlaceReport,
  Support,
  SupportSheet,
  TrainingSystem,
} from '../../api/types';
import { standsAt } from '../../edits/standsAt';
import { Choice } from '../../kit/Choice';
import { useUnits } from '../../kit/preferences';
import { MeasureField, NumberField, useTyped } from '../../kit/form';
import type { Reader } from '../../kit/reader';
import { fieldUnit, measureText } from '../../kit/measures';

interface Tables {
  systems: Record<string, TrainingSystem>;
  footings: Record<string, Footing>;
  materials: Record<string, Material>;
}

interface Props extends Tables {
  state: HeldGarden;
  place: Place;
  report: PlaceReport;
  support: Support;
  sheet: SupportSheet | undefined;
  /** Save an edit; `told` says at its field what the server refuses. */
  onEdit: (edit: Edit, told?: (why: ProblemError) => boolean) => void;
}

const EDGES = [
  ['', 'the side away from the sun'],
  ['north', 'north'],
  ['east', 'east'],
  ['south', 'south'],
  ['west', 'west'],
  ['along', 'in the bed, along its middle'],
  ['across', 'in the bed, across its middle'],
  ['line', 'in the bed, along a line'],
] as const;
const IN_THE_BED = ['along', 'across'];
const SIDES = [
  ['1', 'one row, on the line'],
  ['2', 'a row on each side'],
] as const;

const MADE = [
  ['built', 'built from parts'],
  ['kit', 'bought as a kit'],
  ['standing', 'there already'],
] as const;

const LENGTHS = [
  ['height_cm', 'Height above the soil', 10, 1000],
  ['opening_cm', 'Openings of the net', 1, 60],
  ['post_spacing_cm', 'Post spacing, at most', 20, 500],
  ['post_diameter_cm', 'Post thickness', 1, 30],
] as const;
const BENT = [
  ['mesh_cm', 'Length of the mesh', 1, 10000],
  ['span_cm', 'Width between its feet', 1, 10000],
] as const;

const MOST_CM = 10_000;

const lineKey = (point: number, axis: number) => `line-${point}-${axis}`;

/** What a support is, where it stands and how; empty fields are worked out. */
export function SupportForm({ state, place, report, support, sheet, onEdit, ...tables }: Props) {
  const units = useUnits();
  const unit = fieldUnit('cm', units.system);
  const system = tables.systems[support.system];
  const fields = system?.build.bent
    ? [LENGTHS[0], ...BENT]
    : LENGTHS.filter(([key]) => key !== 'opening_cm' || system?.build.sheet);
  const usual: Record<string, number | null | undefined> = {
    height_cm: system?.height_cm,
    opening_cm: system?.build.openings_cm[0],
    post_spacing_cm: system?.post_spacing_cm,
    post_diameter_cm: sheet?.post_diameter_cm,
    mesh_cm: sheet?.arch?.mesh_cm,
    span_cm: sheet?.arch?.span_cm,
    to: sheet && sheet.run_from_cm + sheet.run_cm,
    from: sheet?.run_from_cm,
  };
  const shownUsual = (key: string) => {
    const cm = usual[key];
    return cm === null || cm === undefined ? {} : { placeholder: units.bare(cm) };
  };
  const wind = state.plan.site?.design_wind_m_s;
  const changed = (changes: Partial<Support>): Edit => ({
    do: 'change-place',
    id: place.id,
    changes: {
      supports: place.supports.map((s) =>
        s.id === support.id
          ? Object.fromEntries(
              Object.entries({ ...s, ...changes }).filter(([, value]) => value !== null),
            )
          : s,
      ),
    },
  });
  const first: Record<string, string> = {
    ...Object.fromEntries(
      fields.map(([key]) => [key, support[key] ? unit.shown(support[key]) : '']),
    ),
    wind: measureText(wind, 'm/s', units.system),
    from: support.run_cm ? unit.shown(support.run_cm[0]) : '',
    to: support.run_cm ? unit.shown(support.run_cm[1]) : '',
    apart: support.rows_apart_cm ? unit.shown(support.rows_apart_cm) : '',
    ...Object.fromEntries(
      (support.line_cm ?? []).flatMap((point, index) =>
        point.map((cm, axis) => [lineKey(index, axis), unit.shown(cm)] as const),
      ),
    ),
  };
  const form = useTyped(first, (read): Edit => {
    const windNow = read.measure('wind', 'm/s', 1, 80);
    const edits: Edit[] = [changed(typedChanges(read, first, support, fields))];
    if (read.typed['wind'] !== first['wind'])
      edits.push({ do: 'change-site', changes: { design_wind_m_s: windNow } });
    return { do: 'together', edits };
  });
  const paths = Object.fromEntries(
    Object.keys(first).flatMap((key) => {
      const path = pathOf(key);
      return path === null ? [] : [[key, path] as const];
    }),
  );
  return (
    <form
      aria-label="The support"
      className="grid grid-cols-2 gap-x-3 gap-y-1"
      onSubmit={form.sent((edit) => onEdit(edit, (why) => form.refusedAt(paths, why)))}
    >
      <Choices
        report={report}
        round={place.shape.type === 'circle'}
        system={system}
        support={support}
        tables={tables}
        onChange={(changes) => onEdit(changed(changes))}
      />
      {fields.map(([key, label]) => (
        <NumberField
          key={key}
          form={form}
          name={key}
          label={`${label}, ${units.lengthUnit}`}
          {...shownUsual(key)}
        />
      ))}
      {support.line_cm?.flatMap((point, index) =>
        point.map((_, axis) => (
          <NumberField
            key={lineKey(index, axis)}
            form={form}
            name={lineKey(index, axis)}
            label={`Point ${index + 1}, ${axis === 0 ? 'across' : 'along'}, ${units.lengthUnit}`}
          />
        )),
      )}
      {support.sides === 2 && (
        <NumberField form={form} name="apart" label={`Rows apart, ${units.lengthUnit}`} />
      )}
      <NumberField
        form={form}
        name="from"
        label={`Runs from, ${units.lengthUnit}`}
        {...shownUsual('from')}
      />
      <NumberField
        form={form}
        name="to"
        label={`Runs to, ${units.lengthUnit}`}
        {...shownUsual('to')}
      />
      {!system?.build.bent && (
        <div className="col-span-2">
          <MeasureField
            form={form}
            name="wind"
            label="Design wind"
            unit="m/s"
            hint="From your local code; m/s, km/h and mph can be typed."
          />
        </div>
      )}
      <p className="col-span-2 pt-1">
        <button type="submit" className="act act-main">
          Save
        </button>
      </p>
    </form>
  );
}

const PATHS: Record<string, string | null> = {
  from: null,
  to: 'run_cm',
  apart: 'rows_apart_cm',
  wind: 'design_wind_m_s',
};

/** The end of the path by which the server names a field; one field speaks for a pair. */
function pathOf(key: string): string | null {
  const [, point, axis] = /^line-(\d+)-(\d)$/.exec(key) ?? [];
  if (point !== undefined) return axis === '0' ? `line_cm[${point}]` : null;
  return PATHS[key] === undefined ? key : PATHS[key];
}

type Typed = Record<string, string>;

/** What was typed anew: what still stands as it was is not sent, nor rounded on the way. */
function typedChanges(
  read: Reader<Typed>,
  first: Typed,
  support: Support,
  fields: readonly (readonly [string, string, number, number])[],
): Partial<Support> {
  const anew = (key: string) => read.typed[key] !== first[key];
  const length = (key: string, least: number, most: number) =>
    read.text(key) === null ? null : read.length(key, least, most);
  const changes: Partial<Support> = Object.fromEntries(
    fields
      .filter(([key]) => anew(key))
      .map(([key, , least, most]) => [key, length(key, least, most)]),
  );
  if (anew('from') || anew('to')) {
    const run = [length('from', 0, MOST_CM), length('to', 0, MOST_CM)] as const;
    const none = run[0] === null && run[1] === null;
    changes.run_cm = none ? null : [run[0] ?? 0, run[1] ?? 0];
  }
  if (anew('apart')) changes.rows_apart_cm = length('apart', 1, 500);
  const points = support.line_cm ?? [];
  const moved = (index: number, axis: number) => anew(lineKey(index, axis));
  if (points.some((_, index) => moved(index, 0) || moved(index, 1)))
    changes.line_cm = points.map((point, index) => {
      const at = (axis: 0 | 1) =>
        moved(index, axis) ? read.length(lineKey(index, axis), -MOST_CM, MOST_CM) : point[axis];
      return [at(0), at(1)];
    });
  return changes;
}

/** Where it may stand: a round place has no edges, but for one that an older plan names. */
function places(support: Support, round: boolean) {
  const stands = support.line_cm ? 'line' : (support.edge ?? '');
  return EDGES.filter(([id]) =>
    id === 'line' ? support.line_cm : !round || IN_THE_BED.includes(id) || id === stands,
  );
}

interface ChoicesProps {
  report: PlaceReport;
  round: boolean;
  support: Support;
  system: TrainingSystem | undefined;
  tables: Tables;
  onChange: (changes: Partial<Support>) => void;
}

/** What is chosen of it: its kind, its edge, how posts stand, and the twine. */
function Choices({ report, round, support, system, tables, onChange }: ChoicesProps) {
  const posts = Object.entries(tables.materials).filter(([, m]) => m.used_for === 'post');
  const twines = Object.entries(tables.materials).filter(([, m]) => m.most_span_cm);
  return (
    <>
      <div className="col-span-2">
        <Choice
          label="Kind of support"
          value={support.system}
          options={Object.entries(tables.systems)
            .filter(([, s]) => s.needs_support)
            .map(([id, s]) => [id, s.label] as const)}
          onChange={(id) => onChange({ system: id })}
        />
      </div>
      <div className="col-span-2">
        <Choice
          label="Stands"
          value={support.line_cm ? 'line' : (support.edge ?? '')}
          options={places(support, round)}
          onChange={(stands) => onChange(standsAt(stands, report.bounds_cm))}
        />
      </div>
      {support.line_cm && (
        <Choice
          label="Planted"
          value={support.sides === 2 ? '2' : '1'}
          options={SIDES}
          onChange={(sides) => onChange({ sides: sides === '2' ? 2 : null })}
        />
      )}
      {!system?.build.bent && (
        <Choice
          label="Posts stand"
          value={support.footing ?? ''}
          options={[
            ['', 'as is usual here'],
            ...Object.entries(tables.footings).map(([id, f]) => [id, f.label] as const),
          ]}
          onChange={(footing) => onChange({ footing: footing || null })}
        />
      )}
      <Choice
        label="It is"
        value={support.made ?? 'built'}
        options={MADE}
        onChange={(made) => onChange({ made: made === 'built' ? null : made })}
      />
      {!system?.build.bent && (support.made ?? 'built') === 'built' && (
        <Choice
          label="Posts of"
          value={support.posts ?? 'post'}
          options={posts.map(([id, m]) => [id, m.label] as const)}
          onChange={(kind) => onChange({ posts: kind === 'post' ? null : kind })}
        />
      )}
      {(system?.build.twine_tier_every_cm || system?.build.string_per_plant) && (
        <Choice
          label="Twine"
          value={support.twine ?? 'twine-natural'}
          options={twines.map(([id, m]) => [id, m.label] as const)}
          onChange={(twine) => onChange({ twine })}
        />
      )}
    </>
  );
}
