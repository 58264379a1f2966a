import { SOUNDING_FONT } from '../../app/theme';

/** A cell with a figure in it. */
export const FIGURE_CELL = {
  textAlign: 'right',
  fontFamily: SOUNDING_FONT,
  fontStyle: 'italic',
  fontSize: 15,
  whiteSpace: 'nowrap',
} as const;
