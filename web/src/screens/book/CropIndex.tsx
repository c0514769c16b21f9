import { useEffect, useRef, useState } from 'react';

import type { CropLine } from '../../api/types';
import { Choice } from '../../kit/Choice';

interface Props {
  lines: readonly CropLine[];
  chosen: string;
  place: string | null;
  places: readonly (readonly [string, string])[];
  onCrop: (id: string) => void;
  onPlace: (id: string) => void;
}

/** Whether a crop answers to some letters: its mark, or any of its names. */
export function answersTo(line: CropLine, letters: string): boolean {
  const text = letters.trim().toLowerCase();
  if (text === '' || line.mark.toLowerCase() === text) return true;
  const names = [line.name, line.botanical, line.family, line.group, ...line.names];
  return names.some((name) => name.toLowerCase().includes(text));
}

/** All crops by name: found by any of their names, or by what a place bears. */
export function CropIndex({ lines, chosen, place, places, onCrop, onPlace }: Props) {
  const [letters, setLetters] = useState('');
  const open = useRef<HTMLLIElement>(null);
  const ready = lines.length > 0;
  useEffect(() => {
    // Only the list moves: where the page itself scrolls, the crop's entry stays in sight.
    const list = open.current?.closest('.overflow-y-auto');
    if (list && list.scrollHeight > list.clientHeight)
      open.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen, ready]);
  const matching = lines.filter((line) => answersTo(line, letters));
  const bearing = matching.filter((line) => line.fits !== false);
  const others = matching.filter((line) => line.fits === false);
  const entry = (line: CropLine) => (
    <li key={line.id} ref={line.id === chosen ? open : null} className="border-b border-faint">
      <button
        type="button"
        className={`flex w-full items-baseline gap-2 py-0.5 text-left hover:bg-wash ${line.id === chosen ? 'bg-wash' : ''}`}
        aria-current={line.id === chosen ? 'page' : undefined}
        onClick={() => onCrop(line.id)}
      >
        <span className="w-6 shrink-0 font-semibold text-damson">{line.mark}</span>
        <span className="grow">
          <span className={line.id === chosen ? 'font-semibold' : ''}>{line.name}</span>
          {line.own && <span className="text-damson"> own</span>}
          {line.words && <span className="block text-[12.5px] text-muted">{line.words}</span>}
        </span>
      </button>
    </li>
  );
  return (
    <>
      <label className="block">
        <span className="sr-only">Find a crop by any of its names</span>
        <input
          type="search"
          className="w-full"
          value={letters}
          placeholder="Find by any name, family or kind"
          onChange={(event) => setLetters(event.target.value)}
        />
      </label>
      <div className="mt-1">
        <Choice
          label="For a place"
          value={place ?? ''}
          options={[['', 'any'], ...places]}
          onChange={onPlace}
        />
      </div>
      <div className="mt-2 min-h-0 flex-1 overflow-y-auto pb-3">
        {matching.length === 0 && <p className="text-muted">No crop matches.</p>}
        <ul aria-label="Crops">{bearing.map(entry)}</ul>
        {others.length > 0 && (
          <>
            <h2 className="mt-3 font-sans text-[13px] font-semibold">
              What does not suit this place
            </h2>
            <ul aria-label="Crops that do not suit this place">{others.map(entry)}</ul>
          </>
        )}
      </div>
    </>
  );
}
