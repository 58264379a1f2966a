import { newRig, NO_RECORDS } from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { useEffect } from 'react';
import { TraceView } from './TraceView';

/** Amp, one cable, one guitar: what there is where there is no rig. */
const BARE = newRig('One guitar, one cable, one amp');

/** A hunt without a rig. */
export function FreeTracePage() {
  useEffect(() => {
    document.title = 'Trace · Gullwind';
  }, []);
  return (
    <Box component="main" sx={{ minHeight: '100vh', display: 'flex', flexDirection: 'column' }}>
      <Box component="header" sx={{ px: 2, py: 1, borderBottom: 1, borderColor: 'divider' }}>
        <Typography component="h1" sx={{ fontSize: 21 }}>
          Trace: one guitar, one cable, one amp
        </Typography>
      </Box>
      <TraceView rig={BARE} rigId={null} revision={null} records={NO_RECORDS} />
    </Box>
  );
}
