/// How a stage with a drawing and a panel beside it fills the window.

/** The whole stage: as high as the window where there is room. */
export const STAGE_PAGE = {
  height: { lg: '100vh' },
  minHeight: 700,
  display: 'flex',
  flexDirection: 'column',
} as const;

/** What is worked on, and the panel beside it; on a narrow window below it. @param panelPx width of the panel */
export const stageColumns = (panelPx: number) =>
  ({
    flex: 1,
    minHeight: 0,
    display: 'grid',
    gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: `minmax(0, 1fr) ${panelPx}px` },
  }) as const;

export const STAGE_PANEL = {
  borderLeft: 1,
  borderColor: 'divider',
  px: 2,
  py: 1.25,
  overflowY: 'auto',
  minHeight: 0,
} as const;
