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

/** Where the person has the system choose the colours: its own words for them, so that every line and mark is seen. */
const FORCED: ChartInk = {
  paper: 'Canvas',
  ink: 'CanvasText',
  faint: 'CanvasText',
  sea: 'LinkText',
  shelter: 'Canvas',
  hatch: 'GrayText',
  buoy: 'VisitedText',
  grid: 'GrayText',
};

/** The width of the rail of stages; messages stand beside it. */
export const RAIL_PX = 76;

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

/** The least that can be pressed, px. */
const TOUCH_PX = 24;

export type ThemeMode = 'day' | 'night';

/** What holds for everything on every page: figures under each other, scroll bars, where the keyboard is. */
const everywhere = (ink: ChartInk) => ({
  body: { fontVariantNumeric: 'tabular-nums lining-nums' },
  '*': { scrollbarWidth: 'thin' as const, scrollbarColor: `${ink.hatch} transparent` },
  ':focus-visible': { outline: `2px solid ${ink.sea}`, outlineOffset: 1 },
  // Where grounds are taken away, what is chosen is ringed.
  '@media (forced-colors: active)': {
    '[aria-pressed="true"], [role="tab"][aria-selected="true"], [aria-current="page"]': {
      outline: '2px solid Highlight',
      outlineOffset: -2,
    },
  },
  // What is moved to by a link, and not by hand, is no stop.
  '[tabindex="-1"]:focus-visible': { outline: 'none' },
  '@media (min-width: 600px)': { '.notistack-SnackbarContainer': { marginLeft: RAIL_PX } },
  '@media (prefers-reduced-motion: reduce)': {
    '*': { transition: 'none !important', animation: 'none !important' },
  },
});

function themeOf(mode: ThemeMode, chart: ChartInk, ink: ChartInk = chart): Theme {
  const surface = mode === 'day' ? '#fcfaf3' : '#1f1b17';
  return createTheme({
    chart: ink,
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
        styleOverrides: everywhere(ink),
      },
      MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
      MuiButtonBase: {
        defaultProps: { disableRipple: true },
        styleOverrides: {
          root: {
            '&.Mui-focusVisible': { outline: `2px solid ${ink.sea}`, outlineOffset: 1 },
          },
        },
      },
      // What can be pressed can be met by a thumb.
      MuiIconButton: { styleOverrides: { root: { minWidth: TOUCH_PX, minHeight: TOUCH_PX } } },
      MuiButton: { styleOverrides: { root: { minHeight: TOUCH_PX } } },
      MuiToggleButton: { styleOverrides: { root: { color: chart.ink } } },
      MuiTooltip: { defaultProps: { enterDelay: 400, arrow: false } },
    },
  });
}

export const THEMES: Readonly<Record<ThemeMode, Theme>> = {
  day: themeOf('day', DAY),
  night: themeOf('night', NIGHT),
};

/** The same with the colours that the system forces on everything. */
export const FORCED_THEMES: Readonly<Record<ThemeMode, Theme>> = {
  day: themeOf('day', DAY, FORCED),
  night: themeOf('night', NIGHT, FORCED),
};
