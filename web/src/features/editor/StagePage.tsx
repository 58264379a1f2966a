import { Box } from '@mui/material';
import type { ReactNode } from 'react';
import type { OpenRig } from './model/editorSlice';
import { StageHeader } from './StageHeader';

interface Props {
  readonly open: OpenRig;
  readonly stage: string;
  /** What leads on from here. */
  readonly ways?: ReactNode;
  /** Widths of the columns below the header, from this breakpoint on. */
  readonly columns: object;
  readonly children: ReactNode;
}

/** A stage of a rig as a page: whose it is, undo and redo, and columns that scroll by themselves. */
export function StagePage({ open, stage, ways, columns, children }: Props) {
  return (
    <Box
      component="main"
      sx={{ height: { lg: '100vh' }, display: 'flex', flexDirection: 'column' }}
    >
      <StageHeader stage={stage} open={open}>
        {ways}
      </StageHeader>
      <Box
        sx={{
          flex: 1,
          minHeight: 0,
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', ...columns },
        }}
      >
        {children}
      </Box>
    </Box>
  );
}
