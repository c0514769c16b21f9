import { useState } from 'react';

import type { Planting, PlantingReport } from '../../api/types';
import { Choice } from '../../kit/Choice';
import type { Options } from '../../kit/Choice';
import { CommittedInput } from '../../kit/CommittedInput';
import { Field } from '../../kit/Field';
import { usePreferences } from '../../kit/preferences';
import { perSquareOf, perSquareWords } from '../../kit/text';
import { lengthFault } from '../../kit/reader';
import { readLength } from '../../kit/units';
import { WALLS } from '../../shared/words';

interface Props {
  planting: Planting;
  report: PlantingReport;
  change: (changes: Record<string, unknown>) => void;
}

const OWN_WALLS: Options<'' | (typeof WALLS)[number][0]> = [['', 'as the bed'], ...WALLS];

/** How many plants, and how far apart: by distance, by a count for each square, or exactly. */
export function HowMany({ planting, report, change }: Props) {
  return (
    <>
      <LengthOf
        label="Apart"
        value={planting.spacing_cm ?? null}
        usual={report.spacing_cm}
        onCommit={(cm) => change({ spacing_cm: cm })}
      />
      {report.layout === 'rows' && !planting.support && (
        <LengthOf
          label="Rows apart"
          value={planting.row_spacing_cm ?? null}
          usual={null}
          onCommit={(cm) => change({ row_spacing_cm: cm })}
        />
      )}
      {!planting.between && !planting.support && <PerSquare planting={planting} change={change} />}
      <ExactNumber planting={planting} report={report} change={change} />
      {!planting.support && (
        <Choice
          label="Distance from walls"
          value={planting.walls ?? ''}
          options={OWN_WALLS}
          onChange={(walls) => change({ walls: walls || null })}
        />
      )}
    </>
  );
}

function PerSquare({ planting, change }: Omit<Props, 'report'>) {
  const [fault, setFault] = useState<string>();
  const commit = (typed: string) => {
    const value = typed.trim() === '' ? null : perSquareOf(typed);
    const wrong = value !== null && Number.isNaN(value);
    setFault(wrong ? 'Enter a whole number such as 4, or a part such as 1/4.' : undefined);
    if (!wrong && value !== (planting.per_cell ?? null)) change({ per_cell: value });
  };
  return (
    <Field label="Plants per square" fault={fault}>
      <CommittedInput
        type="text"
        inputMode="decimal"
        placeholder="as usual"
        value={planting.per_cell ? perSquareWords(planting.per_cell) : ''}
        onCommit={commit}
      />
    </Field>
  );
}

function ExactNumber({ planting, report, change }: Props) {
  const [fault, setFault] = useState<string>();
  const commit = (typed: string) => {
    const value = typed.trim() === '' ? null : Number(typed);
    const wrong = value !== null && !(Number.isInteger(value) && value >= 1 && value <= 20_000);
    setFault(wrong ? 'Enter a whole number from 1 to 20,000.' : undefined);
    if (!wrong && value !== (planting.plants ?? null)) change({ plants: value, spots_cm: null });
  };
  return (
    <Field label="Exact number" fault={fault}>
      <CommittedInput
        type="text"
        inputMode="numeric"
        placeholder={String(report.plants)}
        value={planting.plants?.toString() ?? ''}
        onCommit={commit}
      />
    </Field>
  );
}

function LengthOf({
  label,
  value,
  usual,
  onCommit,
}: {
  label: string;
  value: number | null;
  /** What stands in the field while nothing is given. */
  usual: number | null;
  onCommit: (cm: number | null) => void;
}) {
  const { units } = usePreferences();
  const [fault, setFault] = useState<string>();
  const commit = (typed: string) => {
    const cm = typed.trim() === '' ? null : readLength(typed, units.system);
    const wrong = typed.trim() !== '' && (cm === null || cm < 0.5 || cm > 2000);
    setFault(wrong ? lengthFault(units, 0.5) : undefined);
    if (!wrong && cm !== value) onCommit(cm);
  };
  return (
    <Field label={`${label}, ${units.lengthUnit}`} fault={fault}>
      <CommittedInput
        type="text"
        inputMode="decimal"
        value={value ? units.toField(value) : ''}
        placeholder={usual === null ? 'as usual' : units.bare(usual)}
        onCommit={commit}
      />
    </Field>
  );
}
