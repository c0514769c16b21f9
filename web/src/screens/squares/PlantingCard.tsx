import { Link } from 'react-router';

import { alikeEdit } from '../../edits/edits';
import type { HeldGarden } from '../../api/merge';
import type { Edit, Place, Planting, PlantingReport, VarietyReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { Choice } from '../../kit/Choice';
import { DateField } from '../../kit/DateField';
import type { Options } from '../../kit/Choice';
import { PlantingWorking } from '../../shared/PlantingWorking';
import { dayOf, isoOf, shortWords, words } from '../../kit/day';
import type { Units } from '../../kit/units';
import { Climbs } from './Climbs';
import { Elsewhere } from './Elsewhere';
import { HowMany } from './HowMany';
import { LedOver } from './LedOver';
import { Neighbours } from './Neighbours';
import { SaveSeed } from './SaveSeed';
import { Spots } from './Spots';
import { Sprinkle } from './Sprinkle';
import { Varieties } from './Varieties';
import { Waves } from './Waves';
import { SayVerdict } from '../../shared/Verdict';
import { lineBegun } from '../../shared/weighing';
import { LAYOUTS, STARTS } from '../../shared/words';

interface Props {
  state: HeldGarden;
  planting: Planting;
  report: PlantingReport;
  place: Place;
  chosen: readonly string[];
  onEdit: (edit: Edit) => void;
}

const OWN_LAYOUTS: Options<'' | (typeof LAYOUTS)[number][0]> = [['', 'as the garden'], ...LAYOUTS];

const VERDICT = {
  full: 'deep enough',
  reduced: 'less than its best',
  'too-shallow': 'too shallow',
  'root-too-long': 'its root is too long',
} as const;

/** One planting: how it is set out and when, each of it to change, and its sum. */
export function PlantingCard({ state, planting, report, place, chosen, onEdit }: Props) {
  const units = useUnits();
  const change = (changes: Record<string, unknown>) =>
    onEdit({ do: 'change-planting', id: planting.id, changes });
  const by = (days: number) => change({ start_date: isoOf(dayOf(planting.start_date) + days) });
  const record = `/gardens/${state.head.slug}/record`;
  const alike = alikeEdit(state.plan, place, planting);
  return (
    <div className="space-y-2">
      <p>
        <strong>{report.name}</strong>{' '}
        {`${report.plants} plants, ${units.length(report.spacing_cm)} apart; ${report.setting_out}. `}
        {`${units.length(report.depth.usable_cm)} of soil: ${VERDICT[report.depth.verdict]}.`}
      </p>
      <p className="text-muted">{sowing(report, units.length)}</p>
      {report.by_variety.length > 0 && (
        <ul>
          {report.by_variety.map((kind) => (
            <li key={kind.first_plant}>{varietyWords(kind, units)}</li>
          ))}
        </ul>
      )}
      {/* Pressed most, so above all that comes late and moves what is below it. */}
      <p className="flex flex-wrap gap-x-4">
        <button type="button" className="press" onClick={() => by(-7)}>
          A week earlier
        </button>
        <button type="button" className="press" onClick={() => by(7)}>
          A week later
        </button>
        {chosen.length > 0 && (
          <button
            type="button"
            className="press"
            onClick={() => change({ cells: [...chosen], run_cm: null })}
          >
            Fit to the chosen squares
          </button>
        )}
        <button
          type="button"
          className="press"
          onClick={() => onEdit({ do: 'remove-planting', id: planting.id })}
        >
          Remove
        </button>
        <Link
          className="press"
          to={`${record}?line=${encodeURIComponent(lineBegun(state, report))}`}
        >
          Weigh
        </Link>
        <SayVerdict slug={state.head.slug} on={[report.name]} />
        <Link
          className="press"
          to={`${record}?view=wrong&planting=${encodeURIComponent(planting.id)}`}
        >
          What is wrong?
        </Link>
        {report.plants > 1 && (
          <Link
            className="press"
            to={`${record}?view=row&planting=${encodeURIComponent(planting.id)}`}
          >
            Plant by plant
          </Link>
        )}
      </p>
      <div className="grid grid-cols-2 gap-x-3 gap-y-1.5">
        <Choice
          label="Start"
          value={planting.start}
          options={STARTS}
          onChange={(start) => change({ start })}
        />
        <DateField
          label="On"
          value={planting.start_date}
          onCommit={(v) => v && change({ start_date: v })}
        />
        <Choice
          label="Set out"
          value={planting.layout ?? ''}
          options={OWN_LAYOUTS}
          onChange={(layout) => change({ layout: layout || null })}
        />
        <DateField
          label="Cleared on"
          value={planting.clear_date ?? report.clear_date ?? ''}
          onCommit={(v) => change({ clear_date: v })}
        />
        <label className="col-span-full flex items-center gap-2">
          <input
            type="checkbox"
            checked={planting.came_by_itself ?? false}
            onChange={(event) => change({ came_by_itself: event.target.checked || null })}
          />
          It came by itself: nothing to sow or buy
        </label>
        <label className="col-span-full flex items-center gap-2">
          <input
            type="checkbox"
            checked={planting.locked ?? false}
            onChange={(event) => change({ locked: event.target.checked || null })}
          />
          Locked: filling leaves it alone
        </label>
        <HowMany planting={planting} report={report} change={change} />
        <Neighbours state={state} planting={planting} report={report} change={change} />
        <Varieties state={state} planting={planting} report={report} change={change} />
        <Climbs state={state} planting={planting} place={place} change={change} />
      </div>
      {alike && (
        <button type="button" className="press" onClick={() => onEdit(alike)}>
          {`The same in the other ${place.group}`}
        </button>
      )}
      <Spots planting={planting} report={report} change={change} />
      <Sprinkle state={state} planting={planting} report={report} onEdit={onEdit} />
      <LedOver state={state} planting={planting} onEdit={onEdit} />
      {!planting.support && report.cells.length > 1 && (
        <Waves
          slug={state.head.slug}
          version={state.head.version}
          planting={planting.id}
          onEdit={onEdit}
        />
      )}
      <SaveSeed key={report.id} state={state} report={report} />
      <Elsewhere
        slug={state.head.slug}
        version={state.head.version}
        planting={planting.id}
        onEdit={onEdit}
      />
      <PlantingWorking planting={planting.id} title={`From ${words(dayOf(report.start_date))}`} />
    </div>
  );
}

function varietyWords(kind: VarietyReport, units: Units): string {
  const last = kind.first_plant + kind.plants - 1;
  const which = kind.plants === 1 ? `Plant ${last}` : `Plants ${kind.first_plant}–${last}`;
  const picked = kind.first_pick ? `, picked from ${shortWords(dayOf(kind.first_pick))}` : '';
  return `${which}: ${kind.name}${picked}, likely ${units.mass(kind.harvest_kg.p50)}.`;
}

function sowing(report: PlantingReport, length: (cm: number) => string): string {
  const parts = [
    report.sow_indoors && `Sow indoors about ${shortWords(dayOf(report.sow_indoors))}.`,
    report.seeds_to_sow > 0 && `${report.seeds_to_sow} seeds.`,
    report.sets_to_plant > 0 && `${report.sets_to_plant} to plant.`,
    report.sowing_depth_cm !== null && `${length(report.sowing_depth_cm)} deep.`,
    report.buried_stem_cm !== null && `Bury ${length(report.buried_stem_cm)} of stem.`,
    report.before_sowing,
    `Start between ${shortWords(dayOf(report.window.earliest))} and ${shortWords(dayOf(report.window.latest))}: ${report.window.how}.`,
  ];
  return parts.filter(Boolean).join(' ');
}
