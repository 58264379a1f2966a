import { useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { matchPath, useLocation } from 'react-router';
import { isTaken, keysOf, STAGES, type KeyGroup, type Stage } from '../stages';
import { ignoreKeyIn } from '../app/showKeys';
import { useSettings, useThemeMode } from '../app/useSettings';

/// Keys that every stage has, and the help for the one that is looked at.

interface StageKeys {
  readonly stage: Stage;
  readonly groups: readonly KeyGroup[];
  readonly isOpen: boolean;
  readonly show: () => void;
  readonly hide: () => void;
}

/** Listens for the common keys. */
export function useStageKeys(): StageKeys {
  const { pathname } = useLocation();
  const [isOpen, setOpen] = useState(false);
  const [{ units }, change] = useSettings();
  const mode = useThemeMode();
  const stage = useMemo(
    () => STAGES.find(({ route }) => matchPath(route, pathname)) ?? STAGES[0]!,
    [pathname],
  );
  const keys: Readonly<Record<string, () => void>> = {
    u: () => change({ units: units === 'metric' ? 'imperial' : 'metric' }),
    n: () => change({ theme: mode === 'day' ? 'night' : 'day' }),
    '?': () => setOpen(true),
  };
  // By what is typed, not by where it is on a keyboard.
  useHotkeys(
    '*',
    (event) => {
      const key = event.key.toLowerCase();
      if (event.ctrlKey || event.metaKey || event.altKey || !Object.hasOwn(keys, key)) return;
      if (isTaken(stage, key)) return;
      event.preventDefault();
      keys[key]!();
    },
    { ignoreEventWhen: ignoreKeyIn },
  );
  const groups = useMemo(() => keysOf(stage), [stage]);
  // A link in it leads away from it.
  useEffect(() => setOpen(false), [pathname]);
  const acts = useMemo(() => ({ show: () => setOpen(true), hide: () => setOpen(false) }), []);
  return { stage, groups, isOpen, ...acts };
}
