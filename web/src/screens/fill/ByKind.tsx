import { useState } from 'react';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import { useLikes } from '../../api/useBook';
import { Choice } from '../../kit/Choice';
import type { Options } from '../../kit/Choice';
import { DrawnSlider } from '../../kit/DrawnSlider';
import { useUnits } from '../../kit/preferences';
import { capital } from '../../kit/text';
import { useUsualWants } from './useUsualWants';

const OFTEN = ['never', 'now and then', 'often', 'most days'] as const;
const MOST = OFTEN.length - 1;
const AT_FIRST = 1;
const MOST_PEOPLE = 12;
const WIDTH = 120;
const HEIGHT = 22;
const PEOPLE: Options<string> = Array.from({ length: MOST_PEOPLE }, (_, n) => [
  String(n + 1),
  String(n + 1),
]);

/** What is eaten, said by kinds of food and people, for those who have not said it by crops. */
export function ByKind({ state }: { state: HeldGarden }) {
  const { slug } = state.head;
  const editor = useEditor(slug);
  const units = useUnits();
  const { household } = state.plan.garden;
  const [people, setPeople] = useState(() => atTable(household?.people ?? 2));
  const [often, setOften] = useState<Readonly<Record<string, number>>>({});
  const { data: kinds = [] } = useLikes();
  const asked = Object.fromEntries(kinds.map(({ id }) => [id, often[id] ?? AT_FIRST]));
  const { data: usual = [] } = useUsualWants(slug, people, asked);
  const kg = usual.reduce((sum, { want }) => sum + (want.kg_per_year ?? 0), 0);
  const take = () => {
    const crops = new Set(usual.map(({ want }) => want.crop));
    const others = (household?.wants ?? []).filter((want) => !crops.has(want.crop));
    const wants = [...others, ...usual.map(({ want }) => want)].map((want) =>
      Object.fromEntries(Object.entries(want).filter(([, value]) => value !== null)),
    );
    void editor.edit({
      do: 'change-garden',
      changes: { household: { ...household, people, wants } },
    });
  };
  return (
    <section aria-label="By kinds of food" className="col-span-full max-w-[62rem] space-y-2">
      <div className="grid items-end gap-x-8 gap-y-2 sm:grid-cols-[7rem_1fr]">
        <Choice
          label="People at table"
          value={String(people)}
          options={PEOPLE}
          onChange={(chosen) => setPeople(Number(chosen))}
        />
        <ul className="grid gap-x-8 sm:grid-cols-2">
          {kinds.map(({ id, label }) => (
            <Kind
              key={id}
              label={capital(label)}
              value={asked[id] ?? 0}
              onChange={(value) => setOften({ ...often, [id]: value })}
            />
          ))}
        </ul>
      </div>
      {usual.length === 0 ? (
        <p>Nothing is eaten of any of these.</p>
      ) : (
        <p className="max-w-[60rem]">
          <b className="tabular-nums">{`${units.weight(kg)} ${units.weightUnit} a year: `}</b>
          {usual
            .map(({ name, want }) => `${name} ${units.weight(want.kg_per_year ?? 0)}`)
            .join(', ')}
          {'. '}
          <button type="button" className="press" onClick={take}>
            Use these amounts
          </button>
        </p>
      )}
    </section>
  );
}

/** So many people as can be chosen, where as many are said. */
const atTable = (people: number) => Math.min(MOST_PEOPLE, Math.max(1, Math.round(people)));

interface KindProps {
  label: string;
  value: number;
  onChange: (value: number) => void;
}

/** How often one kind of food is on the table: a wedge that widens with it. */
function Kind({ label, value, onChange }: KindProps) {
  const at = (often: number) => (often / MOST) * WIDTH;
  const high = (often: number) => HEIGHT - 3 - (often / MOST) * (HEIGHT - 6);
  return (
    <li className="flex items-center gap-x-3 py-1">
      <span className="grow">{label}</span>
      <span className="drawn relative block shrink-0" style={{ width: WIDTH, height: HEIGHT }}>
        <svg width={WIDTH} height={HEIGHT} className="block overflow-visible" aria-hidden="true">
          <path
            d={`M0 ${HEIGHT - 3} L${WIDTH} 3 V${HEIGHT - 3} Z`}
            fill="none"
            stroke="var(--rule)"
          />
          <path
            d={`M0 ${HEIGHT - 3} L${at(value)} ${high(value)} V${HEIGHT - 3} Z`}
            fill="var(--leaf-wash)"
            stroke="var(--leaf)"
          />
          <line
            x1={at(value)}
            x2={at(value)}
            y1={0}
            y2={HEIGHT}
            stroke="var(--damson)"
            strokeWidth={2}
          />
        </svg>
        <DrawnSlider
          label={label}
          text={OFTEN[value] ?? ''}
          value={value}
          min={0}
          max={MOST}
          style={{ inset: 0 }}
          onChange={onChange}
        />
      </span>
      <span className="w-[5.5rem] shrink-0 text-muted">{OFTEN[value]}</span>
    </li>
  );
}
