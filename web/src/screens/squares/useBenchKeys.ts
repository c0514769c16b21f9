import { useState } from 'react';
import type { KeyboardEvent } from 'react';

import type { PlaceReport, ShelfAnswer, ShelfEntry } from '../../api/types';
import { addressOf, freeAddresses, gridSize } from '../../drawing/cells';
import type { Spot } from '../../drawing/cells';
import { moved, typed } from '../../drawing/gesture';
import type { TypedMark } from '../../drawing/gesture';
import { useMessages } from '../../kit/messages';
import { usePreferences } from '../../kit/preferences';
import type { Chosen } from './useBench';

interface Seen {
  cursor: Spot;
  setCursor: (spot: Spot) => void;
  chosen: Chosen;
  shelf: ShelfAnswer | undefined;
  /** Whether squares are added to those chosen. */
  adding: boolean;
}

/** What keys can do on the bench. */
interface Acts {
  choose: (cells: readonly string[], anchor: Spot, planting: string | null) => void;
  choosePainted: (from: Spot, to: Spot) => void;
  /** Add a block to the squares chosen, or take it out of them. */
  addPainted: (from: Spot, to: Spot) => void;
  /** Choose the block from one square to another. */
  lengthen: (from: Spot, to: Spot) => void;
  clear: () => void;
  plant: (entry: ShelfEntry) => void;
}

/** The bench by keys: arrows, Enter, Delete, Escape, and a crop by the two letters of its mark. */
export function useBenchKeys(place: PlaceReport, seen: Seen, acts: Acts) {
  const { preferences } = usePreferences();
  const { say } = useMessages();
  const [mark, setMark] = useState<TypedMark>({ letters: '', atMs: 0 });
  const { cursor, chosen, shelf } = seen;

  const plantMark = (letters: string) => {
    const entry = shelf?.entries.find((e) => e.mark === letters);
    if (chosen.cells.length === 0) {
      say({
        kind: 'tip',
        text: 'Choose squares first: arrows move, Shift and arrows choose more.',
      });
    } else if (!entry) {
      say({ kind: 'care', text: `No crop has the mark ${letters}.` });
    } else if (shelf?.blocked) {
      say({ kind: 'care', text: `${shelf.blocked}. Delete clears it, or move the day.` });
    } else {
      acts.plant(entry);
    }
  };
  const goTo = (to: Spot, more: boolean, adds: boolean) => {
    seen.setCursor(to);
    if (more) acts.lengthen(chosen.cells.length > 0 ? chosen.anchor : cursor, to);
    else if (!adds && freeAddresses(place).has(addressOf(to))) acts.choosePainted(to, to);
  };
  const typeLetter = (event: KeyboardEvent) => {
    const now = typed(mark, event.key, event.timeStamp);
    setMark(now);
    if (now.letters.length === 2) plantMark(now.letters);
  };

  return (event: KeyboardEvent<SVGSVGElement>) => {
    const held = event.ctrlKey || event.metaKey;
    const to = moved(cursor, event.key, gridSize(place));
    const presses = event.key === 'Enter' || event.key === ' ';
    if (event.altKey || (held && !to && !presses)) return;
    const adds = held || seen.adding;
    if (to) goTo(to, event.shiftKey, adds);
    else if (event.key === 'Delete' || event.key === 'Backspace') acts.clear();
    else if (event.key === 'Escape') acts.choose([], cursor, null);
    else if (presses) (adds ? acts.addPainted : acts.choosePainted)(cursor, cursor);
    else if (preferences.letterKeys && /^[a-z]$/i.test(event.key)) typeLetter(event);
    else return;
    event.preventDefault();
  };
}
