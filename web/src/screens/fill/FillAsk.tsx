import { Link } from 'react-router';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import { useIndex } from '../../api/useBook';
import { Choice } from '../../kit/Choice';
import type { Options } from '../../kit/Choice';
import { DateField } from '../../kit/DateField';
import { ByKind } from './ByKind';
import type { Asked } from './filling';

const MOST_KINDS = 30;

const TIMES: Options<string> = [
  ['5', '5 seconds'],
  ['10', '10 seconds'],
  ['30', 'half a minute'],
  ['60', 'a minute'],
];
const PLANTED: Options<'may' | 'stays'> = [
  ['may', 'may be replaced, unless locked'],
  ['stays', 'stay; only free ground is filled'],
];

interface Props {
  state: HeldGarden;
  asked: Asked;
  onAsk: (asked: Asked) => void;
}

/** What to fill and by what: the ground, what stays, what must be in and what never. */
export function FillAsk({ state, asked, onAsk }: Props) {
  const { slug } = state.head;
  const editor = useEditor(slug);
  const index = useIndex(state, null);
  const { fill, household } = state.plan.garden;
  const wants = household?.wants ?? [];
  const names = new Map((index.data ?? []).map((line) => [line.id, line.name]));
  const change = (changes: Partial<NonNullable<typeof fill>>) => {
    const said = Object.entries({ ...fill, ...changes }).filter(
      ([, value]) => value !== null && !(Array.isArray(value) && value.length === 0),
    );
    void editor.edit({
      do: 'change-garden',
      changes: { fill: said.length > 0 ? Object.fromEntries(said) : null },
    });
  };
  const must = fill?.must ?? [];
  const never = fill?.never ?? [];
  const places = state.plan.places.map((place) => [place.id, place.name ?? place.id] as const);
  return (
    <div className="grid gap-x-6 gap-y-2 sm:grid-cols-2 lg:grid-cols-4">
      <p className="col-span-full">
        {wants.length === 0
          ? 'Nobody has said what is eaten yet. '
          : `Planned from the ${wants.length === 1 ? 'one crop' : `${wants.length} crops`} wanted in the pantry. `}
        <Link className="press" to={`/gardens/${slug}/pantry`}>
          {wants.length === 0 ? 'Enter it crop by crop' : 'Change what is wanted'}
        </Link>
      </p>
      <details open={wants.length === 0} className="col-span-full">
        <summary>{wants.length === 0 ? 'Or by kinds of food' : 'By kinds of food'}</summary>
        <ByKind state={state} />
      </details>
      {asked.cells && (
        <p className="col-span-full">
          {`Only the ${asked.cells.length === 1 ? 'square' : `${asked.cells.length} squares`} you chose. `}
          <button type="button" className="press" onClick={() => onAsk({ ...asked, cells: null })}>
            Fill the whole place
          </button>
        </p>
      )}
      <Choice
        label="Where"
        value={asked.place ?? ''}
        options={[['', 'the whole garden'], ...places]}
        onChange={(place) => onAsk({ ...asked, place: place || null, cells: null })}
      />
      <Choice
        label="Existing plantings"
        value={asked.keep ? 'stays' : 'may'}
        options={PLANTED}
        onChange={(planted) => onAsk({ ...asked, keep: planted === 'stays' })}
      />
      <DateField
        label="Plant from"
        value={asked.since ?? state.report.year.start}
        onCommit={(since) => onAsk({ ...asked, since })}
      />
      <Choice
        label="Keep looking for"
        value={String(asked.seconds)}
        options={TIMES}
        onChange={(seconds) => onAsk({ ...asked, seconds: Number(seconds) })}
      />
      <Choice
        label="Different crops"
        value={fill?.kinds ? String(fill.kinds) : ''}
        options={[
          ['', 'any number'],
          ...Array.from(
            { length: MOST_KINDS },
            (_, n) => [`${n + 1}`, `at most ${n + 1}`] as const,
          ),
        ]}
        onChange={(kinds) => change({ kinds: kinds ? Number(kinds) : null })}
      />
      <Crops
        label="Must have"
        chosen={must}
        names={names}
        barred={never}
        onChange={(crops) => change({ must: crops })}
      />
      <Crops
        label="Never"
        chosen={never}
        names={names}
        barred={must}
        onChange={(crops) => change({ never: crops })}
      />
    </div>
  );
}

interface CropsProps {
  label: string;
  chosen: readonly string[];
  /** Crops of the other list, which cannot be in this one too. */
  barred: readonly string[];
  names: ReadonlyMap<string, string>;
  onChange: (crops: string[]) => void;
}

/** A list of crops to add to and to take from. */
function Crops({ label, chosen, barred, names, onChange }: CropsProps) {
  const free = [...names].filter(([id]) => !chosen.includes(id) && !barred.includes(id));
  return (
    <div>
      <Choice
        label={label}
        value=""
        options={[['', chosen.length > 0 ? 'another crop …' : 'choose a crop …'], ...free]}
        onChange={(crop) => crop && onChange([...chosen, crop])}
      />
      {chosen.length > 0 && (
        <ul className="flex flex-wrap gap-x-4">
          {chosen.map((crop) => (
            <li key={crop}>
              {`${names.get(crop) ?? crop} `}
              <button
                type="button"
                className="press"
                aria-label={`Take ${names.get(crop) ?? crop} off the list`}
                onClick={() => onChange(chosen.filter((other) => other !== crop))}
              >
                Take off
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
