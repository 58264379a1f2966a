import { createTheme, type Theme } from '@mui/material/styles';

/** Colours of the chart beyond MUI's own: water, hatching, the thread and the one warning colour. */
export interface ChartInk {
  readonly paper: string;
  readonly ink: string;
  readonly faint: string;
  readonly sea: string;
  readonly shelter: string;
  readonly hatch: string;
  readonly buoy: string;
  readonly grid: string;
}

declare module '@mui/material/styles' {
  interface Theme {
    chart: ChartInk;
  }
  interface ThemeOptions {
    chart?: ChartInk;
  }
}

const DAY: ChartInk = {
  paper: '#f6f2e7',
  ink: '#10303a',
  faint: '#55676b',
  sea: '#2b5f70',
  shelter: '#d7e4dc',
  hatch: '#b9bfae',
  buoy: '#a8430f',
  grid: '#ddd8c8',
};

const NIGHT: ChartInk = {
  paper: '#171411',
  ink: '#e2d2b2',
  faint: '#a99b80',
  sea: '#6d9fa3',
  shelter: '#20302f',
  hatch: '#4b4336',
  buoy: '#eb9350',
  grid: '#332d25',
};

const SANS = '"Source Sans 3", system-ui, sans-serif';
export const SOUNDING_FONT = '"Source Serif 4", Georgia, serif';

const TYPOGRAPHY = {
  fontFamily: SANS,
  fontSize: 14,
  button: { textTransform: 'none' as const, fontWeight: 500 },
  h1: { fontSize: 26, fontWeight: 600, lineHeight: 1.2 },
  h2: { fontSize: 15, fontWeight: 600, lineHeight: 1.3 },
  body1: { fontSize: 15 },
  body2: { fontSize: 14 },
  caption: { fontSize: 12.5 },
};

export type ThemeMode = 'day' | 'night';

function themeOf(mode: ThemeMode): Theme {
  const chart = mode === 'day' ? DAY : NIGHT;
  const surface = mode === 'day' ? '#fcfaf3' : '#1f1b17';
  return createTheme({
    chart,
    palette: {
      mode: mode === 'day' ? 'light' : 'dark',
      primary: { main: chart.sea, contrastText: mode === 'day' ? '#ffffff' : '#10181a' },
      warning: { main: chart.buoy },
      error: { main: chart.buoy },
      text: { primary: chart.ink, secondary: chart.faint },
      background: { default: chart.paper, paper: surface },
      divider: chart.grid,
    },
    shape: { borderRadius: 3 },
    typography: TYPOGRAPHY,
    components: {
      MuiCssBaseline: {
        styleOverrides: {
          body: { fontVariantNumeric: 'tabular-nums lining-nums' },
          '@media (prefers-reduced-motion: reduce)': {
            '*': { transition: 'none !important', animation: 'none !important' },
          },
        },
      },
      MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
      MuiButtonBase: { defaultProps: { disableRipple: true } },
      MuiToggleButton: { styleOverrides: { root: { color: chart.ink } } },
      MuiTooltip: { defaultProps: { enterDelay: 400, arrow: false } },
    },
  });
}

export const THEMES: Readonly<Record<ThemeMode, Theme>> = {
  day: themeOf('day'),
  night: themeOf('night'),
};
