import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { Edit, Fix, PathCare as Care } from '../../api/types';
import { dayOf, words } from '../../kit/day';
import { DayField, MeasureField, NumberField, useTyped } from '../../kit/form';
import { useUnits } from '../../kit/preferences';
import type { Units } from '../../kit/units';

interface Asked {
  litres: number | null;
  on: string | null;
  degrees: number | null;
}

const NOTHING: Asked = { litres: null, on: null, degrees: null };

function useCare(slug: string, version: number, index: number, asked: Asked) {
  const query = {
    ...(asked.litres === null ? {} : { litres: asked.litres }),
    ...(asked.on === null ? {} : { on: asked.on }),
    ...(asked.degrees === null ? {} : { degrees: asked.degrees }),
  };
  return useQuery<Care, ProblemError>({
    queryKey: ['path-care', slug, version, index, query],
    queryFn: ({ signal }) =>
      answeredAs<Care>(
        api.GET('/api/gardens/{slug}/paths/{index}/care', {
          params: { path: { slug, index }, query },
          signal,
        }),
      ),
  });
}

interface Props {
  state: HeldGarden;
  index: number;
  onEdit: (edit: Edit) => void;
}

/** What collects in a path for its beds, and the path turned or in a bed's place. */
export function PathCare({ state, index, onEdit }: Props) {
  const units = useUnits();
  const [asked, setAsked] = useState(NOTHING);
  const { data: care, error } = useCare(state.head.slug, state.head.version, index, asked);
  const form = useTyped({ much: '', on: '', turn: '' }, (read) => ({
    litres: read.measure('much', 'L of soil', 0.1),
    on: read.text('on'),
    degrees: read.number('turn', -360, 360),
  }));
  const nameOf = (id: string) => state.plan.places.find((p) => p.id === id)?.name ?? id;
  return (
    <section aria-label="Path and beds" className="mt-2 border-t border-rule pt-1">
      <h3 className="font-sans text-[13px] font-semibold">The path and its beds</h3>
      <form className="grid grid-cols-2 gap-x-3 gap-y-1" onSubmit={form.sent(setAsked)}>
        <MeasureField
          form={form}
          name="much"
          label="Collected in it"
          unit="L of soil"
          hint={care && asked.litres === null ? yearly(care, units) : undefined}
        />
        <DayField
          form={form}
          name="on"
          label="Lifted on"
          hint={care && asked.on === null ? `Or ${words(dayOf(care.on))}.` : undefined}
        />
        <NumberField form={form} name="turn" label="Turn clockwise, degrees" />
        <p className="self-end">
          <button type="submit" className="act">
            Work it out
          </button>
        </p>
      </form>
      {error && <p role="alert">{error.message}</p>}
      {care && care.litres > 0 && care.shares.length === 0 && (
        <p className="text-muted">No bed lies beside it.</p>
      )}
      {care && (
        <ul className="mt-1">
          {care.shares.map((share) => (
            <li key={share.place} className="flex justify-between gap-3">
              <span>{nameOf(share.place)}</span>
              <span>{`${units.bulk(share.litres)}, ${units.length(share.cm)} deep`}</span>
            </li>
          ))}
          {fixesOf(care).map((fix) => (
            <li key={fix.label}>
              <button type="button" className="press" onClick={() => onEdit(fix.edit)}>
                {fix.label}
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** What a year leaves in it, where its covering rots to something. */
const yearly = (care: Care, units: Units) =>
  care.litres > 0 ? `In a year ${units.bulk(care.litres)}.` : 'Enter what lies in it.';

const fixesOf = ({ lift, turn, trades }: Care): readonly Fix[] =>
  [lift, turn, ...trades].filter((fix) => fix !== null);
