import { styled } from '@mui/material';

/** A rig that is not opened from the list: its name, what is to be said of it, and what can be done. */
export const PlainRow = styled('div')(({ theme }) => ({
  display: 'flex',
  gap: 16,
  alignItems: 'center',
  borderTop: `1px solid ${theme.chart.grid}`,
  padding: '12px 0',
}));
