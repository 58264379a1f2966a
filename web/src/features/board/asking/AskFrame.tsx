import { Box, Button, Typography } from '@mui/material';
import type { ReactNode } from 'react';

interface Props {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A question to the board, and its answer, in place of what is selected. */
export function AskFrame({ title, onClose, children }: Props) {
  return (
    <Box component="section" aria-label={title}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600, lineHeight: 1.2, flex: 1 }}>
          {title}
        </Typography>
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </Box>
      {children}
    </Box>
  );
}
