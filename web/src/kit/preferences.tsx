import { useQueryClient } from '@tanstack/react-query';
import { createContext, useContext, useEffect, useMemo, useState } from 'react';
import type { ReactNode } from 'react';

import { askIn, unitsFor } from './units';
import type { Units, UnitSystem } from './units';

/** What the grower prefers on this device. */
export interface Preferences {
  theme: 'system' | 'light' | 'dark';
  units: UnitSystem;
  letterKeys: boolean;
}

const KEY = 'ample-rows/preferences';
const DEFAULTS: Preferences = { theme: 'system', units: 'metric', letterKeys: true };

interface Held {
  preferences: Preferences;
  units: Units;
  change: (changes: Partial<Preferences>) => void;
}

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
  const [preferences, setPreferences] = useState(() => {
    const saved = stored();
    askIn(saved.units);
    return saved;
  });

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
      units: unitsFor(preferences.units),
      change: (changes) => {
        setPreferences((current) => ({ ...current, ...changes }));
        if (changes.units === undefined || changes.units === preferences.units) return;
        // The server's sentences hold measures, so all of them are asked for again.
        askIn(changes.units);
        void client.invalidateQueries();
      },
    }),
    [client, preferences],
  );
  return <Context value={value}>{children}</Context>;
}

export function usePreferences(): Held {
  const held = useContext(Context);
  if (!held) throw new Error('usePreferences outside PreferencesProvider');
  return held;
}

export function useUnits(): Units {
  return usePreferences().units;
}
