import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { Edit, AlternativeFigures, Site } from '../../api/types';
import { Field } from '../../kit/Field';
import { useUnits } from '../../kit/preferences';
import { polygonPath } from '../../drawing/outline';
import { nextId } from '../../edits/edits';
import { money } from '../../kit/units';
import type { Units } from '../../kit/units';
import { siteOf } from './things';
import { boundsOf, fitYard, toPx } from './yardScale';

interface Props {
  state: HeldGarden;
  onEdit: (edit: Edit) => void;
}

const SMALL = { width: 150, height: 110 };
const MARGIN_M = 0.2;

/** Layouts of this yard side by side; the plan as it is stands first. */
export function Alternatives({ state, onEdit }: Props) {
  const { slug, version } = state.head;
  const units = useUnits();
  const [name, setName] = useState('');
  const site = siteOf(state.plan);
  const answer = useQuery<AlternativeFigures[], ProblemError>({
    queryKey: ['alternatives', slug, version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs<AlternativeFigures[]>(
        api.GET('/api/gardens/{slug}/alternatives', { params: { path: { slug } }, signal }),
      ),
  });
  const keep = () => {
    const id = nextId(
      state.plan.alternatives.map((drawing) => drawing.id),
      'drawing-',
    );
    onEdit({ do: 'keep-alternative', id, name: name.trim() || `drawing ${id.slice(8)}` });
    setName('');
  };
  const drawings = answer.data ?? [];
  return (
    <div className="pb-4">
      <form
        className="mb-3 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <Field label="Save the yard as it is drawn, under the name">
          <input value={name} maxLength={120} onChange={(event) => setName(event.target.value)} />
        </Field>
        <button type="submit" className="act">
          Save this drawing
        </button>
      </form>
      <div className="overflow-x-auto">
        <table>
          <caption className="sr-only">Layouts side by side</caption>
          <thead>
            <tr>
              <td />
              {drawings.map((drawing) => (
                <th key={drawing.id ?? ''} scope="col" className="px-3 text-left align-bottom">
                  <Small drawing={drawing} site={site} />
                  {drawing.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ROWS.map(([label, tell, best]) => {
              const values = drawings.map((drawing) => best?.(drawing) ?? null);
              return (
                <tr key={label} className="border-t border-faint">
                  <th scope="row" className="whitespace-nowrap pr-3 text-left font-normal">
                    {label}
                  </th>
                  {drawings.map((drawing, i) => (
                    <td
                      key={drawing.id ?? ''}
                      className={`px-3 ${isBest(values, i) ? 'font-semibold text-damson' : ''}`}
                    >
                      {tell(drawing, units)}
                      {isBest(values, i) && <span className="sr-only"> (best)</span>}
                    </td>
                  ))}
                </tr>
              );
            })}
            <tr className="border-t border-rule align-top">
              <th scope="row" className="sr-only">
                Take
              </th>
              {drawings.map((drawing) => (
                <td key={drawing.id ?? ''} className="px-3 pt-1">
                  {drawing.id !== null && (
                    <Taking drawing={drawing} id={drawing.id} onEdit={onEdit} />
                  )}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
      {drawings.length < 2 && (
        <p className="mt-2 max-w-prose text-muted">
          Save this drawing, then move and add as you like: both stand here side by side with their
          ground, walks, reach, sun, soil and cost. You can use a whole drawing, or one bed from it,
          at any time; what was there before is kept.
        </p>
      )}
    </div>
  );
}

function Taking({
  drawing,
  id,
  onEdit,
}: {
  drawing: AlternativeFigures;
  id: string;
  onEdit: (edit: Edit) => void;
}) {
  return (
    <div className="flex flex-col items-start gap-1">
      <button
        type="button"
        className="act"
        onClick={() => onEdit({ do: 'take-alternative', id, places: null })}
      >
        Use it
      </button>
      <select
        aria-label={`Use a place from ${drawing.name}`}
        className="max-w-[10rem]"
        value=""
        onChange={(event) => {
          if (event.target.value)
            onEdit({ do: 'take-alternative', id, places: [event.target.value] });
        }}
      >
        <option value="">a place from it…</option>
        {drawing.places.map((place) => (
          <option key={place.id} value={place.id}>
            {place.name}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="press"
        onClick={() => onEdit({ do: 'forget-alternative', id })}
      >
        Delete
      </button>
    </div>
  );
}

type Row = readonly [
  string,
  (drawing: AlternativeFigures, units: Units) => string,
  ((drawing: AlternativeFigures) => number | null)?,
];

const share = (value: number | null) => (value === null ? '–' : `${Math.round(value * 100)} %`);

/** A figure's words, and how good it is where more is better; less is better below zero. */
const ROWS: readonly Row[] = [
  ['Growing ground', (l, u) => u.area(l.growing_m2), (l) => l.growing_m2],
  ['of the yard', (l) => share(l.growing_share)],
  ['Paths, of the yard', (l) => share(l.paths_share)],
  ['Squares out of reach', (l) => `${l.cells_beyond} of ${l.cells}`, (l) => -l.cells_beyond],
  ['A walk to tend all', (l, u) => u.distance(Math.round(l.walk_m)), (l) => -l.walk_m],
  [
    'Sun, six best months',
    (l) => (l.sun_hours === null ? '–' : `${l.sun_hours.toFixed(1)} h`),
    (l) => l.sun_hours,
  ],
  ['Mix to pour', (l, u) => u.volume(l.soil_litres)],
  ['Soil costs', (l) => money(l.soil_cost), (l) => (l.soil_cost === null ? null : -l.soil_cost)],
  [
    'Building costs',
    (l) => money(l.build_cost),
    (l) => (l.build_cost === null ? null : -l.build_cost),
  ],
  [
    'Likely harvest',
    (l, u) =>
      l.harvest_kg === 0 ? 'nothing planted' : `${u.weight(l.harvest_kg)} ${u.weightUnit}`,
    (l) => l.harvest_kg,
  ],
];

function isBest(values: readonly (number | null)[], at: number): boolean {
  const figures = values.filter((value): value is number => value !== null);
  const most = Math.max(...figures);
  return figures.length > 1 && values[at] === most && figures.some((value) => value !== most);
}

function Small({ drawing, site }: { drawing: AlternativeFigures; site: Site }) {
  if (!site.outline_m) return null;
  const scale = fitYard(boundsOf(site.outline_m), SMALL, MARGIN_M);
  const ring = (points: readonly (readonly [number, number])[]) =>
    polygonPath(points.map((point) => toPx(scale, point)));
  return (
    <svg width={SMALL.width} height={SMALL.height} aria-hidden="true" className="block">
      <path d={ring(site.outline_m)} fill="var(--paper)" stroke="var(--muted)" />
      {drawing.places
        .filter((place) => place.outer_m.length > 0)
        .map((place) => (
          <path
            key={place.id}
            d={ring(place.outer_m)}
            fill="var(--bed)"
            stroke="var(--ink)"
            strokeWidth={1.5}
          />
        ))}
    </svg>
  );
}
