import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { Edit, Waves as Found } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { Choice } from '../../kit/Choice';
import type { Options } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { dayOf, shortWords } from '../../kit/day';

interface Props {
  slug: string;
  version: number;
  planting: string;
  onEdit: (edit: Edit) => void;
}

type How = 'waves' | 'mixed';

const HOWS: Options<How> = [
  ['waves', 'one sowing after another'],
  ['mixed', 'plants and seed on the same day'],
];
const MOST_WAVES = 26;
const MOST_DAYS = 120;

/** A planting shared out into sowings that are picked one after the other. */
export function Waves({ slug, version, planting, onEdit }: Props) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const [count, setCount] = useState(3);
  const [every, setEvery] = useState(14);
  const [how, setHow] = useState<How>('waves');
  const answer = useQuery<Found, ProblemError>({
    queryKey: ['waves', slug, version, planting, how, count, every],
    placeholderData: keepPreviousData,
    enabled: open,
    queryFn: ({ signal }) =>
      answeredAs(
        how === 'waves'
          ? api.GET('/api/gardens/{slug}/plantings/{planting}/waves', {
              params: { path: { slug, planting }, query: { count, every_days: every } },
              signal,
            })
          : api.GET('/api/gardens/{slug}/plantings/{planting}/mixed-start', {
              params: { path: { slug, planting } },
              signal,
            }),
      ),
  });
  if (!open)
    return (
      <p>
        <button type="button" className="press" onClick={() => setOpen(true)}>
          Sow in waves
        </button>
      </p>
    );
  const waves = answer.error ? undefined : answer.data;
  return (
    <section aria-label="Waves">
      <h3 className="text-[13px] font-semibold">In waves</h3>
      <Choice label="Spread by" value={how} options={HOWS} onChange={setHow} />
      {how === 'waves' && (
        <div className="grid grid-cols-2 gap-x-3">
          <NumberField
            label="How many"
            value={count}
            least={2}
            most={MOST_WAVES}
            onSet={setCount}
          />
          <NumberField
            label="Days between picks"
            value={every}
            least={1}
            most={MOST_DAYS}
            onSet={setEvery}
          />
        </div>
      )}
      {answer.error && <p role="alert">{answer.error.message}</p>}
      {waves && (
        <>
          <table className="mt-1 w-full text-[13px]">
            <caption className="sr-only">Waves</caption>
            <thead className="text-left text-muted">
              <tr>
                <th scope="col">Start</th>
                <th scope="col">First pick</th>
                <th scope="col">Squares</th>
                <th scope="col" className="text-right">
                  Likely
                </th>
              </tr>
            </thead>
            <tbody>
              {waves.waves.map((wave) => (
                <tr key={wave.number} className="border-t border-faint">
                  <td>{shortWords(dayOf(wave.start_date))}</td>
                  <td>{wave.first_pick ? shortWords(dayOf(wave.first_pick)) : 'never'}</td>
                  <td>{wave.cells.length}</td>
                  <td className="text-right">{units.mass(wave.kg)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {waves.words && <p className="text-marigold">{`${waves.words}.`}</p>}
          <p className="flex gap-4">
            {waves.edit && (
              <button
                type="button"
                className="press"
                onClick={() => waves.edit && onEdit(waves.edit)}
              >
                {how === 'waves' ? `Use ${waves.waves.length} waves` : 'Use both'}
              </button>
            )}
            <button type="button" className="press" onClick={() => setOpen(false)}>
              Cancel
            </button>
          </p>
        </>
      )}
    </section>
  );
}

function NumberField({
  label,
  value,
  least,
  most,
  onSet,
}: {
  label: string;
  value: number;
  least: number;
  most: number;
  onSet: (value: number) => void;
}) {
  const [fault, setFault] = useState<string>();
  return (
    <Field label={label} fault={fault}>
      <input
        type="number"
        min={least}
        max={most}
        defaultValue={value}
        onChange={(event) => {
          const typed = Number(event.target.value);
          const sound = Number.isInteger(typed) && typed >= least && typed <= most;
          setFault(sound ? undefined : `Enter ${least} to ${most}.`);
          if (sound) onSet(typed);
        }}
      />
    </Field>
  );
}
