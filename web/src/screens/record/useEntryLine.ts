import { useCallback, useState } from 'react';
import type { RefObject, SyntheticEvent } from 'react';

import { attempt } from '../../api/attempt';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { Entry, WeatherSeen } from '../../api/types';
import { isoOf } from '../../kit/day';
import { usePreferences } from '../../kit/preferences';
import type { WeightUnit } from '../../kit/preferences';
import type { UnitSystem } from '../../kit/units';
import { useDay } from '../../shared/DayContext';
import { keepWeather, measuredOn } from './day/useWeather';
import { freshId, useAfresh, useDayBook, useReading, useReadNow } from './useRecord';
import type { Line } from './useRecord';

const WEIGHT = /\s*[\d.,]+ ?(kg|g|lb|oz)\s*$/;

const UNIT = /\d\s*(kg|g|lb|oz)s?\b/gi;
const OF_SYSTEM: Record<UnitSystem, readonly [WeightUnit, WeightUnit]> = {
  metric: ['kg', 'g'],
  imperial: ['lb', 'oz'],
};

/** What a bare number is of: the unit typed last, where it is one of those in use. */
function unitOf(system: UnitSystem, last: WeightUnit | null): WeightUnit {
  const [usual, ...others] = OF_SYSTEM[system];
  return others.find((unit) => unit === last) ?? usual;
}

interface Odd {
  entries: readonly Entry[];
  words: string;
  why: ProblemError;
}

/** The line as it is typed, what it is read as, and what becomes of it at Enter. */
export function useEntryLine(
  state: HeldGarden,
  begun: string,
  field: RefObject<HTMLInputElement | null>,
) {
  const { slug, version } = state.head;
  const { day } = useDay();
  const { preferences, units, change } = usePreferences();
  const book = useDayBook(slug);
  const afresh = useAfresh(slug);
  const [text, setText] = useState(begun);
  const [id, setId] = useState(freshId);
  const [odd, setOdd] = useState<Odd>();
  const [fault, setFault] = useState<string>();
  const [kept, setKept] = useState<{ words: string; undo: () => Promise<unknown> }>();
  const line: Line = {
    text,
    day: isoOf(day),
    id,
    unit: unitOf(units.system, preferences.weighedIn),
  };
  const reading = useReading(slug, version, line);
  const readNow = useReadNow(slug, version);

  const typed = (words: string) => {
    setText(words);
    setOdd(undefined);
    setFault(undefined);
    field.current?.focus();
  };
  const weighed = useCallback((weight: string) => {
    // Weighed anew, a line has the new weight.
    setText((line) => `${line.replace(WEIGHT, '').trimEnd()} ${weight}`.trimStart());
  }, []);
  const keep = async (entries: readonly Entry[], said: string, sure: boolean) => {
    // The line is free for the next one at once; what is refused comes back to it.
    const was = text;
    const unit = [...was.matchAll(UNIT)].at(-1)?.[1]?.toLowerCase() as WeightUnit | undefined;
    if (unit) change({ weighedIn: unit });
    setText('');
    setOdd(undefined);
    setFault(undefined);
    setId(freshId());
    field.current?.focus();
    const done = await book.keepAll(entries, sure);
    if (done.is === 'done') {
      const undo = () => Promise.all(entries.map((entry) => book.remove(entry.id)));
      setKept({ words: said, undo });
    } else setText((now) => now || was);
    if (done.is !== 'refused') return;
    if (done.why.is('doubtful')) setOdd({ entries, words: said, why: done.why });
    else setFault(done.why.problem?.errors.map((e) => e.text).join('; ') ?? done.why.message);
  };
  const keepDay = async (seen: WeatherSeen, said: string) => {
    const done = await attempt(async () => {
      const before = await measuredOn(slug, seen.day);
      await keepWeather(slug, seen);
      return before;
    });
    if (done.is === 'refused') setFault(done.why.message);
    if (done.is !== 'done') return;
    typed('');
    const undo = () => keepWeather(slug, done.value).then(afresh);
    setKept({ words: said, undo });
    await afresh();
  };
  const enter = async (event: SyntheticEvent) => {
    event.preventDefault();
    if (text.trim() === '') return;
    const read = await attempt(() => readNow(line));
    if (read.is === 'refused') setFault(read.why.message);
    if (read.is !== 'done') return;
    if (read.value.weather) await keepDay(read.value.weather, read.value.words);
    else if (read.value.entry) await keep(read.value.entries, read.value.words, false);
    else setFault(read.value.words);
  };
  const undo = async () => {
    await kept?.undo();
    setKept(undefined);
  };
  return { text, typed, weighed, keep, enter, undo, kept, odd, fault, reading: reading.data };
}
