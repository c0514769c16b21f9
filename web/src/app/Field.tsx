import type { ReactNode } from 'react';

/** A labelled field; what is wrong with it stands right under it. */
export function Field({
  label,
  fault,
  hint,
  children,
}: {
  label: string;
  fault?: string | undefined;
  hint?: string;
  children: ReactNode;
}) {
  return (
    <div>
      <label className="flex flex-col">
        <span className="text-[12.5px] text-muted">{label}</span>
        {children}
      </label>
      {hint && <p className="text-[12.5px] text-muted">{hint}</p>}
      {fault && (
        <p role="alert" className="font-semibold text-damson">
          {fault}
        </p>
      )}
    </div>
  );
}
