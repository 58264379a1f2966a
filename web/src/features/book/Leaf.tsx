import { Box, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { SOUNDING_FONT } from '../../app/theme';

interface Props {
  readonly title: string;
  readonly hint?: string;
  readonly children: ReactNode;
}

/** A leaf of the book: a title in the second face, and what it says. */
export const Leaf = ({ title, hint, children }: Props) => (
  <Box component="section" aria-label={title}>
    <Typography component="h2" sx={LEAF_TITLE}>
      {title}
    </Typography>
    {hint && (
      <Typography variant="body2" sx={{ color: 'text.secondary', maxWidth: 640, mb: 1 }}>
        {hint}
      </Typography>
    )}
    {children}
  </Box>
);

export const LEAF_TITLE = {
  fontFamily: SOUNDING_FONT,
  fontStyle: 'italic',
  fontSize: 27,
  lineHeight: 1.2,
  mb: 0.5,
} as const;
