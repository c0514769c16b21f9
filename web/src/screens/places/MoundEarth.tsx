import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answered, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { PathEarth } from '../../api/types';
import { Field } from '../../kit/Field';
import { useUnits } from '../../kit/preferences';
import { measureText } from '../../kit/measures';
import { numberOf } from '../../kit/text';
import { readLength } from '../../kit/units';
import type { Draft } from '../../edits/placeDraft';

/** A mound's height from the earth of its path, and the digging that its height wants. */
export function MoundEarth({
  draft,
  onHeight,
}: {
  draft: Draft;
  /** The height, and the earth of the path that makes it, as they are typed. */
  onHeight: (typed: string, earth: string) => void;
}) {
  const units = useUnits();
  const [path, setPath] = useState(units.toField(40));
  const [dug, setDug] = useState(units.toField(15));
  const cm = (text: string) => readLength(text, units.system);
  const slope = numberOf(draft.slope);
  const shared = {
    top_cm: cm(draft.width) ?? 0,
    length_cm: cm(draft.length) ?? 0,
    side_slope: slope,
    path_width_cm: cm(path) ?? 0,
    loosened_cm: cm(draft.loosened) ?? 0,
  };
  const sound = shared.top_cm >= 1 && shared.length_cm >= 1 && shared.path_width_cm >= 1;
  const made = useMound({ ...shared, dug_cm: cm(dug) ?? 0 }, sound && slope >= 0 && slope <= 10);
  const wanted = useMound(
    { ...shared, height_cm: cm(draft.wall) ?? 0 },
    sound && slope >= 0 && slope <= 10,
  );
  return (
    <div className="col-span-full grid grid-cols-1 gap-x-6 gap-y-1 border-y border-faint py-2 sm:grid-cols-3">
      <Field label={`Path width, ${units.lengthUnit}`}>
        <input value={path} inputMode="decimal" onChange={(e) => setPath(e.target.value)} />
      </Field>
      <Field label={`Path depth, ${units.lengthUnit}`}>
        <input value={dug} inputMode="decimal" onChange={(e) => setDug(e.target.value)} />
      </Field>
      <div>
        {made && (
          <p>
            {`Its ${units.bulk(made.litres)} of loosened earth heap ${units.length(Math.round(made.height_cm))} high. `}
            <button
              type="button"
              className="press"
              onClick={() =>
                onHeight(
                  units.toField(Math.round(made.height_cm)),
                  measureText(Math.round(made.litres), 'L of soil', units.system),
                )
              }
            >
              Use that height
            </button>
          </p>
        )}
        {wanted && (
          <p className="text-muted">
            {`A height of ${units.length(wanted.height_cm)} needs the path dug ${units.length(Math.round(wanted.dug_cm))} deep.`}
          </p>
        )}
      </div>
    </div>
  );
}

type Asked = {
  top_cm: number;
  length_cm: number;
  side_slope: number;
  path_width_cm: number;
  loosened_cm: number;
  dug_cm?: number;
  height_cm?: number;
};

function useMound(query: Asked, enabled: boolean): PathEarth | undefined {
  return useQuery<PathEarth, ProblemError>({
    queryKey: ['mound', query],
    enabled,
    queryFn: ({ signal }) => answered(api.GET('/api/mounds', { params: { query }, signal })),
  }).data;
}
