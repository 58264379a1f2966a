import { styled } from '@mui/material';
import { SOUNDING_FONT } from '../app/theme';

/** A line of words with a figure at its end, pressed as a whole. */
export const LineButton = styled('button')(({ theme }) => ({
  display: 'block',
  width: '100%',
  border: 0,
  borderTop: `1px solid ${theme.chart.grid}`,
  background: 'none',
  color: 'inherit',
  font: 'inherit',
  fontSize: 14,
  lineHeight: 1.35,
  padding: '4px 0',
  textAlign: 'left',
  cursor: 'pointer',
  '&:hover': { background: theme.chart.grid },
  '&:focus-visible': { outline: `2px solid ${theme.chart.sea}` },
  '& i': { float: 'right', fontFamily: SOUNDING_FONT, fontSize: 15 },
}));
