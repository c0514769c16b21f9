import { useState } from 'react';

import type { Job } from '../../api/types';

interface Props {
  job: Job;
  onPart: (cells: readonly string[]) => void;
}

/** So many squares of a job done, the rest to be gone on with. */
export function PartDone({ job, onPart }: Props) {
  const [open, setOpen] = useState(false);
  const [fault, setFault] = useState(false);
  const done = job.done_cells.length;
  const most = job.cells.length - 1;
  if (!open)
    return (
      <button
        type="button"
        className="press"
        aria-label={`Part: ${job.verb}, ${job.about}`}
        onClick={() => setOpen(true)}
      >
        Part
      </button>
    );
  return (
    <form
      className="flex items-baseline gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        const typed = Number(new FormData(event.currentTarget).get('squares'));
        const sound = Number.isInteger(typed) && typed >= 1 && typed <= most;
        setFault(!sound);
        if (!sound) return;
        const left = job.cells.filter((cell) => !job.done_cells.includes(cell));
        const before = job.done_cells.slice(0, typed);
        onPart([...before, ...left.slice(0, typed - before.length)]);
        setOpen(false);
      }}
    >
      <input
        name="squares"
        aria-label={`Squares done of ${job.cells.length}`}
        aria-invalid={fault}
        className="min-h-0 w-12 px-1 py-0"
        inputMode="numeric"
        defaultValue={Math.max(1, done)}
        autoFocus
        onKeyDown={(event) => {
          if (event.key === 'Escape') setOpen(false);
        }}
      />
      <button type="submit" className="press">
        {`of ${job.cells.length} done`}
      </button>
      {fault && <span role="alert">{`1 to ${most}`}</span>}
    </form>
  );
}
