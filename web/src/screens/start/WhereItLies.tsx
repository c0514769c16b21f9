import { useQuery } from '@tanstack/react-query';

import { answered, api } from '../../api/client';
import { dayOf, words } from '../../kit/day';
import { ChoiceField, DayField, NumberField, TextField } from '../../kit/form';
import { useSettled } from '../../kit/useSettled';
import type { FirstBedDraft } from './useFirstBed';

type Town = { name: string; region: string; latitude: number; longitude: number };

const SIDES = [
  ['north', 'north'],
  ['south', 'south'],
] as const;
const LEAST_LETTERS = 2;

/** Where the bed lies: a town of the list or the latitude, what its year is like, its frosts. */
export function WhereItLies({ draft: { form, frosts, climates } }: { draft: FirstBedDraft }) {
  const { typed } = form;
  const years = climates?.map((c) => [c.id, `${c.label}: ${c.suits}`] as const) ?? [];
  const guessed = frosts && (typed.last === '' || typed.first === '');
  return (
    <>
      <div className="col-span-full grid grid-cols-1 gap-x-5 gap-y-2 sm:grid-cols-3">
        <TownField form={form} />
        <NumberField form={form} name="latitude" label="or latitude, degrees" />
        <ChoiceField form={form} name="side" label="North or south" options={SIDES} />
      </div>
      <div className="col-span-full grid grid-cols-1 gap-x-5 gap-y-2 sm:grid-cols-3">
        <div className="sm:col-span-2">
          <ChoiceField
            form={form}
            name="climate"
            label="Its year is most like"
            options={[['', 'not sure: frosts are guessed from the latitude'], ...years]}
          />
        </div>
        <TextField form={form} name="zone" label="Growing zone, if you know it" />
      </div>
      <DayField form={form} name="last" label="Last frost, if you know it" />
      <DayField form={form} name="first" label="First frost, if you know it" />
      {guessed && (
        <p className="col-span-full text-muted">
          {`Guessed from there: last frost about ${words(dayOf(frosts.last_frost))}, first about ${words(dayOf(frosts.first_frost))}. A guess is marked as one in the plan.`}
        </p>
      )}
    </>
  );
}

/** A town as it is typed, with those of the list that it may be. */
function TownField({ form }: { form: FirstBedDraft['form'] }) {
  const { typed, set } = form;
  const asked = useSettled('town', typed.town.trim());
  const towns = useQuery({
    queryKey: ['towns', asked],
    enabled: asked.length >= LEAST_LETTERS && typed.longitude === '',
    staleTime: Infinity,
    queryFn: ({ signal }) =>
      answered(api.GET('/api/towns', { params: { query: { name: asked } }, signal })),
  }).data;
  const take = (town: Town) => {
    set('town', `${town.name}, ${town.region}`);
    set('latitude', String(Math.abs(town.latitude)));
    set('side', town.latitude < 0 ? 'south' : 'north');
    set('longitude', String(town.longitude));
  };
  const open = typed.longitude === '' && typed.town.trim().length >= LEAST_LETTERS;
  return (
    <div className="relative">
      <label className="flex flex-col">
        <span className="text-[12.5px] text-muted">Nearest town</span>
        <input
          value={typed.town}
          maxLength={120}
          onChange={(event) => {
            set('town', event.target.value);
            set('longitude', '');
          }}
        />
      </label>
      {open && towns && (
        <ul
          aria-label="Towns of that name"
          className="absolute z-10 max-h-72 w-72 max-w-[85vw] overflow-y-auto border border-rule bg-paper"
        >
          {towns.map((town) => (
            <li key={`${town.name} ${town.latitude} ${town.longitude}`}>
              <button
                type="button"
                className="flex min-h-9 w-full items-baseline justify-between gap-3 px-2 py-1 text-left hover:bg-faint focus:bg-faint"
                onClick={() => take(town)}
              >
                <span>{`${town.name}, ${town.region}`}</span>
                <span className="whitespace-nowrap text-muted">{degrees(town.latitude)}</span>
              </button>
            </li>
          ))}
          {towns.length === 0 && (
            <li className="px-2 py-1 text-muted">
              Not in the list. Try a larger town near by, or type the latitude.
            </li>
          )}
          <li className="border-t border-faint px-2 py-1 text-[12.5px] text-muted">
            Places from GeoNames, CC BY 4.0
          </li>
        </ul>
      )}
    </div>
  );
}

const degrees = (latitude: number) =>
  `${Math.abs(latitude).toFixed(1)}° ${latitude < 0 ? 'south' : 'north'}`;
