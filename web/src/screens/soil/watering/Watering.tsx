import { Fragment } from 'react';

import type { HeldGarden } from '../../../api/merge';
import type { Edit, PlaceReport } from '../../../api/types';
import { Heads } from '../../../kit/Heads';
import { Choice } from '../../../kit/Choice';
import { useRegional, useUnits } from '../../../kit/preferences';
import { PlaceWorking } from '../../../shared/PlaceWorking';
import { Figure } from '../../../shared/Working';
import { WaterYear } from '../WaterYear';
import { Butts } from './Butts';
import { LinesDrawing } from './LinesDrawing';
import { PlaceWater } from './PlaceWater';

interface Props {
  state: HeldGarden;
  chosen: PlaceReport;
  nameOf: (id: string) => string;
  onChoose: (id: string) => void;
  onEdit: (edit: Edit) => void;
}

/** Ways to bring a place its water side by side, lines laid over it, and the butts. */
export function Watering({ state, chosen, nameOf, onChoose, onEdit }: Props) {
  const name = nameOf(chosen.id);
  const place = state.plan.places.find((p) => p.id === chosen.id);
  return (
    <>
      <div className="sheet overflow-y-auto px-4 pb-4">
        <div className="mb-2 w-56">
          <Choice
            label="Place"
            value={chosen.id}
            options={state.report.places.map((row) => [row.id, nameOf(row.id)] as const)}
            onChange={onChoose}
          />
        </div>
        {chosen.water ? (
          <>
            <LinesDrawing place={chosen} />
            <Ways
              state={state}
              place={chosen}
              water={chosen.water}
              used={place?.watered_by ?? null}
            />
          </>
        ) : (
          <p className="text-muted">
            Enter a usual year’s weather under Garden, and the water is reckoned here.
          </p>
        )}
      </div>
      <aside className="side flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule px-3 pb-3 pt-2">
        {place && (
          <PlaceWater
            key={`${place.id}-${state.head.version}`}
            place={place}
            report={chosen}
            onEdit={onEdit}
          />
        )}
        <Butts tanks={state.report.totals.tanks} />
      </aside>
      <div className="strip overflow-y-auto border-t border-rule px-4 pt-1.5">
        <WaterYear state={state} place={chosen} name={name} />
      </div>
    </>
  );
}

const LEAVES: Record<string, string> = { no: 'dry', some: 'partly wet', yes: 'wet' };

interface WaysProps {
  state: HeldGarden;
  place: PlaceReport;
  water: NonNullable<PlaceReport['water']>;
  used: string | null;
}

function Ways({ state, place, water, used }: WaysProps) {
  const units = useUnits();
  const say = useRegional();
  return (
    <table className="mt-3 w-full">
      <caption className="mb-1 text-left text-muted">
        A dry week’s water in the thirstiest month, by each way
      </caption>
      <Heads
        columns={[
          ['Way'],
          [`Poured, ${units.volumeUnit}`, 'right'],
          ['Trips', 'right'],
          ['Water runs', 'right'],
          ['Your time', 'right'],
          ['Leaves', 'after'],
        ]}
      />
      <tbody>
        {water.ways.map((way) => (
          <Fragment key={way.way}>
            <tr className={`border-t border-faint align-top ${way.way === used ? 'bg-wash' : ''}`}>
              <th scope="row" className="max-w-[16rem] text-left font-normal">
                <span className="inline-block font-semibold first-letter:uppercase">
                  {way.label}
                </span>
                <span className="block text-[12.5px] text-muted max-sm:hidden">{`For ${way.suits}.`}</span>
              </th>
              <td className="pl-2 text-right">{units.volumeBare(way.litres)}</td>
              <td className="pl-2 text-right">{way.trips ?? '–'}</td>
              <td className="whitespace-nowrap pl-2 text-right">{minutes(way.running_minutes)}</td>
              <td className="pl-2 text-right font-semibold whitespace-nowrap">
                <Figure
                  label={`${way.label}, your time: working`}
                  working={() => (
                    <PlaceWorking
                      state={state}
                      place={place.id}
                      title={`A dry week by ${way.label}`}
                      pick={(w) => w.ways[way.way]}
                    />
                  )}
                >
                  {minutes(way.own_minutes)}
                </Figure>
              </td>
              <td className="pl-4 max-sm:pl-2">
                {LEAVES[way.wets_leaves]}
                {way.tap_share > 1 && (
                  <span className="block text-[12.5px] text-muted">
                    {say(
                      `in ${Math.ceil(way.tap_share)} parts: the tap gives too little for all at once`,
                    )}
                  </span>
                )}
              </td>
            </tr>
            <tr className={`sm:hidden ${way.way === used ? 'bg-wash' : ''}`}>
              <td colSpan={6} className="pb-1 text-[12.5px] text-muted">{`For ${way.suits}.`}</td>
            </tr>
          </Fragment>
        ))}
      </tbody>
    </table>
  );
}

function minutes(value: number): string {
  if (value < 90) return `${Math.max(1, Math.round(value))} min`;
  return `${(value / 60).toFixed(1)} h`;
}
