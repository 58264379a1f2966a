import { styled } from '@mui/material';
import { SOUNDING_FONT } from '../../app/theme';

/** A table without boxes, as it is printed. */
export const PlainTable = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  width: '100%',
  fontSize: 15,
  '& th': {
    fontFamily: SOUNDING_FONT,
    fontStyle: 'italic',
    fontWeight: 400,
    textAlign: 'left',
    borderBottom: `1px solid ${theme.chart.ink}`,
    padding: '2px 14px 2px 0',
  },
  '& td': { padding: '3px 14px 3px 0', verticalAlign: 'top', overflowWrap: 'anywhere' },
  '& thead th': { whiteSpace: 'nowrap' },
}));
