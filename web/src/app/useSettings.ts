import { DEFAULT_SETTINGS, type Settings } from '@gullwind/contract';
import { useMediaQuery } from '@mui/material';
import { useGetSettingsQuery, usePutSettingsMutation } from './api';
import type { ThemeMode } from './theme';

/** The workshop's settings, the defaults until they have arrived, and how to change some of them. */
export function useSettings(): readonly [Settings, (change: Partial<Settings>) => void] {
  const { data = DEFAULT_SETTINGS } = useGetSettingsQuery();
  const [put] = usePutSettingsMutation();
  return [data, (change) => void put({ ...data, ...change })];
}

export function useThemeMode(): ThemeMode {
  const [{ theme }] = useSettings();
  const prefersDark = useMediaQuery('(prefers-color-scheme: dark)');
  if (theme === 'system') return prefersDark ? 'night' : 'day';
  return theme;
}
