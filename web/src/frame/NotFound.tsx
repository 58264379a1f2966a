import { Box, Link, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';

export function NotFound() {
  return (
    <Box component="main" sx={{ p: 5 }}>
      <Typography variant="h1" gutterBottom>
        Off the chart
      </Typography>
      <Typography>
        There is nothing at this address.{' '}
        <Link component={RouterLink} to="/">
          Back to the rigs
        </Link>
      </Typography>
    </Box>
  );
}
