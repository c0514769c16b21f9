import type { ReactNode } from 'react';

/** A labelled field; what is wrong with it stands right under it. */
export function Field({
  label,
  fault,
  hint,
  inline = false,
  children,
}: {
  label: string;
  fault?: string | undefined;
  hint?: string;
  /** The label beside the field, where height is short. */
  inline?: boolean;
  children: ReactNode;
}) {
  return (
    <div className="max-w-full min-w-0">
      <label className={inline ? 'flex items-baseline gap-2' : 'flex flex-col'}>
        <span className={`text-[12.5px] text-muted ${inline ? 'whitespace-nowrap' : ''}`}>
          {label}
        </span>
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
