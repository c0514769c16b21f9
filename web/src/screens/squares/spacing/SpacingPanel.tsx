import { useEffect, useState } from 'react';

import type { HeldGarden } from '../../../api/merge';
import type { Closeness, Edit, OtherWay, PlantingReport, SettingOut } from '../../../api/types';
import { useUnits } from '../../../kit/preferences';
import { dayOf, shortWords } from '../../../kit/day';
import { DialCurve } from './DialCurve';
import { LayoutsBeside } from './LayoutsBeside';
import { useSettingOut } from './useSettingOut';

interface Props {
  state: HeldGarden;
  report: PlantingReport;
  onEdit: (edit: Edit) => void;
  /** What the drawing shows in the stead of the planting as it is. */
  onShow: (closeness: Closeness | null) => void;
}

/** How close a planting stands and by which way: looked at first, then taken. */
export function SpacingPanel({ state, report, onEdit, onShow }: Props) {
  const answer = useSettingOut(state.head.slug, state.head.version, report.id);
  if (answer.error) return <p role="alert">{answer.error.message}</p>;
  if (!answer.data) return <p className="text-muted">Working it out…</p>;
  return (
    <Chooser
      key={`${report.id} ${state.head.version}`}
      settingOut={answer.data}
      report={report}
      onEdit={onEdit}
      onShow={onShow}
    />
  );
}

function Chooser({
  settingOut,
  report,
  onEdit,
  onShow,
}: Omit<Props, 'state'> & { settingOut: SettingOut }) {
  const units = useUnits();
  const { dial, layouts, sowing } = settingOut;
  const own = dial.points.findIndex((p) => Math.abs(p.spacing_cm - dial.own_cm) < 0.01);
  const [at, setAt] = useState(own);
  const [layout, setLayout] = useState<OtherWay | null>(null);
  useEffect(() => () => onShow(null), [onShow]);

  const point = layout?.closeness ?? dial.points[at];
  if (!point) return null;
  const change = (changes: Record<string, unknown>) =>
    onEdit({ do: 'change-planting', id: report.id, changes });
  return (
    <div className="space-y-2">
      <DialCurve
        dial={dial}
        at={at}
        onAt={(index) => {
          setAt(index);
          setLayout(null);
          onShow(index === own ? null : (dial.points[index] ?? null));
        }}
      />
      <Figures point={point} />
      <p className="flex flex-wrap gap-x-4">
        {layout && !layout.own && (
          <button type="button" className="press" onClick={() => change(layout.changes)}>
            {`Set out so: ${layout.label}`}
          </button>
        )}
        {!layout && at !== own && (
          <button
            type="button"
            className="press"
            onClick={() => change({ spacing_cm: point.spacing_cm, per_cell: null })}
          >
            {`Use ${units.length(point.spacing_cm)}`}
          </button>
        )}
        {!layout && at === own && <span className="text-muted">as it is set out now</span>}
      </p>
      {layout && <p>{`${layout.suits} Hoe: ${layout.hoe} Drip: ${layout.drip}`}</p>}
      {!layout && at === own && <p>{dial.words}</p>}
      {layouts.length > 0 && (
        <LayoutsBeside
          layouts={layouts}
          shown={layout}
          onShow={(way) => {
            setLayout(way);
            setAt(own);
            onShow(way.own ? null : way.closeness);
          }}
        />
      )}
      {sowing && (
        <p>
          <strong className="font-semibold">Sowing. </strong>
          {sowing.words}
        </p>
      )}
      <p className="text-[11.5px] text-muted">{dial.source}</p>
    </div>
  );
}

function Figures({ point }: { point: Closeness }) {
  const units = useUnits();
  const rows: [string, string][] = [
    ['Plants', String(point.plants)],
    ['Seeds or sets', String(point.seeds)],
  ];
  if (point.kg > 0) {
    rows.push(
      ['In all, likely', units.mass(point.kg)],
      ['Each plant', units.mass(point.kg_per_plant)],
    );
  }
  if (point.too_small_kg !== null && point.kg > 0) {
    const share = Math.round((point.too_small_kg / point.kg) * 100);
    rows.push(['Too small', `${share} %`]);
  }
  if (point.leaves_meet) rows.push(['Leaves meet', shortWords(dayOf(point.leaves_meet))]);
  const weeks = Math.round(point.closed_weeks);
  const closed =
    weeks > 0 ? `Leaves stay closed for ${weeks === 1 ? 'a week' : `${weeks} weeks`}. ` : '';
  return (
    <>
      <dl className="grid grid-cols-2 gap-x-4">
        {rows.map(([name, figure]) => (
          <div key={name} className="flex justify-between gap-2 border-b border-faint">
            <dt className="text-muted">{name}</dt>
            <dd className="text-right font-semibold">{figure}</dd>
          </div>
        ))}
      </dl>
      <p className="text-muted">{`${closed}It stands ${point.air}.`}</p>
    </>
  );
}
