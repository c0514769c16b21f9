import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import { shownNow, useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { CropYield, Earnings, PlaceYield } from '../../api/types';
import { CommittedInput } from '../../kit/CommittedInput';
import { useUnits } from '../../kit/preferences';
import { numberOf } from '../../kit/text';

/** What places, crops and squares give for what they take, and what the range rests on. */
export function Yields({ state }: { state: HeldGarden }) {
  const { slug, version } = state.head;
  const answer = useQuery<Earnings, ProblemError>({
    queryKey: ['earnings', slug, version],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(api.GET('/api/gardens/{slug}/earnings', { params: { path: { slug } }, signal })),
  });
  if (answer.error) return <p role="alert">{answer.error.message}</p>;
  return answer.data ? <Earned state={state} earnings={answer.data} /> : null;
}

function Earned({ state, earnings }: { state: HeldGarden; earnings: Earnings }) {
  const units = useUnits();
  const to = (place: string) => `/gardens/${state.head.slug}/squares/${place}`;
  return (
    <div className="grid gap-x-8 px-[14px] lg:grid-cols-2">
      <section aria-label="By place" className="overflow-x-auto">
        <h2 className="mt-3 text-base">By place</h2>
        <Columns
          heads={[
            'likely',
            `per ${units.areaUnit}`,
            `per ${units.volume(100)}`,
            'per hour',
            'hours',
            'water',
            'shop price',
            'cost of soil',
          ]}
          rows={earnings.places.map((place) => ({
            key: place.place,
            name: <Link to={to(place.place)}>{place.label}</Link>,
            cells: [
              units.mass(place.harvest_kg.p50),
              units.mass(place.kg_per_m2),
              units.mass(place.kg_per_100_l),
              ...worked(place, units),
              money(place.soil_cost),
            ],
          }))}
        />
      </section>
      <section aria-label="By crop" className="overflow-x-auto">
        <h2 className="mt-3 text-base">By crop</h2>
        <Columns
          heads={[
            'likely',
            `per ${units.areaUnit}`,
            'per hour',
            'hours',
            'water',
            'shop price',
            `Price per ${units.weightUnit}`,
          ]}
          rows={earnings.yields
            .filter((crop) => crop.harvest_kg.p50 > 0)
            .map((crop) => ({
              key: crop.crop,
              name: crop.name,
              cells: [
                units.mass(crop.harvest_kg.p50),
                units.mass(crop.kg_per_m2),
                ...worked(crop, units),
                <Price key={crop.crop} state={state} crop={crop} />,
              ],
            }))}
        />
      </section>
      <section aria-label="Squares that earn least">
        <h2 className="mt-3 text-base">Squares that earn least</h2>
        <ul>
          {earnings.least.map((least) => (
            <li key={least.planting} className="flex justify-between border-b border-faint">
              <Link
                to={to(least.place)}
              >{`${least.name}, ${nameOf(state, least.place)} ${least.cell}`}</Link>
              <span>{`${units.mass(least.kg_per_square_week)} per square-week`}</span>
            </li>
          ))}
        </ul>
        <p className="text-[13px] text-muted">
          By weight alone; herbs, flowers and what keeps are worth more than they weigh.
        </p>
      </section>
      <RestsOn uncertainty={earnings.uncertainty} />
    </div>
  );
}

/** What a crop costs at the shop, in whatever money is used here; none where it is not known. */
function Price({ state, crop }: { state: HeldGarden; crop: CropYield }) {
  const units = useUnits();
  const editor = useEditor(state.head.slug);
  const [fault, setFault] = useState(false);
  const shown = crop.price_per_kg === null ? '' : trimmed(crop.price_per_kg / units.weightValue(1));
  const commit = (typed: string) => {
    const value = numberOf(typed);
    const sound = value >= 0 && value <= MOST_PRICE;
    setFault(!sound);
    if (!sound || typed === shown) return;
    const { household } = (shownNow(state.head.slug) ?? state).plan.garden;
    const others = (household?.prices ?? []).filter((price) => price.crop !== crop.crop);
    const one = { crop: crop.crop, per_kg: value * units.weightValue(1) };
    const prices = typed.trim() === '' ? others : [...others, one];
    void editor.edit({ do: 'change-garden', changes: { household: { ...household, prices } } });
  };
  return (
    <CommittedInput
      aria-label={`${crop.name}, price of 1 ${units.weightUnit}`}
      aria-invalid={fault}
      title={fault ? `Enter 0 to ${MOST_PRICE}, or leave it blank.` : undefined}
      className="min-h-0 w-16 px-1 py-0 text-right"
      inputMode="decimal"
      value={shown}
      onCommit={commit}
    />
  );
}

const MOST_PRICE = 1000;

function trimmed(value: number): string {
  return String(Number(value.toFixed(2)));
}

type Units = ReturnType<typeof useUnits>;

function worked(one: PlaceYield | CropYield, units: Units): string[] {
  return [
    one.kg_per_hour === null ? '–' : units.mass(one.kg_per_hour),
    one.hours.toFixed(0),
    one.water_litres === null ? '–' : units.volume(one.water_litres),
    money(one.value),
  ];
}

function money(value: number | null): string {
  return value === null ? '–' : value.toFixed(0);
}

function nameOf(state: HeldGarden, place: string): string {
  return state.plan.places.find((p) => p.id === place)?.name ?? place;
}

interface Row {
  key: string;
  name: ReactNode;
  cells: readonly ReactNode[];
}

function Columns({ heads, rows }: { heads: readonly string[]; rows: readonly Row[] }) {
  return (
    <table className="w-full text-[13.5px]">
      <thead className="text-right text-[13px] text-muted">
        <tr>
          <th scope="col" className="text-left font-normal">
            <span className="sr-only">Name</span>
          </th>
          {heads.map((head) => (
            <th key={head} scope="col" className="pl-2 font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.key} className="border-t border-faint text-right">
            <th scope="row" className="text-left font-normal">
              {row.name}
            </th>
            {row.cells.map((cell, i) => (
              <td key={heads[i]} className="pl-2 whitespace-nowrap">
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Which uncertainty matters most. */
function RestsOn({ uncertainty }: { uncertainty: Earnings['uncertainty'] }) {
  const { sources, crops } = uncertainty;
  return (
    <section aria-label="What the ranges rest on">
      <h2 className="mt-3 text-base">What the ranges rest on</h2>
      <ul>
        {sources.map((one) => (
          <ShareBar key={one.name} name={one.name} share={one.share} />
        ))}
      </ul>
      <p className="mt-1 text-[13px] text-muted">Most of it comes with</p>
      <ul>
        {crops.map((one) => (
          <ShareBar key={one.name} name={one.name} share={one.share} />
        ))}
      </ul>
    </section>
  );
}

const BAR_PX = 160;

function ShareBar({ name, share }: { name: string; share: number }) {
  return (
    <li className="flex items-center gap-3 border-b border-faint">
      <span className="grow">{name}</span>
      <svg width={BAR_PX} height={9} aria-hidden="true">
        <rect
          x={0.5}
          y={0.5}
          width={Math.max(1, Math.min(1, share) * (BAR_PX - 1))}
          height={8}
          fill="url(#hatch-beyond)"
          stroke="var(--ink)"
        />
      </svg>
      <span className="w-12 text-right">{`${Math.round(share * 100)} %`}</span>
    </li>
  );
}
