import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { Edit, Leads, Planting } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { useIndex } from '../../api/useBook';
import { dayOf, shortWords } from '../../kit/day';

const TRAIT = 'trails';

interface Props {
  state: HeldGarden;
  planting: Planting;
  onEdit: (edit: Edit) => void;
}

/** Where a trailing crop's vines run besides its own squares, and where else they could. */
export function LedOver({ state, planting, onEdit }: Props) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const { slug, version } = state.head;
  const index = useIndex(state, null);
  const crop = planting.variety ?? planting.crop;
  const trails = index.data?.some((line) => line.id === crop && line.traits.includes(TRAIT));
  const answer = useQuery<Leads, ProblemError>({
    queryKey: ['leads', slug, version, planting.id],
    placeholderData: keepPreviousData,
    enabled: open,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/plantings/{planting}/leads', {
          params: { path: { slug, planting: planting.id } },
          signal,
        }),
      ),
  });
  if (!trails || planting.support) return null;
  const led = planting.led_over;
  const leads = answer.data;
  return (
    <section aria-label="Led over other ground">
      {led && (
        <p>{`Led over ${units.area(led.m2)} of ${led.where ?? 'other ground'} from ${shortWords(dayOf(led.since))}.`}</p>
      )}
      <button
        type="button"
        className="press"
        aria-expanded={open}
        onClick={() => setOpen((was) => !was)}
      >
        {open ? 'Close' : 'Lead its vines'}
      </button>
      {answer.error && <p role="alert">{answer.error.message}</p>}
      {open && leads && (
        <>
          <ul>
            {leads.ways.map((way) => (
              <li key={way.label} className="border-b border-faint">
                <button type="button" className="press" onClick={() => onEdit(way.edit)}>
                  {`Over ${way.label}`}
                </button>
                {` from ${shortWords(dayOf(way.since))}, ${units.area(way.m2)}: ${units.mass(way.kg)}, ${units.mass(way.more_kg)} more`}
              </li>
            ))}
            {leads.back && (
              <li>
                <button
                  type="button"
                  className="press"
                  onClick={() => leads.back && onEdit(leads.back)}
                >
                  Delete
                </button>
              </li>
            )}
          </ul>
          <p className="text-[13px] text-muted">{`${leads.words}.`}</p>
        </>
      )}
    </section>
  );
}
