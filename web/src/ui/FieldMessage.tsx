import { Typography } from '@mui/material';

/** What is wrong with what was typed, in its place. */
export function FieldMessage({ id, message }: { id?: string; message: string | null }) {
  if (message === null) return null;
  return (
    <Typography
      id={id}
      role="alert"
      variant="caption"
      sx={{ color: 'error.main', display: 'block' }}
    >
      {message}
    </Typography>
  );
}
