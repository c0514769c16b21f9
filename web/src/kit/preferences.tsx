import { useQueryClient } from '@tanstack/react-query';
import { createContext, useContext, useEffect, useMemo, useState } from 'react';
import type { ReactNode } from 'react';

import { sayDaysAs } from './day';
import { inRegion } from './region';
import { askIn, unitsFor } from './units';
import type { Region, Units, UnitSystem } from './units';

export type WeightUnit = 'kg' | 'g' | 'lb' | 'oz';

/** What the grower prefers on this device. */
export interface Preferences {
  theme: 'system' | 'light' | 'dark';
  /** Measures on this device, whatever a garden's are. */
  units: 'garden' | UnitSystem;
  letterKeys: boolean;
  /** The unit that a picking was typed in last, which a bare number is of. */
  weighedIn: WeightUnit | null;
}

const KEY = 'ample-rows/preferences';
const DEFAULTS: Preferences = {
  theme: 'system',
  units: 'garden',
  letterKeys: true,
  weighedIn: null,
};

interface Held {
  preferences: Preferences;
  units: Units;
  /** Whose words are used, so that a day is said anew where they change. */
  region: Region;
  change: (changes: Partial<Preferences>) => void;
  /** A garden is open, or about to be made, in these measures and a region's words. */
  opened: (units: UnitSystem, region: Region) => void;
}

const PLACES_IN_FEET = /-(US|LR|MM)\b/i;

/** Measures for a first garden, guessed from the browser's language. */
export const guessedUnits = (): UnitSystem =>
  PLACES_IN_FEET.test(navigator.language) ? 'imperial' : 'metric';

/** The words for a first garden, guessed the same way; null where they are the usual ones. */
export const guessedWords = (): 'en-US' | null =>
  /-US\b/i.test(navigator.language) ? 'en-US' : null;

const Context = createContext<Held | null>(null);

function stored(): Preferences {
  try {
    const raw = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Preferences>;
    return { ...DEFAULTS, ...raw };
  } catch {
    return DEFAULTS;
  }
}

export function PreferencesProvider({ children }: { children: ReactNode }) {
  const client = useQueryClient();
  const [preferences, setPreferences] = useState(stored);
  const [ofGarden, setOfGarden] = useState<UnitSystem>('metric');
  const [region, setRegion] = useState<Region>('en-GB');
  const system = preferences.units === 'garden' ? ofGarden : preferences.units;
  const [asked, setAsked] = useState<string | null>(null);
  if (asked !== `${system} ${region}`) {
    askIn(system, region);
    sayDaysAs(region);
    setAsked(`${system} ${region}`);
  }
  useEffect(() => {
    // The server's sentences hold measures, so all of them are asked for again.
    if (asked !== null) void client.invalidateQueries();
  }, [client, asked]);

  useEffect(() => {
    localStorage.setItem(KEY, JSON.stringify(preferences));
    const evening = matchMedia('(prefers-color-scheme: dark)');
    const show = () => {
      const dark =
        preferences.theme === 'dark' || (preferences.theme === 'system' && evening.matches);
      document.documentElement.dataset.theme = dark ? 'dark' : 'light';
    };
    show();
    evening.addEventListener('change', show);
    return () => evening.removeEventListener('change', show);
  }, [preferences]);

  const value = useMemo<Held>(
    () => ({
      preferences,
      units: unitsFor(system),
      region,
      change: (changes) => setPreferences((current) => ({ ...current, ...changes })),
      opened: (units, words) => {
        setOfGarden(units);
        setRegion(words);
      },
    }),
    [preferences, system, region],
  );
  return <Context value={value}>{children}</Context>;
}

export function usePreferences(): Held {
  const held = useContext(Context);
  if (!held) throw new Error('usePreferences outside PreferencesProvider');
  return held;
}

const SAYING: Readonly<Record<Region, (text: string) => string>> = {
  'en-GB': (text) => text,
  'en-US': (text) => inRegion(text, 'en-US'),
};

/** Words of the pages as the region in force says them. */
export function useRegional(): (text: string) => string {
  const { region } = usePreferences();
  return SAYING[region];
}

export function useUnits(): Units {
  return usePreferences().units;
}
