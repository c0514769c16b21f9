import { Link } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import type { Edit } from '../../api/types';
import { DateField } from '../../kit/DateField';
import { useUnits } from '../../kit/preferences';
import { moveEdit } from '../../edits/edits';
import { dayOf, shortWords } from '../../kit/day';

interface Props {
  state: HeldGarden;
  planting: string | null;
  onEdit: (edit: Edit) => void;
  onClose: () => void;
}

/** The planting whose wedge is chosen: its days, to be typed instead of dragged. */
export function Chosen({ state, planting, onEdit, onClose }: Props) {
  const units = useUnits();
  const report = state.report.plantings.find((p) => p.id === planting);
  const planned = state.plan.plantings.find((p) => p.id === planting);
  if (!report || !planned) return null;
  const place = state.plan.places.find((p) => p.id === report.place);
  const picked =
    report.first_pick && report.last_pick
      ? `picked ${shortWords(dayOf(report.first_pick))} to ${shortWords(dayOf(report.last_pick))}`
      : 'never picked';
  const clear = report.clear_date ? dayOf(report.clear_date) : null;
  const move = (days: number) => onEdit(moveEdit(planned, dayOf(report.start_date), clear, days));
  return (
    <section
      aria-label="Chosen planting"
      className="chosen flex shrink-0 flex-wrap items-baseline gap-x-5 border-t border-rule px-[14px] py-1"
    >
      <h2 className="text-base">{`${report.name}, ${place?.name ?? report.place}`}</h2>
      <DateField
        label="Start"
        inline
        value={report.start_date}
        onCommit={(v) => v && move(dayOf(v) - dayOf(report.start_date))}
      />
      <p>{`${picked}, ${units.mass(report.harvest_kg.p50)}; start by ${shortWords(dayOf(report.window.latest))} at the latest`}</p>
      <Link className="press" to={`/gardens/${state.head.slug}/squares/${report.place}`}>
        In its squares
      </Link>
      <button
        type="button"
        className="press"
        onClick={() => {
          onEdit({ do: 'remove-planting', id: report.id });
          onClose();
        }}
      >
        Delete
      </button>
      <button type="button" className="press ml-auto" onClick={onClose}>
        Close
      </button>
    </section>
  );
}
