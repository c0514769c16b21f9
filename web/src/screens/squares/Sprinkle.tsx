import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { Edit, Planting, PlantingReport, Sprinkled } from '../../api/types';
import { useIndex } from '../../api/useBook';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { useUnits } from '../../kit/preferences';

const KINDS = ['flower', 'herb'];
const MOST = 200;

interface Props {
  state: HeldGarden;
  planting: Planting;
  report: PlantingReport;
  onEdit: (edit: Edit) => void;
}

/** Flowers or herbs sprinkled among a crop by number, with what makes room for them. */
export function Sprinkle({ state, planting, report, onEdit }: Props) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const [crop, setCrop] = useState('chives');
  const [typed, setTyped] = useState('3');
  const { slug, version } = state.head;
  const lines = useIndex(state, null).data ?? [];
  const kinds = lines.filter(
    (line) => KINDS.includes(line.group) && line.per_square >= 1 && line.id !== planting.crop,
  );
  const plants = Number(typed);
  const sound = Number.isInteger(plants) && plants >= 1 && plants <= MOST;
  const answer = useQuery<Sprinkled, ProblemError>({
    queryKey: ['sprinkle', slug, version, planting.id, crop, plants],
    placeholderData: keepPreviousData,
    retry: false,
    enabled: open && sound,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/plantings/{planting}/sprinkle', {
          params: { path: { slug, planting: planting.id }, query: { crop, plants } },
          signal,
        }),
      ),
  });
  if (planting.support || planting.between) return null;
  const found = answer.data;
  return (
    <section aria-label="Sprinkled among it">
      <button
        type="button"
        className="press"
        aria-expanded={open}
        onClick={() => setOpen((was) => !was)}
      >
        {open ? 'Close' : 'Sprinkle flowers or herbs'}
      </button>
      {open && (
        <div className="grid grid-cols-2 gap-x-3 gap-y-1">
          <Choice
            label="Which"
            value={crop}
            options={kinds.map((line) => [line.id, line.name] as const)}
            onChange={setCrop}
          />
          <Field
            label="How many plants"
            fault={sound ? undefined : `Enter a whole number from 1 to ${MOST}.`}
          >
            <input
              value={typed}
              inputMode="numeric"
              onChange={(event) => setTyped(event.target.value)}
            />
          </Field>
          {answer.error && (
            <p role="alert" className="col-span-full font-semibold text-damson">
              {answer.error.message}
            </p>
          )}
          {found && sound && !answer.error && (
            <p className="col-span-full">
              {`${found.give_way} of ${report.plants} ${report.name} make room: ${units.mass(found.host_less_kg)} less of it${found.kg > 0 ? `, ${units.mass(found.kg)} of the other` : ''}. `}
              <button
                type="button"
                className="press"
                onClick={() => {
                  onEdit(found.edit);
                  setOpen(false);
                }}
              >
                Sprinkle them
              </button>
            </p>
          )}
        </div>
      )}
    </section>
  );
}
