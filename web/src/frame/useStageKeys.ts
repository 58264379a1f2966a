import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { matchPath, useLocation } from 'react-router';
import { keysOf, STAGES, type KeyGroup } from '../stages';
import { ignoreKeyIn } from '../app/showKeys';
import { useSettings, useThemeMode } from '../app/useSettings';

/// Keys that every stage has, and the list of those of the one that is looked at.

interface StageKeys {
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
      event.preventDefault();
      keys[key]!();
    },
    { ignoreEventWhen: ignoreKeyIn },
  );
  const groups = useMemo(() => {
    const stage = STAGES.find(({ route }) => matchPath(route, pathname));
    return keysOf(stage ?? STAGES[0]!);
  }, [pathname]);
  const acts = useMemo(() => ({ show: () => setOpen(true), hide: () => setOpen(false) }), []);
  return { groups, isOpen, ...acts };
}
