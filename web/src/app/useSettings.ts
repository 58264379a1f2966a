import { DEFAULT_SETTINGS, type Settings } from '@gullwind/contract';
import { useMediaQuery } from '@mui/material';
import { useGetSettingsQuery, usePutSettingsMutation } from './api';
import { sayFailure } from './failures';
import type { Theme } from '@mui/material/styles';
import { FORCED_THEMES, THEMES, type ThemeMode } from './theme';

/** The workshop's settings, the defaults until they have arrived, and how to change some of them. */
export function useSettings(): readonly [Settings, (change: Partial<Settings>) => void] {
  const { data, refetch } = useGetSettingsQuery();
  const [put] = usePutSettingsMutation();
  const change = async (some: Partial<Settings>) => {
    // What has not arrived yet is not overwritten by defaults.
    const known = data ?? (await refetch()).data;
    if (known) await put({ ...known, ...some });
    else sayFailure('The settings have not arrived yet. Nothing was changed; try again.');
  };
  return [data ?? DEFAULT_SETTINGS, (some) => void change(some)];
}

export function useThemeMode(): ThemeMode {
  const [{ theme }] = useSettings();
  const prefersDark = useMediaQuery('(prefers-color-scheme: dark)');
  if (theme === 'system') return prefersDark ? 'night' : 'day';
  return theme;
}

/** By day or by night, in the application's colours or in those that the system forces. */
export function useWorkshopTheme(): Theme {
  const isForced = useMediaQuery('(forced-colors: active)');
  return (isForced ? FORCED_THEMES : THEMES)[useThemeMode()];
}
