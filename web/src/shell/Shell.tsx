import { Popover } from 'radix-ui';
import { useEffect } from 'react';
import { NavLink, useNavigate } from 'react-router';
import type { ReactNode } from 'react';

import { useEditor, useGardens } from '../api/garden';
import type { HeldGarden } from '../api/merge';
import type { Head } from '../api/types';
import { Hatches } from '../drawing/Hatches';
import { KeepingNotice } from './KeepingNotice';
import { PlaceList } from './PlaceList';
import { isoOf } from '../kit/day';
import { DayProvider, useDay } from '../shared/DayContext';
import { SeasonRuler } from '../shared/SeasonRuler';

const KEYS = [
  ['Arrows', 'move from square to square in the bed'],
  ['Shift and arrows', 'choose more squares'],
  ['Two letters', 'plant the crop with that mark in the chosen squares'],
  ['Delete', 'clear the chosen squares'],
  ['Escape', 'choose nothing'],
  ['Page Up, Page Down', 'a week back, a week forward'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
] as const;

/** What surrounds every screen of a garden: its name, the ruler, the way through, undo. */
export function Shell({ state, children }: { state: HeldGarden; children: ReactNode }) {
  return (
    <DayProvider key={state.head.slug} year={state.report.year}>
      <Hatches />
      <div className="shell">
        <header className="no-print flex flex-col justify-center border-b border-r border-rule px-4">
          <GardenName state={state} />
        </header>
        <section aria-label="Season" className="ruler border-b border-rule">
          <Ruler state={state} />
        </section>
        <nav aria-label="Main" className="nav no-print flex flex-col border-r border-rule py-2">
          <NavLink
            to={`/gardens/${state.head.slug}/ground`}
            className={({ isActive }) => item(isActive)}
          >
            Ground
          </NavLink>
          <NavLink
            to={`/gardens/${state.head.slug}/soil`}
            className={({ isActive }) => item(isActive)}
          >
            Soil
          </NavLink>
          <NavLink
            to={`/gardens/${state.head.slug}/squares`}
            className={({ isActive }) => item(isActive)}
          >
            Squares
          </NavLink>
          <NavLink
            to={`/gardens/${state.head.slug}/year`}
            className={({ isActive }) => item(isActive)}
          >
            Year
          </NavLink>
          <NavLink
            to={`/gardens/${state.head.slug}/fill`}
            className={({ isActive }) => item(isActive)}
          >
            Fill
          </NavLink>
          <NavLink
            to={`/gardens/${state.head.slug}/pantry`}
            className={({ isActive }) => item(isActive)}
          >
            Pantry
          </NavLink>
          <NavLink
            to={`/gardens/${state.head.slug}/record`}
            className={({ isActive }) => item(isActive)}
          >
            Record
          </NavLink>
          <NavLink
            to={`/gardens/${state.head.slug}/crops`}
            className={({ isActive }) => item(isActive)}
          >
            Crop book
          </NavLink>
          <NavLink
            to={`/gardens/${state.head.slug}/garden`}
            className={({ isActive }) => item(isActive)}
          >
            Garden
          </NavLink>
          <PlaceList state={state} />
          <KeepingNotice />
          <History state={state} />
        </nav>
        <div className="screen min-h-0">{children}</div>
      </div>
      <Keys state={state} />
    </DayProvider>
  );
}

function item(isActive: boolean): string {
  const edge = isActive ? 'border-damson font-semibold text-damson' : 'border-transparent';
  return `whitespace-nowrap border-l-[3px] px-[13px] py-1 text-[15px] ${edge}`;
}

function GardenName({ state }: { state: HeldGarden }) {
  const gardens = useGardens();
  const go = useNavigate();
  const year = state.report.year;
  const [from, to] = [year.start.slice(0, 4), year.end.slice(0, 4)];
  return (
    <>
      <select
        aria-label="Garden"
        className="min-h-0 w-full truncate border-0 bg-transparent p-0 font-serif text-lg font-semibold"
        value={state.head.slug}
        onChange={(event) =>
          void go(event.target.value === '' ? '/start' : `/gardens/${event.target.value}`)
        }
      >
        {(gardens.data ?? [state.head]).map((head) => (
          <option key={head.slug} value={head.slug}>
            {named(head, gardens.data ?? [])}
          </option>
        ))}
        <option value="">A new garden …</option>
      </select>
      <p className="text-[13px] text-muted">{`growing year ${from}${to === from ? '' : `–${to.slice(2)}`}`}</p>
    </>
  );
}

/** A garden's name, with its address where another has the same name. */
function named(head: Head, all: readonly Head[]): string {
  const alone = all.filter((other) => other.name === head.name).length < 2;
  return alone ? head.name : `${head.name} (${head.slug})`;
}

function History({ state }: { state: HeldGarden }) {
  const editor = useEditor(state.head.slug);
  const { undo_label: undo, redo_label: redo } = state.head;
  return (
    <div className="mt-auto flex flex-wrap items-baseline gap-x-4 px-4 pt-3 text-[13px]">
      <button
        type="button"
        className="press"
        disabled={!undo}
        title={undo ? `Undo: ${undo}` : 'Nothing to undo'}
        onClick={() => void editor.undo()}
      >
        Undo
      </button>
      <button
        type="button"
        className="press"
        disabled={!redo}
        title={redo ? `Redo: ${redo}` : 'Nothing to redo'}
        onClick={() => void editor.redo()}
      >
        Redo
      </button>
      <Popover.Root>
        <Popover.Trigger className="press">Keys</Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            aria-label="Keys"
            side="top"
            align="start"
            className="z-20 border border-ink bg-paper p-4"
          >
            <table>
              <caption className="mb-1 text-left font-serif text-base font-semibold">Keys</caption>
              <tbody>
                {KEYS.map(([key, what]) => (
                  <tr key={key}>
                    <th scope="row" className="pr-4 text-left font-semibold">
                      {key}
                    </th>
                    <td>{what}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      <p className="w-full truncate text-muted" aria-live="polite">
        {undo ? `Last: ${undo}` : ''}
      </p>
    </div>
  );
}

/** The ruler; a frost dragged along it is kept, to be undone like any edit. */
function Ruler({ state }: { state: HeldGarden }) {
  const editor = useEditor(state.head.slug);
  return (
    <SeasonRuler
      year={state.report.year}
      onFrost={(frost, day) =>
        void editor.edit({ do: 'change-garden', changes: { [frost]: isoOf(day) } })
      }
    />
  );
}

/** Keys that work everywhere: the day by a week, undo and redo. */
function Keys({ state }: { state: HeldGarden }) {
  const { moveDay } = useDay();
  const { undo, redo } = useEditor(state.head.slug);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement;
      const command = event.ctrlKey || event.metaKey;
      const letter = event.key.toLowerCase();
      if (event.defaultPrevented) return;
      if (event.key === 'PageUp' && !typing) moveDay(-7);
      else if (event.key === 'PageDown' && !typing) moveDay(7);
      else if (command && !typing && letter === 'z') void (event.shiftKey ? redo() : undo());
      else if (command && !typing && letter === 'y') void redo();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [moveDay, undo, redo]);
  return null;
}
