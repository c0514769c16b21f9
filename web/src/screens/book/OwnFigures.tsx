import { useState } from 'react';

import type { CropPage, Edit, OwnFigure } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { fieldUnit, readMeasure } from '../../kit/measures';
import type { UnitSystem } from '../../kit/units';

interface Props {
  page: CropPage;
  onEdit: (edit: Edit) => void;
}

/** Every figure of a crop to change: what differs from the book is told, and goes back at a press. */
export function OwnFigures({ page, onEdit }: Props) {
  const units = useUnits();
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [fault, setFault] = useState<string>();
  const system = units.system;
  const own = page.figures.filter((figure) => figure.own);
  const set = (figures: Record<string, unknown>) =>
    onEdit({ do: 'change-crop', id: page.crop.id, figures });
  const save = () => {
    const figures: Record<string, unknown> = {};
    for (const figure of page.figures) {
      const text = typed[figure.field.key];
      if (text === undefined || text === shown(figure, figure.value, system)) continue;
      const value = readFigure(figure, text, system);
      if (value === undefined) {
        setFault(`${figure.field.label}: “${text}” is not a number.`);
        return;
      }
      figures[figure.field.key] = value;
    }
    setFault(undefined);
    if (Object.keys(figures).length > 0) set(figures);
  };
  return (
    <details className="mt-3" open={own.length > 0}>
      <summary className="press inline-block">Your own figures</summary>
      {own.length > 0 && (
        <ul aria-label="What differs from the book" className="mt-1">
          {own.map((figure) => (
            <li
              key={figure.field.key}
              className="flex flex-wrap items-baseline gap-x-3 border-b border-faint"
            >
              <span className="w-48 shrink-0">{labelled(figure, system)}</span>
              <strong>{shown(figure, figure.value, system) || '–'}</strong>
              <span className="text-muted">
                {`${page.like ? 'based on' : 'book'} ${shown(figure, figure.book, system) || '–'}`}
              </span>
              <button
                type="button"
                className="press ml-auto"
                aria-label={`Reset ${figure.field.label}`}
                onClick={() => set({ [figure.field.key]: null })}
              >
                Reset
              </button>
            </li>
          ))}
        </ul>
      )}
      <form
        className="mt-2"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        <div className="grid grid-cols-2 gap-x-4 gap-y-1.5 sm:grid-cols-4">
          {page.figures.map((figure) => (
            <FigureField
              key={figure.field.key}
              figure={figure}
              system={system}
              text={typed[figure.field.key] ?? shown(figure, figure.value, system)}
              onText={(text) => setTyped((now) => ({ ...now, [figure.field.key]: text }))}
            />
          ))}
        </div>
        {fault && (
          <p role="alert" className="font-semibold text-damson">
            {fault}
          </p>
        )}
        <p className="mt-2">
          <button type="submit" className="act act-main">
            Save these figures
          </button>
        </p>
      </form>
    </details>
  );
}

function FigureField({
  figure,
  system,
  text,
  onText,
}: {
  figure: OwnFigure;
  system: UnitSystem;
  text: string;
  onText: (text: string) => void;
}) {
  const { field } = figure;
  return (
    <label className="flex flex-col">
      <span className={`text-[12.5px] ${figure.own ? 'font-semibold text-damson' : 'text-muted'}`}>
        {labelled(figure, system)}
      </span>
      {field.kind === 'choice' ? (
        <select value={text} onChange={(event) => onText(event.target.value)}>
          {field.choices.map((choice) => (
            <option key={choice}>{choice}</option>
          ))}
        </select>
      ) : (
        <input
          value={text}
          inputMode={field.kind === 'number' ? 'decimal' : 'text'}
          maxLength={120}
          onChange={(event) => onText(event.target.value)}
        />
      )}
    </label>
  );
}

function labelled({ field }: OwnFigure, system: UnitSystem): string {
  const unit = fieldUnit(field.unit, system).label;
  return unit ? `${field.label}, ${unit}` : field.label;
}

function shown({ field }: OwnFigure, value: OwnFigure['value'], system: UnitSystem): string {
  if (value === null) return '';
  if (typeof value === 'string') return value;
  return fieldUnit(field.unit, system).shown(value);
}

/** What was typed, as the core wants it: null goes back to the book, undefined cannot be read. */
function readFigure(
  { field }: OwnFigure,
  text: string,
  system: UnitSystem,
): number | string | null | undefined {
  const bare = text.trim();
  if (bare === '') return null;
  if (field.kind !== 'number') return bare;
  const value = readMeasure(bare, field.unit, system);
  return Number.isNaN(value) ? undefined : value;
}
