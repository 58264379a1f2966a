import { Link, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';

/** The usual caution where the work is done. */
export const Cautions = () => (
  <Typography variant="body2" sx={{ color: 'text.secondary', mt: 3, maxWidth: 640 }}>
    Meters measure what is unplugged: never a thing under power. Nothing here is about the inside of
    an amplifier or of a mains supply; lethal voltages stay in them when they are unplugged, and
    they are for a qualified technician.{' '}
    <Link component={RouterLink} to="/gear">
      The gear list
    </Link>{' '}
    shows what is measured and what is still assumed.
  </Typography>
);
