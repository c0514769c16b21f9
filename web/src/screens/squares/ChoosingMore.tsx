import { borderOf, everyOther, isOneGround, stripBeside } from '../../drawing/cells';
import type { Bench } from './useBench';

/** Choosing squares that make no block: one by one, a border, every other one. */
export function ChoosingMore({ bench }: { bench: Bench }) {
  const { chosen, adding, setAdding, place } = bench;
  if (isOneGround(place)) return null;
  const strip = stripBeside(place, chosen.cells);
  const take = (cells: string[]) => bench.choose(cells, chosen.anchor, null);
  return (
    <p role="group" aria-label="Choosing squares" className="flex flex-wrap gap-x-4">
      <button
        type="button"
        className="press aria-pressed:font-semibold"
        aria-pressed={adding}
        onClick={() => setAdding(!adding)}
      >
        Add squares
      </button>
      {strip.length > 0 && (
        <button type="button" className="press" onClick={() => take([...chosen.cells, ...strip])}>
          Add the strip beside them
        </button>
      )}
      {chosen.cells.length > 3 && (
        <>
          <button type="button" className="press" onClick={() => take(borderOf(chosen.cells))}>
            Border only
          </button>
          <button type="button" className="press" onClick={() => take(everyOther(chosen.cells))}>
            Every other square
          </button>
        </>
      )}
    </p>
  );
}
