import { useState } from 'react';
import type { PointerEvent } from 'react';

const LEAST = 15;
const MOST = 85;
const STEP = 5;

/** A share of the room in percent that is kept on this device. */
export function useShare(key: string, usual: number): [number, (share: number) => void] {
  const [share, setShare] = useState(() => {
    const stored = Number(localStorage.getItem(key));
    return stored >= LEAST && stored <= MOST ? stored : usual;
  });
  const change = (wanted: number) => {
    const now = Math.round(Math.min(MOST, Math.max(LEAST, wanted)));
    setShare(now);
    localStorage.setItem(key, String(now));
  };
  return [share, change];
}

interface Props {
  label: string;
  share: number;
  onChange: (share: number) => void;
}

/** The line between what stands above and below: dragged, or moved by arrows, it gives room. */
export function Splitter({ label, share, onChange }: Props) {
  const drag = (event: PointerEvent<HTMLDivElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const above = event.currentTarget.previousElementSibling?.getBoundingClientRect();
    const room = event.currentTarget.parentElement?.getBoundingClientRect();
    if (!above || !room) return;
    onChange(((event.clientY - above.top) / (room.bottom - above.top)) * 100);
  };
  return (
    <div
      role="separator"
      aria-orientation="horizontal"
      aria-label={label}
      aria-valuenow={share}
      aria-valuemin={LEAST}
      aria-valuemax={MOST}
      tabIndex={0}
      className="splitter no-print max-md:hidden"
      onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
      onPointerMove={drag}
      onKeyDown={(event) => {
        const by = { ArrowUp: -STEP, ArrowDown: STEP, Home: -100, End: 100 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        onChange(share + by);
      }}
    />
  );
}
