import { Box, Typography } from '@mui/material';
import { useId, type ReactNode } from 'react';

/** One question of the brief under its own heading. */
export function Part({
  title,
  hint,
  children,
}: {
  title: string;
  hint?: string;
  children: ReactNode;
}) {
  const id = useId();
  return (
    <Box component="section" aria-labelledby={id} sx={{ pt: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, mb: 0.5 }}>
        <Typography id={id} component="h2" sx={{ fontSize: 17, fontWeight: 600 }}>
          {title}
        </Typography>
        {hint && (
          <Typography variant="caption" sx={{ color: 'text.secondary' }}>
            {hint}
          </Typography>
        )}
      </Box>
      {children}
    </Box>
  );
}
