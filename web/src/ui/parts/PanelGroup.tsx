import { Box, Typography } from '@mui/material';
import type { ReactNode } from 'react';

/** Numbers that belong together, under a word. */
export function PanelGroup({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box sx={{ mt: 1 }}>
      <Typography
        variant="h2"
        sx={{ fontSize: 13.5, borderBottom: 1, borderColor: 'divider', mb: 0.5 }}
      >
        {title}
      </Typography>
      {children}
    </Box>
  );
}
