import { styled } from '@mui/material';

/** A sentence that is pressed to go to what it is about. */
export const SentenceButton = styled('button')({
  border: 0,
  background: 'none',
  font: 'inherit',
  fontSize: 14,
  color: 'inherit',
  textAlign: 'left',
  cursor: 'pointer',
  minHeight: 24,
  padding: 0,
});
